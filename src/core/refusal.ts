/** What was not done and why, in words for the owner. Whatever else is thrown is a fault of ours. */
export class Refusal extends Error {}

const unforeseen = 'Soyez met a fault of its own here. Nothing you made is lost; try it once more.';

/** Files and memory that the browser itself refuses, by the names that Web IDL gives them. */
const ofBrowser: ReadonlyMap<string, string> = new Map([
  ['NotReadableError', 'The file cannot be read any more: it was moved, changed or locked.'],
  ['NotFoundError', 'The file is not there any more: it was moved or deleted.'],
  ['QuotaExceededError', 'The browser gives no more room on this disk.'],
]);

/** Browsers and workers collect faults so (HTML Standard, section 8.1.4.2); Node does not. */
interface Reporting {
  reportError?(error: unknown): void;
}

/**
 * What the owner is told of an error: its words where they were written for people. Others are for
 * programmers: they are reported where the browser collects them, and never shown.
 */
export function wordsOf(error: unknown): string {
  if (error instanceof Refusal) {
    return error.message;
  }
  const known = ofBrowser.get(String((error as { name?: unknown } | null)?.name));
  if (known === undefined) {
    (globalThis as Reporting).reportError?.(error);
  }
  return known ?? unforeseen;
}

/** A sentence as the end of another. */
export const asClause = (sentence: string): string =>
  sentence.replace(/\.$/, '').replace(/^(?!Soyez)[A-Z](?=[a-z ])/, (c) => c.toLowerCase());

/** The same as the end of a sentence. */
export const clauseOf = (error: unknown): string => asClause(wordsOf(error));
