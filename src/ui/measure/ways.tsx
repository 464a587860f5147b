'use client';

import { Plus, X } from 'lucide-react';
import { useState, type ComponentType } from 'react';
import { chainLength } from '@/core/measure/chain';
import { knownSizes } from '@/core/measure/knownSizes';
import { readPixels } from '@/core/measure/pixels';
import { dividerHeights } from '@/core/measure/section';
import { rangeWords } from '@/core/theme/media';
import type { NamedSize } from '@/core/site/model/site';
import type { ChainPart, Measured, SlotKind } from '@/core/site/model/slot';
import { Button, IconButton } from '../shared/Button';
import { Choose } from '../shared/Choose';
import { CommitField } from '../shared/CommitField';
import { Row } from '../shared/Row';
import { useMeasure } from '../shared/useMeasure';
import { ChainDrawing } from './ChainDrawing';
import { FileDrop } from './FileDrop';
import { FromPicture } from './FromPicture';
import { useThemeFiles } from './useThemeFiles';

/** What each way of measuring is given. */
export interface Way {
  readonly kind: SlotKind;
  readonly size: { readonly width: number; readonly height: number };
  readonly measured: Measured | null;
  readonly ownSizes: readonly NamedSize[];
  onMeasured(size: { width?: number; height?: number }, measured: Measured | null): void;
  onKeepSize?(size: NamedSize): void;
  /** A colour found by the way is wanted among the theme's. */
  onColour?(hex: string): void;
}

/** Typed: px only; other lengths are converted and that is said. */
function Numbers({ size, onMeasured }: Way) {
  const [note, setNote] = useState<string>();
  const set = (side: 'width' | 'height') => (text: string) => {
    const read = readPixels(text);
    if (!read.ok) {
      return read.message;
    }
    setNote(read.note);
    onMeasured({ [side]: read.px }, null);
  };
  return (
    <div className="flex flex-wrap gap-x-6">
      <div className="shrink-0 basis-[250px]">
        <Row label="Width" htmlFor="slot-width">
          <CommitField
            id="slot-width"
            label="Width"
            className="w-28"
            suffix="px"
            value={String(size.width)}
            onCommit={set('width')}
          />
        </Row>
        <Row label="Height" htmlFor="slot-height">
          <CommitField
            id="slot-height"
            label="Height"
            className="w-28"
            suffix="px"
            value={String(size.height)}
            onCommit={set('height')}
          />
        </Row>
        <p role="status" className="text-warn">
          {note}
        </p>
      </div>
      <p className="min-w-0 grow basis-52 pt-1 text-soft">
        The file will have exactly this many pixels. A host crops a picture that is too large and
        stretches one that is too small, without a word.
      </p>
    </div>
  );
}

const whats = [
  { value: 'column', label: 'column' },
  { value: 'gap', label: 'gap' },
  { value: 'padding', label: 'padding' },
  { value: 'border', label: 'border' },
] as const;

const firstChain: readonly ChainPart[] = [
  { what: 'column', px: 195 },
  { what: 'gap', px: 45 },
  { what: 'column', px: 195 },
];

/** From columns and everything between them, drawn as a chain. */
function Columns({ measured, onMeasured }: Way) {
  const [ref, room] = useMeasure();
  const [parts, setParts] = useState<readonly ChainPart[]>(
    measured?.from === 'columns' ? measured.parts : firstChain,
  );
  const total = chainLength(parts);
  const change = (i: number, part: Partial<ChainPart>) =>
    setParts(parts.map((p, k) => (k === i ? { ...p, ...part } : p)));
  return (
    <div ref={ref} className="flex min-w-0 flex-col gap-1.5">
      {room.width > 0 && <ChainDrawing parts={parts} width={room.width} />}
      <ul className="flex flex-wrap gap-x-3 gap-y-1">
        {parts.map((part, i) => (
          <li key={i} className="flex items-center gap-1">
            <Choose
              label={`Part ${i + 1}`}
              className="w-[92px]"
              value={part.what}
              choices={whats}
              onChange={(what) => change(i, { what })}
            />
            <CommitField
              label={`Part ${i + 1}, px`}
              className="w-[72px]"
              suffix="px"
              value={String(part.px)}
              onCommit={(text) => {
                const read = text.trim() === '0' ? { ok: true as const, px: 0 } : readPixels(text);
                if (!read.ok) {
                  return read.message;
                }
                change(i, { px: read.px });
              }}
            />
            <IconButton
              label={`Remove part ${i + 1}`}
              className="h-[22px] w-6! border-transparent"
              disabled={parts.length < 2}
              onClick={() => setParts(parts.filter((_, k) => k !== i))}
            >
              <X size={13} />
            </IconButton>
          </li>
        ))}
        <li>
          <Button
            onClick={() =>
              setParts([
                ...parts,
                {
                  what: parts.at(-1)?.what === 'column' ? 'gap' : 'column',
                  px: parts.at(-1)?.what === 'column' ? 20 : 195,
                },
              ])
            }
          >
            <Plus size={13} aria-hidden />
            Part
          </Button>
        </li>
        <li className="ml-auto">
          <Button
            look="main"
            disabled={total < 1 || total > 8000}
            onClick={() => onMeasured({ width: total }, { from: 'columns', parts })}
          >
            Take {total} px as the width
          </Button>
        </li>
      </ul>
    </div>
  );
}

/** From the height of the section a divider belongs to. */
function FromSection({ measured, size, onMeasured }: Way) {
  const [height, setHeight] = useState(measured?.from === 'section' ? measured.height : 600);
  return (
    <div className="flex flex-col gap-2">
      <Row label="Section" htmlFor="section-height">
        <CommitField
          id="section-height"
          label="Height of the section"
          className="w-28"
          suffix="px"
          value={String(height)}
          onCommit={(text) => {
            const read = readPixels(text);
            if (!read.ok) {
              return read.message;
            }
            setHeight(read.px);
          }}
        />
        <span className="text-soft">its height on the page</span>
      </Row>
      <ul className="flex flex-wrap gap-1.5" aria-label="Heights for its divider">
        {dividerHeights(height).map(({ share, px }, i) => (
          <li key={share}>
            <button
              type="button"
              aria-pressed={size.height === px && measured?.from === 'section'}
              onClick={() => onMeasured({ height: px }, { from: 'section', height, share })}
              className="flex w-[92px] items-end gap-2 rounded-sm border border-line bg-white p-1.5 text-left hover:border-soft aria-pressed:border-act aria-pressed:bg-act-wash"
            >
              <span
                aria-hidden
                className="relative block h-12 w-5 shrink-0 border border-line bg-sheet"
              >
                <span
                  className="absolute inset-x-0 top-0 bg-act"
                  style={{ height: `${100 / share}%` }}
                />
              </span>
              <span className="figure leading-tight">
                {px} px
                <span className="block text-soft">
                  1/{share}
                  {i === 0 ? ' usual' : ''}
                </span>
              </span>
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}

/** From a list: what themes often have, and what the owner put there. */
function Known({ kind, size, ownSizes, onMeasured, onKeepSize }: Way) {
  const known = [...knownSizes].sort((a, b) => Number(b.kind === kind) - Number(a.kind === kind));
  const entry = (s: NamedSize, practice: boolean) => (
    <li key={`${s.name} ${s.width} ${s.height}`}>
      <button
        type="button"
        aria-pressed={size.width === s.width && size.height === s.height}
        onClick={() =>
          onMeasured({ width: s.width, height: s.height }, { from: 'known', name: s.name })
        }
        className="w-full rounded-sm border border-line bg-white px-2 py-1 text-left hover:border-soft aria-pressed:border-act aria-pressed:bg-act-wash"
      >
        <span className="block truncate" title={s.name}>
          {s.name}
        </span>
        <span className="figure text-soft">
          {s.width} × {s.height}
          {practice ? ', practice' : ', yours'}
        </span>
      </button>
    </li>
  );
  return (
    <div className="flex flex-col gap-2">
      <ul
        className="grid max-h-[118px] grid-cols-[repeat(auto-fill,minmax(158px,1fr))] gap-1.5 overflow-auto p-0.5"
        aria-label="Known sizes"
      >
        {ownSizes.map((s) => entry(s, false))}
        {known.map((s) => entry(s, true))}
      </ul>
      <div className="flex items-center gap-3">
        <p className="min-w-0 grow text-soft">
          “Practice”: what themes often have; no standard says so.
        </p>
        {onKeepSize && (
          <Button
            disabled={ownSizes.some((s) => s.width === size.width && s.height === size.height)}
            onClick={() => onKeepSize({ name: `${size.width} × ${size.height}`, ...size })}
          >
            Keep {size.width} × {size.height}
          </Button>
        )}
      </div>
    </div>
  );
}

/** From the theme's own style sheet: widths it names, and the pictures it lays. */
function FromStylesheet({ onMeasured }: Way) {
  const { opened, busy, open, cancel } = useThemeFiles();
  // A picture that several rules lay is one size to take.
  const sized =
    opened?.pictures.flatMap((p) =>
      opened.theme.backgrounds
        .filter((b) => b.path === p.path)
        .slice(0, 1)
        .map((b) => ({ ...b, width: p.width, height: p.height })),
    ) ?? [];
  const rows =
    'flex w-full items-center gap-3 border-t border-hair px-1 py-1 text-left hover:bg-act-wash';
  return (
    <div className="flex flex-col gap-2">
      <FileDrop
        label="Style sheet"
        button="Choose files"
        accept=".css,.zip"
        multiple
        busy={busy}
        onCancel={cancel}
        onFiles={(f) => void open(f)}
      >
        Drop the theme’s style sheets, or a zip of its folder.
      </FileDrop>
      {opened && (
        <ul className="max-h-[116px] overflow-auto" aria-label="Sizes in the style sheet">
          {sized.map((b) => (
            <li key={`${b.selector} ${b.path} ${b.line}`}>
              <button
                type="button"
                className={rows}
                onClick={() =>
                  onMeasured(
                    { width: b.width, height: b.height },
                    { from: 'stylesheet', file: b.file, line: b.line },
                  )
                }
              >
                <span className="w-28 shrink-0 figure">
                  {b.width} × {b.height}
                </span>
                <span className="min-w-0 grow truncate" title={b.path ?? ''}>
                  {b.path}
                </span>
                <span className="truncate figure text-soft">{b.selector}</span>
              </button>
            </li>
          ))}
          {opened.theme.widths
            .filter((w) => w.unit === 'px')
            .slice(0, 40)
            .map((w) => (
              <li key={`${w.value}`}>
                <button
                  type="button"
                  className={rows}
                  onClick={() =>
                    onMeasured(
                      { width: Math.round(w.value) },
                      { from: 'stylesheet', file: w.file, line: w.line },
                    )
                  }
                >
                  <span className="w-28 shrink-0 figure">{Math.round(w.value)} wide</span>
                  <span className="min-w-0 grow truncate figure" title={w.selector}>
                    {w.selector}
                  </span>
                  <span className="text-soft">
                    {w.property}, {rangeWords(w.widths)}
                  </span>
                </button>
              </li>
            ))}
          {sized.length === 0 && opened.theme.widths.length === 0 && (
            <li className="py-1 text-soft">It names no width, and no picture of it is at hand.</li>
          )}
        </ul>
      )}
    </div>
  );
}

export const ways: readonly {
  readonly id: string;
  readonly title: string;
  readonly Panel: ComponentType<Way>;
}[] = [
  { id: 'numbers', title: 'Numbers', Panel: Numbers },
  { id: 'picture', title: 'Picture', Panel: FromPicture },
  { id: 'columns', title: 'Columns', Panel: Columns },
  { id: 'section', title: 'Section', Panel: FromSection },
  { id: 'known', title: 'Known sizes', Panel: Known },
  { id: 'stylesheet', title: 'Style sheet', Panel: FromStylesheet },
];

/** The way a size was found by, so that it is open when one comes back. */
export const wayOf = (measured: Measured | null): string =>
  measured && ['columns', 'section', 'known'].includes(measured.from) ? measured.from : 'numbers';
