import { WorkerCrash } from './channel';

/**
 * A question whose worker died under it is put once more, to the new one. One that it did not answer
 * is not: what kept it busy may be the question.
 */
export async function retryAfterCrash<T>(question: () => Promise<T>): Promise<T> {
  try {
    return await question();
  } catch (error) {
    if (error instanceof WorkerCrash && !error.isSilent) {
      return question();
    }
    throw error;
  }
}
