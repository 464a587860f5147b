'use client';

import { intoViewNearest } from '../shared/intoView';
import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { inkMends, inkOf } from '@/core/set/inkMends';
import type { RecolouredSheets } from '@/core/set/recolourSheets';
import type { Hex } from '@/core/site/model/hex';
import type { PieceSet } from '@/core/site/model/pieceSet';
import type { SheetRecolouring, SetScan, SetWriting } from '../hooks/usePieceSet';
import { useSheetTexts } from '../hooks/useSheetTexts';
import { useLostContrast, type LostOnPage } from '../hooks/useLostContrast';
import { useSetFrame, useSetPages } from '../hooks/useSetPage';
import { Button } from '../shared/Button';
import { beyondWords } from '../shared/beyondWords';
import { Choose } from '../shared/Choose';
import { screenWidths } from '../shared/screenWidths';
import { Switch } from '../shared/Switch';
import { useMeasure } from '../shared/useMeasure';
import { VerdictMark } from '../shared/VerdictMark';

interface Props {
  set: PieceSet;
  looked: SetScan;
  written: SetWriting;
  following: SheetRecolouring;
  onInks(inks: ReadonlyMap<string, Hex>): void;
}

type Scheme = 'light' | 'dark';

/** The set's own page before and after, side by side under a slider, and what it lost in contrast. */
export function SetPage({ set, looked, written, following, onInks }: Props) {
  const { followed } = following;
  const pages = useSetPages(set, written, followed);
  const [chosen, setChosen] = useState(0);
  const [width, setWidth] = useState(1280);
  const [scheme, setScheme] = useState<Scheme>('light');
  const [split, setSplit] = useState(50);
  const [pointed, setPointed] = useState<LostOnPage>();
  const at = Math.min(chosen, pages.before.length - 1);
  const before = pages.before[at]?.page;
  const after = pages.after?.[at]?.page;
  const contrast = useLostContrast(pages);
  const show = (words: LostOnPage) => {
    setChosen(words.page);
    setWidth(words.screen);
    setScheme(words.scheme);
    setPointed(words);
  };
  if (pages.problem) {
    return (
      <p role="alert" className="m-4 text-bad">
        {pages.problem}
      </p>
    );
  }
  return (
    <div className="flex h-full min-h-0 flex-col">
      <div className="flex h-9 shrink-0 items-center gap-2 border-b border-hair px-3">
        {pages.before.length > 1 && (
          <Choose
            label="Page of the set"
            className="w-36 min-w-0"
            value={String(at)}
            choices={pages.before.map((p, i) => ({
              value: String(i),
              label: p.path.split('/').at(-1)!,
            }))}
            onChange={(v) => setChosen(Number(v))}
          />
        )}
        <Choose
          label="Screen"
          className="w-32"
          value={String(width)}
          choices={screenWidths.map((w) => ({ value: String(w), label: `Screen ${w}` }))}
          onChange={(w) => setWidth(Number(w))}
        />
        <Switch<Scheme>
          label="Colour scheme"
          value={scheme}
          onChange={setScheme}
          choices={[
            { value: 'light', label: 'Light' },
            { value: 'dark', label: 'Dark' },
          ]}
        />
        <span className="ml-auto min-w-0 truncate text-soft">
          {pages.before[at]?.from === 'style sheets' && 'Built of the style sheets'}
        </span>
      </div>
      <Stage
        path={pages.before[at]?.path}
        before={before}
        after={after}
        set={set}
        looked={looked}
        written={written}
        following={following}
        width={width}
        dark={scheme === 'dark'}
        split={split}
        onSplit={setSplit}
        pointed={
          pointed?.screen === width && pointed.scheme === scheme && pointed.page === at
            ? pointed
            : undefined
        }
      />
      <Contrast
        lost={contrast.found?.lost}
        running={contrast.running}
        beyond={contrast.found ? beyondWords(contrast.found) : ''}
        names={pages.before.map((p) => p.path.split('/').at(-1)!)}
        followed={followed}
        pointed={pointed}
        onPoint={show}
        onInks={onInks}
      />
    </div>
  );
}

/** By how much a key moves the slider, percent. */
const step = 5;

function Stage({
  path,
  before,
  after,
  set,
  looked,
  written,
  following,
  width,
  dark,
  split,
  onSplit,
  pointed,
}: {
  /** Of the page that is chosen. */
  path: string | undefined;
  before: Parameters<typeof useSetFrame>[1];
  after: Parameters<typeof useSetFrame>[1];
  set: PieceSet;
  looked: SetScan;
  written: SetWriting;
  following: SheetRecolouring;
  width: number;
  dark: boolean;
  split: number;
  onSplit(percent: number): void;
  pointed: LostOnPage | undefined;
}) {
  const [ref, room] = useMeasure();
  const old = useRef<HTMLDivElement>(null);
  const now = useRef<HTMLDivElement>(null);
  const was = useSetFrame(old, before, path, width, dark);
  const page = was?.of === path ? was?.frame : undefined;
  const dress = useSheetTexts(set, looked, written, following, page);
  const is = useSetFrame(now, after, path, width, dark, dress);
  const scale = Math.min(1, (room.width - 24) / width);
  const height = Math.max(was?.height ?? 0, is?.height ?? 0);
  const drag = (e: PointerEvent<HTMLDivElement>) => {
    if (e.buttons === 0) {
      return;
    }
    const box = e.currentTarget.getBoundingClientRect();
    onSplit(Math.min(100, Math.max(0, ((e.clientX - box.left) / box.width) * 100)));
  };
  const byKey = (e: KeyboardEvent) => {
    const by = { ArrowLeft: -step, ArrowRight: step, Home: -100, End: 100 }[e.key];
    if (by !== undefined) {
      e.preventDefault();
      onSplit(Math.min(100, Math.max(0, split + by)));
    }
  };
  const layer = 'pointer-events-none absolute top-0 left-0 origin-top-left';
  return (
    <div
      ref={ref}
      className="relative min-h-0 grow overflow-y-auto bg-board px-3 py-2"
      tabIndex={-1}
      aria-busy={!was}
    >
      <div
        className="relative mx-auto cursor-ew-resize overflow-hidden bg-white"
        style={{ width: width * scale, height: height * scale }}
        onPointerDown={(e) => {
          e.currentTarget.setPointerCapture(e.pointerId);
          drag(e);
        }}
        onPointerMove={drag}
      >
        <div ref={old} inert className={layer} style={{ width, height, scale: `${scale}` }} />
        <div
          ref={now}
          inert
          data-testid="set-page-after"
          className={layer}
          style={{
            width,
            height,
            scale: `${scale}`,
            clipPath: `inset(0 0 0 ${split}%)`,
          }}
        />
        {pointed && (
          <span
            key={JSON.stringify(pointed.at)}
            ref={intoViewNearest}
            className="pointer-events-none absolute outline-2 outline-offset-2 outline-warn"
            style={{
              left: pointed.at.x * scale,
              top: pointed.at.y * scale,
              width: pointed.at.width * scale,
              height: pointed.at.height * scale,
            }}
          />
        )}
        <div
          role="slider"
          tabIndex={0}
          aria-label="Where before ends and after begins"
          aria-valuemin={0}
          aria-valuemax={100}
          aria-valuenow={Math.round(split)}
          aria-valuetext={`${Math.round(split)}% before`}
          onKeyDown={byKey}
          className="absolute inset-y-0 -ml-px w-0.5 bg-act"
          style={{ left: `${split}%` }}
        >
          <span className="sticky top-2 -ml-[52px] flex w-[106px] justify-between figure text-[11px]!">
            <span className="bg-white/90 px-1">before</span>
            <span className="bg-white/90 px-1">after</span>
          </span>
        </div>
      </div>
      {!was && (
        <p role="status" className="absolute top-4 left-4">
          Laying the page out…
        </p>
      )}
    </div>
  );
}

const swatch = 'inline-block h-3.5 w-3.5 shrink-0 border border-black/15';

function Contrast({
  lost,
  running,
  beyond,
  names,
  followed,
  pointed,
  onPoint,
  onInks,
}: {
  lost: readonly LostOnPage[] | undefined;
  running: boolean;
  /** What was not measured, in words. */
  beyond: string;
  /** Of the pages. */
  names: readonly string[];
  followed: RecolouredSheets | undefined;
  pointed: LostOnPage | undefined;
  onPoint(words: LostOnPage): void;
  onInks(inks: ReadonlyMap<string, Hex>): void;
}) {
  const inks = lost && lost.length > 0 ? (followed?.inks ?? []) : [];
  const mends = lost ? inkMends(lost, inks) : new Map<string, Hex>();
  const mended = lost?.filter((words) => mends.has(inkOf(words, inks)?.key ?? '')).length ?? 0;
  return (
    <section aria-label="Contrast on the page" className="shrink-0 border-t border-line bg-white">
      <div className="flex h-9 items-center gap-2 px-3">
        <p role="status" className="min-w-0 truncate">
          {statusOf(lost, running)}
          {lost && beyond}
        </p>
        {mends.size > 0 && (
          <Button variant="mend" className="ml-auto" onClick={() => onInks(mends)}>
            {mended === lost?.length
              ? `Mend ${mended === 1 ? 'it' : 'all'}`
              : `Mend ${mended} of ${lost?.length}`}
          </Button>
        )}
      </div>
      {lost && lost.length > 0 && (
        <ul aria-label="Words that cannot be read any more" className="max-h-32 overflow-y-auto">
          {lost.map((words) => {
            const key = inkOf(words, inks)?.key;
            const mend = key === undefined ? undefined : mends.get(key);
            return (
              <li
                key={`${words.page} ${words.scheme} ${words.screen} ${words.selector} ${words.text}`}
                className="flex h-8 items-center gap-2 border-t border-hair px-3"
              >
                <button
                  type="button"
                  aria-pressed={pointed === words}
                  onClick={() => onPoint(words)}
                  className="flex min-w-0 grow items-center gap-2 text-left aria-pressed:text-act"
                >
                  <VerdictMark verdict="look" />
                  <span className={swatch} style={{ background: words.colour }} />
                  <span className="truncate" title={`${words.text}, ${words.selector}`}>
                    “{words.text}”
                  </span>
                  <span className="shrink-0 figure text-[11px]! text-soft">
                    {names.length > 1 && `${names[words.page]}, `}
                    {words.screen}
                    {words.scheme === 'dark' ? ' dark' : ''}
                  </span>
                </button>
                <span className="shrink-0 figure text-[11px]!">
                  <span className="text-soft">{words.before.toFixed(1)} →</span>{' '}
                  <span className="font-semibold text-warn">{words.after.toFixed(1)}</span>
                </span>
                {mend && key !== undefined && (
                  <Button
                    variant="mend"
                    className="h-[22px] px-1.5"
                    aria-label={`Mend “${words.text}” in ${mend}`}
                    onClick={() => onInks(new Map([[key, mend]]))}
                  >
                    <span className={swatch} style={{ background: mend }} />
                    Mend
                  </Button>
                )}
              </li>
            );
          })}
        </ul>
      )}
    </section>
  );
}

function statusOf(lost: readonly LostOnPage[] | undefined, running: boolean): string {
  if (lost === undefined) {
    return running
      ? 'Measuring the contrast of all words, at three widths…'
      : 'Contrast is measured on the page once all files are written.';
  }
  if (lost.length === 0) {
    return '✓ All measured words that could be read can still be read, at 1280, 768 and 360.';
  }
  return `${lost.length} ${lost.length === 1 ? 'text has' : 'texts have'} lost contrast on the page, the worst first.`;
}
