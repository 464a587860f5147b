'use client';

import { intoViewNearest } from '../shared/intoView';
import { lazy, Suspense, useState } from 'react';
import { encodeSettingsWords } from '@/core/encode/settings';
import { worstFirst, type Reading } from '@/core/readings/reading';
import { kilobytes } from '@/core/readings/say';
import { setMeant } from '@/core/site/slots';
import type { EncodedFileState } from '../hooks/useEncodedFile';
import { useHistory } from '../hooks/useSession';
import { HelpButton } from '../help/HelpButton';
import { Button, Hint } from '../shared/Button';
import { useSteadyList } from '../shared/useSteadyList';
import { verdictColour, VerdictMark } from '../shared/VerdictMark';
import { useEditing, useFiled } from './useBench';

/** Loaded when it is asked for. */
const PutRightDialog = lazy(async () => ({
  default: (await import('./PutRightDialog')).PutRightDialog,
}));

const keptWords = { kept: 'every step', writing: 'writing…', not: 'not kept' } as const;

function weightWords({ failure, current, file }: EncodedFileState, blank: boolean): string {
  if (failure) {
    return 'no file';
  }
  const waiting = blank ? '–' : '…';
  return current && file ? kilobytes(file.bytes) : waiting;
}

/** Everything measured of this picture, and the title block of the drawing. */
export function Readings() {
  const { readings, encodedFile } = useFiled();
  const { picture, session } = useEditing();
  const { kept } = useHistory(session);
  const [asked, setAsked] = useState(false);
  const mendable = readings.filter((r) => r.mend);
  const { rows, steadied } = useSteadyList(
    worstFirst(readings),
    (r) => r.id,
    readings.some((r) => r.verdict === 'unknown'),
  );
  return (
    <section aria-label="Readings" data-tour="readings" className="flex h-full min-w-0 flex-col">
      <div className="flex h-9 shrink-0 items-center justify-between gap-2 px-3 pt-1.5">
        <span className="flex items-center gap-1.5">
          <h2 className="caption">Readings</h2>
          <HelpButton topic="readings" />
        </span>
        {mendable.length > 1 && (
          <Button className="h-[22px]" onClick={() => setAsked(true)}>
            Put right all…
          </Button>
        )}
      </div>
      <ul className="min-h-0 grow overflow-auto" {...steadied}>
        {rows.length === 0 && (
          <li className="px-3 py-1 text-soft">
            Nothing lies in this slot yet. Drop a photo on it.
          </li>
        )}
        {rows.map((reading) => (
          <ReadingRow key={reading.id} reading={reading} />
        ))}
      </ul>
      <dl className="grid shrink-0 grid-cols-3 border-t border-ink">
        <Block term="File" value={encodeSettingsWords(picture.press)} />
        <Block term="Weight" value={weightWords(encodedFile, readings.length === 0)} />
        <Block term="Kept" value={keptWords[kept.state]} bad={kept.state === 'not'} />
      </dl>
      {asked && (
        <Suspense fallback={null}>
          <PutRightDialog open onOpenChange={setAsked} />
        </Suspense>
      )}
    </section>
  );
}

/** What was asked for is seen, however far down it stands. */

/** One reading: what is, its figure, what can be done about it, and on asking why. */
function ReadingRow({ reading }: { reading: Reading }) {
  const { slot, commit } = useEditing();
  const { why, askWhy } = useFiled();
  const { id, title, verdict, figure, plain, words, standard } = reading;
  // While it is measured anew its actions stay where they are, and wait.
  const waits = verdict === 'unknown';
  const [known, setKnown] = useState(reading);
  if (!waits && known !== reading) {
    setKnown(reading);
  }
  const { mend, mayBeMeant, meant } = waits ? known : reading;
  const open = why === id;
  return (
    <li
      className="border-t border-hair px-3 first:border-0"
      data-reading={id}
      data-verdict={verdict}
    >
      <div className="flex min-h-[27px] items-center gap-1.5">
        <VerdictMark verdict={verdict} />
        <button
          type="button"
          aria-expanded={open}
          title={plain}
          onClick={() => askWhy(open ? undefined : id)}
          className="min-w-0 grow truncate text-left hover:underline"
        >
          {plain}
        </button>
        <span className={`shrink-0 figure ${verdict === 'holds' ? '' : verdictColour(verdict)}`}>
          {reading.meant ? 'meant so' : figure}
        </span>
      </div>
      {(mend || mayBeMeant || open) && (
        <div className="flex flex-wrap items-center gap-1.5 pb-1.5 pl-[18px]">
          {mend && (
            <Hint text={mend.label}>
              <Button
                variant="mend"
                className="h-[22px] px-2"
                aria-label={`Put right ${title}: ${mend.label}`}
                disabled={waits}
                onClick={() => commit(mend.label, mend.edit)}
              >
                Put right
              </Button>
            </Hint>
          )}
          {mayBeMeant && (
            <Button
              className="h-[22px] px-2"
              aria-label={`${meant ? 'Not meant' : 'Meant to be seen'}: ${title}`}
              disabled={waits}
              onClick={() =>
                commit(
                  meant ? `${title}: not meant` : `${title}: meant to be seen`,
                  setMeant(slot.id, id, !meant),
                )
              }
            >
              {meant ? 'Not meant' : 'Meant to be seen'}
            </Button>
          )}
          {!open && (
            <Button
              variant="bare"
              className="h-[22px] px-2 underline"
              aria-label={`Why: ${title}`}
              onClick={() => askWhy(id)}
            >
              Why
            </Button>
          )}
          {open && (
            <p
              ref={intoViewNearest}
              className="w-full break-words text-soft select-text"
              data-why={id}
            >
              {words}
              {standard && ` ${standard}.`}
            </p>
          )}
        </div>
      )}
    </li>
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
