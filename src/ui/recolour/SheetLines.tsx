'use client';

import { useRef, useState } from 'react';
import type { RecolouredSheets } from '@/core/set/recolourSheets';
import { isWeak, leastContrast, type LineContrast, type SheetLine } from '@/core/set/sheetLine';
import type { Hex } from '@/core/site/model/hex';
import type { PieceSet } from '@/core/site/model/pieceSet';
import { useContrasts, type SetScan, type SetWriting } from '../hooks/usePieceSet';
import { useWindowed } from '../hooks/useWindowed';
import { Button } from '../shared/Button';
import { Switch } from '../shared/Switch';
import { VerdictMark } from '../shared/VerdictMark';

type Shown = 'follow' | 'all' | 'contrast';

const rowHeight = 44;

/** What would mend some lines, by their keys. */
const mendsOf = (
  lines: readonly SheetLine[],
  contrasts: ReadonlyMap<string, LineContrast>,
): ReadonlyMap<string, Hex> =>
  new Map(
    lines.flatMap(({ key }): [string, Hex][] => {
      const mend = contrasts.get(key)?.mend;
      return mend ? [[key, mend]] : [];
    }),
  );

function emptyWords(none: boolean, shown: Shown): string {
  if (none) {
    return 'There is no style sheet among the files, or none with a colour.';
  }
  return shown === 'contrast'
    ? `No text loses contrast below ${leastContrast}.`
    : 'No colour of the style sheets belongs to the pieces. “All” has the others.';
}

/** The colours of the style sheets, old and new, with a tick for each that follows. */
export function SheetLines({
  set,
  looked,
  written,
  followed,
  onDecide,
  onInks,
}: {
  set: PieceSet;
  looked: SetScan;
  written: SetWriting;
  followed: RecolouredSheets | undefined;
  onDecide(line: SheetLine): void;
  onInks(inks: ReadonlyMap<string, Hex>): void;
}) {
  const { lines: decided } = set;
  const contrasts = useContrasts(set, looked, written, followed);
  const [shown, setShown] = useState<Shown>('follow');
  const box = useRef<HTMLDivElement>(null);
  const all = followed?.lines ?? [];
  const weak = all.filter(({ key }) => {
    const contrast = contrasts.get(key);
    return contrast !== undefined && isWeak(contrast);
  });
  const mends = mendsOf(weak, contrasts);
  const following = all.filter((l) => l.follows || l.proposed);
  const lines = { all, contrast: weak, follow: following }[shown];
  const view = useWindowed(box, lines.length, rowHeight);
  return (
    <div className="flex h-full min-h-0 flex-col">
      <div className="flex h-9 shrink-0 items-center gap-2 border-b border-hair px-3">
        <Switch<Shown>
          label="Which colours"
          value={shown}
          onChange={setShown}
          choices={[
            { value: 'follow', label: `Belong to the pieces ${following.length}` },
            { value: 'all', label: `All ${all.length}` },
            {
              value: 'contrast',
              label: (
                <>
                  {weak.length > 0 && <VerdictMark verdict="look" />}Contrast {weak.length}
                </>
              ),
            },
          ]}
        />
        {shown === 'contrast' && mends.size > 0 && (
          <Button variant="mend" className="ml-auto" onClick={() => onInks(mends)}>
            Mend all
          </Button>
        )}
      </div>
      <div ref={box} className="min-h-0 grow overflow-y-auto">
        {followed && lines.length === 0 && (
          <p className="m-4 text-soft">{emptyWords(all.length === 0, shown)}</p>
        )}
        {!followed && (
          <p role="status" className="m-4 text-soft">
            Reading the style sheets…
          </p>
        )}
        <ul
          aria-label="Colours of the style sheets"
          style={{ paddingTop: view.above, height: view.total }}
        >
          {lines.slice(view.first, view.end).map((line) => (
            <Line
              key={line.key}
              line={line}
              contrast={contrasts.get(line.key)}
              follows={decided[line.key] === undefined ? line.follows : decided[line.key] !== false}
              onDecide={() => onDecide(line)}
              onMend={() => onInks(mendsOf([line], contrasts))}
            />
          ))}
        </ul>
      </div>
    </div>
  );
}

const swatch = 'inline-block h-3.5 w-3.5 shrink-0 border border-black/15';

function Line({
  line,
  contrast,
  follows,
  onDecide,
  onMend,
}: {
  line: SheetLine;
  contrast: LineContrast | undefined;
  follows: boolean;
  onDecide(): void;
  onMend(): void;
}) {
  const { selector, property, old, to, continues } = line;
  const weak = contrast !== undefined && isWeak(contrast);
  const mend = contrast?.mend;
  const name = `${selector} ${property} ${old}, ${line.file.split('/').at(-1)} line ${line.line}`;
  return (
    <li className="flex items-center gap-2 border-b border-hair px-3" style={{ height: rowHeight }}>
      <label className="flex h-full min-w-0 grow items-center gap-2">
        <input
          type="checkbox"
          className="shrink-0 accent-act"
          aria-label={`Recolour ${name}`}
          checked={follows}
          onChange={onDecide}
        />
        <span className="min-w-0 grow">
          <span className="flex min-w-0 items-center gap-1.5 figure">
            <span className={swatch} style={{ background: line.oldHex }} />
            <span className="truncate" title={old}>
              {old}
            </span>
            <span aria-hidden>→</span>
            <span className={swatch} style={{ background: line.toHex }} />
            <span className="truncate" title={to}>
              {to}
            </span>
          </span>
          <span className="block truncate text-[11px] text-soft" title={name}>
            <span className="figure text-[11px]!">{selector}</span> {property},{' '}
            {line.file.split('/').at(-1)} line {line.line}
            {line.keptReadable && line.follows && ', made to stand off its ground'}
            {continues &&
              `, goes on where ${continues.path.split('/').at(-1)} ends${continues.uneven ? `, uneven by ${continues.uneven}` : ''}`}
          </span>
        </span>
      </label>
      {mend && (
        <Button
          variant="mend"
          className="h-[22px] px-1.5"
          title={`The nearest colour with a contrast of ${leastContrast}`}
          aria-label={`Mend ${selector}: text in ${mend}`}
          onClick={onMend}
        >
          <span className={swatch} style={{ background: mend }} />
          Mend
        </Button>
      )}
      {contrast && (
        <span
          className="flex shrink-0 items-center gap-1 figure text-[11px]! whitespace-nowrap"
          title={`Contrast of ${contrast.selector} before and after, on what its selector says it lies on; “Page” measures it`}
        >
          {weak && <VerdictMark verdict="look" />}
          <span className="text-soft">{contrast.before.toFixed(1)} →</span>
          <span className={weak ? 'font-semibold text-warn' : ''}>{contrast.after.toFixed(1)}</span>
        </span>
      )}
    </li>
  );
}
