import { WorkerCrash } from './channel';

/** A question whose worker died under it is put once more, to the new one. */
export async function twice<T>(question: () => Promise<T>): Promise<T> {
  try {
    return await question();
  } catch (error) {
    if (error instanceof WorkerCrash) {
      return question();
    }
    throw error;
  }
}
