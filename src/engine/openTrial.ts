import type { Trial, TrialSubject } from '@/core/lightest/trial';
import type { Channel } from './channel';
import type { CodecCalls } from './protocol';
import { retryAfterCrash } from './retryAfterCrash';

/** Opens a picture to be tried out in a worker. */
export async function openTrial(
  channel: Channel<CodecCalls>,
  subject: TrialSubject,
): Promise<Trial> {
  const open = () => channel.ask('trial', { subject });
  /**
   * Codecs that have written much may run out of memory: a fresh worker is asked once more before
   * anything is given up.
   */
  const afresh = async <T>(question: () => Promise<T>): Promise<T> => {
    try {
      return await question();
    } catch {
      channel.restart('The codecs are started anew.');
      await open();
      return question();
    }
  };
  /** One after the other, so that a worker is not started anew under a question of another. */
  let last: Promise<unknown> = Promise.resolve();
  const next = <T>(question: () => Promise<T>): Promise<T> => {
    const answer = last.then(() => afresh(question));
    last = answer.catch(() => {});
    return answer;
  };
  return {
    area: await retryAfterCrash(open),
    tryOut: (settings, part) => next(() => channel.ask('tryOut', { settings, part })),
    patch: (settings) => next(() => channel.ask('patch', { settings })),
  };
}
