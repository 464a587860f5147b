'use client';

import type { ReactNode } from 'react';
import { kilobytes } from '@/core/readings/say';
import type { WrittenFile } from '../../../hooks/useEncodedFile';
import type { Way } from '@/core/readings/reading';
import { useMendCandidates, type Tried } from '../../../hooks/useMendCandidates';
import { Button } from '../../../shared/Button';
import { VerdictMark } from '../../../shared/VerdictMark';
import { useEditing, useFiled } from '../../useBench';

/** The price of a file against the one there is. */
export function price(
  file: Pick<WrittenFile, 'bytes'>,
  before: Pick<WrittenFile, 'bytes'> | undefined,
): string {
  if (!before) {
    return kilobytes(file.bytes);
  }
  const d = file.bytes - before.bytes;
  return `${d < 0 ? '−' : '+'}${kilobytes(Math.abs(d))}`;
}

interface Props {
  title: string;
  readingId: string;
  ways: readonly Way[];
  /** What is said of a way that does it. */
  done: string;
  /** What is shown of a way as it was tried. */
  preview?(tried: Tried): ReactNode;
}

/**
 * Ways to put a reading right: each is pressed, measured, and says what it costs before it is
 * taken.
 */
export function Ways({ title, readingId, ways, done, preview }: Props) {
  const { site, slot, commit } = useEditing();
  const { encodedFile, readings } = useFiled();
  const wait = !encodedFile.current;
  const now = readings.find((r) => r.id === readingId);
  const tried = useMendCandidates(site, slot, readingId, ways, wait);
  if (!now || now.verdict === 'holds') {
    return null;
  }
  return (
    <section aria-label={title} className="flex min-h-0 flex-col">
      <h3 className="flex h-[22px] items-center caption">{title}</h3>
      <ul className="min-h-0 overflow-y-auto">
        {ways.map((way) => {
          const t = tried.get(way.id);
          const label = t?.mend.label ?? way.tries[0].label;
          return (
            <li
              key={way.id}
              data-way={way.id}
              data-tried={t !== undefined}
              className="flex min-h-[27px] items-center gap-2 border-t border-hair first:border-0"
            >
              {t && preview?.(t)}
              <span className="min-w-0 grow truncate" title={label}>
                {label}
              </span>
              <span className="flex shrink-0 items-center justify-end gap-1.5">
                {t ? (
                  <>
                    <VerdictMark verdict={t.verdict} />
                    <span className="figure whitespace-nowrap">
                      {t.verdict === 'holds' ? done : t.figure}
                    </span>
                  </>
                ) : (
                  <span className="text-soft">trying…</span>
                )}
              </span>
              <span className="w-[62px] shrink-0 text-right figure">
                {t && price(t.file, encodedFile.file)}
              </span>
              <Button
                className="h-[22px] px-2"
                disabled={!t}
                aria-label={`Take: ${label}`}
                onClick={() => t && commit(t.mend.label, t.mend.edit)}
              >
                Take
              </Button>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
