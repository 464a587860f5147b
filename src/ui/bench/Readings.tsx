'use client';

import { pressWords } from '@/core/press/settings';
import { worstFirst } from '@/core/readings/reading';
import { kilobytes } from '@/core/readings/say';
import type { Press } from '../hooks/usePressed';
import { useHistory } from '../hooks/useSession';
import { Button, Hint } from '../shared/Button';
import { verdictColour, VerdictMark } from '../shared/VerdictMark';
import { useEditing, useFiled } from './useBench';

const keptWords = { kept: 'every step', writing: 'writing…', not: 'not kept' } as const;

function weightWords({ failure, current, file }: Press, blank: boolean): string {
  if (failure) {
    return 'no file';
  }
  const waiting = blank ? '–' : '…';
  return current && file ? kilobytes(file.bytes) : waiting;
}

/** Everything measured of this picture, and the title block of the drawing. */
export function Readings() {
  const { readings, press } = useFiled();
  const { picture, commit, session } = useEditing();
  const { kept } = useHistory(session);
  return (
    <section aria-label="Readings" className="flex h-full min-w-0 flex-col">
      <h2 className="px-3 pt-3 pb-1 caption">Readings</h2>
      <ul className="min-h-0 grow overflow-auto">
        {readings.length === 0 && (
          <li className="px-3 py-1 text-soft">
            Nothing lies in this slot yet. Drop a photo on it.
          </li>
        )}
        {worstFirst(readings).map((r) => (
          <li
            key={r.id}
            className="flex min-h-[27px] items-center gap-1.5 border-t border-hair px-3 first:border-0"
            data-reading={r.id}
            data-verdict={r.verdict}
          >
            <VerdictMark verdict={r.verdict} />
            <Hint text={r.words}>
              <button type="button" className="min-w-0 grow cursor-help truncate text-left">
                {r.title}
              </button>
            </Hint>
            <span
              className={`shrink-0 figure ${r.verdict === 'holds' ? '' : verdictColour(r.verdict)}`}
            >
              {r.figure}
            </span>
            {r.mend && (
              <Hint text={`${r.words} Mend: ${r.mend.label.toLowerCase()}.`}>
                <Button
                  variant="mend"
                  className="h-[22px]"
                  aria-label={`Mend ${r.title}: ${r.mend.label}`}
                  onClick={() => commit(r.mend!.label, r.mend!.edit)}
                >
                  Mend
                </Button>
              </Hint>
            )}
          </li>
        ))}
      </ul>
      <dl className="grid shrink-0 grid-cols-3 border-t border-ink">
        <Block term="File" value={pressWords(picture.press)} />
        <Block term="Weight" value={weightWords(press, readings.length === 0)} />
        <Block term="Kept" value={keptWords[kept.state]} bad={kept.state === 'not'} />
      </dl>
    </section>
  );
}

function Block({ term, value, bad = false }: { term: string; value: string; bad?: boolean }) {
  return (
    <div className="min-w-0 border-l border-hair px-3 py-1.5 first:border-0">
      <dt className="caption">{term}</dt>
      <dd title={value} className={`truncate figure font-semibold ${bad ? 'text-bad' : ''}`}>
        {value}
      </dd>
    </div>
  );
}
