import type { Spans } from '@/core/files/spans';
import type { LoneRule } from '@/core/theme/loneRules';
import { MainThreadTurns } from '../yieldToMain';

/**
 * Which rules select nothing in a document: the page is laid out the same without them. The thread
 * is kept for some milliseconds at a time.
 */
export async function idleRulesOf(document: Document, rules: readonly LoneRule[]): Promise<Spans> {
  const known = new Map<string, boolean>();
  const isIdle = (selects: string): boolean => {
    try {
      return document.querySelector(selects) === null;
    } catch {
      // What is no selector to the browser is left to it.
      return false;
    }
  };
  const idle: number[] = [];
  const breath = new MainThreadTurns(8);
  for (const { selects, start, end } of rules) {
    let is = known.get(selects);
    if (is === undefined) {
      is = isIdle(selects);
      known.set(selects, is);
    }
    if (is) {
      idle.push(start, end);
    }
    await breath.yieldToMain();
  }
  return new Uint32Array(idle);
}
