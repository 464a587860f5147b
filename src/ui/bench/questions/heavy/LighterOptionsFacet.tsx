'use client';

import { useState } from 'react';
import { likenessOf } from '@/core/lightest/care';
import { wantedBytes, lighterOptions } from '@/core/lightest/lighterOptions';
import { encodeSettingsWords } from '@/core/encode/settings';
import { kilobytes } from '@/core/readings/say';
import { isBlank } from '@/core/site/picture';
import { useLighterCandidates, type TriedWayDown } from '../../../hooks/useLighterCandidates';
import { Button } from '../../../shared/Button';
import { VerdictMark } from '../../../shared/VerdictMark';
import { useEditing, useFiled, useShowing } from '../../useBench';

function leadWords(bytes: number | undefined, most: number): string {
  if (bytes === undefined) {
    return 'The file is being written.';
  }
  return bytes <= most
    ? `${kilobytes(bytes)} of ${kilobytes(most)}: nothing has to be given up.`
    : `${kilobytes(bytes - most)} over ${kilobytes(most)}. Each is written first; point at one to see it on the page.`;
}

/** What can be given up for a lighter file: each way written and measured before it is gone. */
export function LighterOptionsFacet() {
  const { site, slot, picture, commit } = useEditing();
  const { encodedFile } = useFiled();
  const { hold } = useShowing();
  const [asked, setAsked] = useState(false);
  const most = wantedBytes(picture, slot);
  const bytes = encodedFile.current ? encodedFile.file?.bytes : undefined;
  const blank = isBlank(picture);
  const over = bytes !== undefined && bytes > most;
  const ways = blank ? [] : lighterOptions(slot, picture);
  const open = over || asked;
  const tried = useLighterCandidates({ site, slot, picture }, ways, open ? most : undefined);
  if (blank) {
    return <p className="text-soft">Nothing lies in this slot yet.</p>;
  }
  return (
    <div className="flex h-full min-h-0 flex-col gap-1">
      <div className="flex min-h-[26px] items-center gap-3">
        <p className="min-w-0 text-soft">{leadWords(bytes, most)}</p>
        {!open && bytes !== undefined && (
          <Button className="h-[22px] shrink-0" onClick={() => setAsked(true)}>
            Try what would be lighter
          </Button>
        )}
      </div>
      {open && (
        <ul aria-label="Ways to a lighter file" className="min-h-0 overflow-y-auto">
          {ways.map((way) => (
            <Way
              key={way.id}
              id={way.id}
              label={tried.get(way.id)?.label ?? way.tries[0].label}
              tried={tried.get(way.id)}
              onHold={(t) => hold(t && { data: t.file.data })}
              onTake={({ label, edit }) => commit(label, edit)}
            />
          ))}
        </ul>
      )}
    </div>
  );
}

function Way({
  id,
  label,
  tried,
  onHold,
  onTake,
}: {
  id: string;
  label: string;
  tried: TriedWayDown | undefined;
  onHold(tried: TriedWayDown | undefined): void;
  onTake(tried: TriedWayDown): void;
}) {
  const judgement = tried?.file.judgement;
  return (
    <li
      data-way={id}
      data-tried={tried !== undefined}
      className="flex min-h-[28px] items-center gap-2 border-t border-hair first:border-0 hover:bg-sheet"
      onMouseEnter={() => onHold(tried)}
      onMouseLeave={() => onHold(undefined)}
      onFocus={() => onHold(tried)}
      onBlur={() => onHold(undefined)}
    >
      <span className="min-w-0 grow truncate" title={label}>
        {label}
      </span>
      {tried && judgement ? (
        <>
          <span className="shrink-0 text-soft">
            {encodeSettingsWords(judgement.settings)}, likeness{' '}
            <span className="figure">{likenessOf(judgement.loss).toFixed(1)}</span>
          </span>
          <VerdictMark verdict={tried.holds ? 'holds' : 'look'} />
          <span className="w-[66px] shrink-0 text-right figure">{kilobytes(judgement.bytes)}</span>
        </>
      ) : (
        <span className="shrink-0 text-soft">trying…</span>
      )}
      <Button
        className="h-[22px] px-2"
        disabled={!tried}
        aria-label={`Take: ${label}`}
        onClick={() => tried && onTake(tried)}
      >
        Take
      </Button>
    </li>
  );
}
