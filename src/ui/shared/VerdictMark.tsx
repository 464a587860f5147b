import type { Verdict } from '@/core/readings/reading';

const marks: Record<Verdict, { sign: string; word: string; colour: string }> = {
  holds: { sign: '✓', word: 'holds', colour: 'text-act' },
  look: { sign: '!', word: 'look at this', colour: 'text-warn' },
  fails: { sign: '×', word: 'fails', colour: 'text-bad' },
  unknown: { sign: '–', word: 'not measurable yet', colour: 'text-soft' },
};

export const verdictColour = (verdict: Verdict): string => marks[verdict].colour;

/** A verdict as a sign, a colour and, for those who hear the page, a word. */
export function VerdictMark({ verdict }: { verdict: Verdict }) {
  const { sign, word, colour } = marks[verdict];
  return (
    <span className={`inline-block w-3 shrink-0 figure font-semibold ${colour}`}>
      <span aria-hidden>{sign}</span>
      <span className="sr-only">{word}: </span>
    </span>
  );
}
