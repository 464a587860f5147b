'use client';

import { useState, type ComponentType } from 'react';
import { knownSizes } from '@/core/measure/knownSizes';
import { readPixels } from '@/core/measure/pixels';
import { dividerHeights } from '@/core/measure/section';
import type { NamedSize } from '@/core/site/model/site';
import type { Measured } from '@/core/site/model/slot';
import { Button } from '../shared/Button';
import { CommitField } from '../shared/CommitField';
import { Row } from '../shared/Row';
import { FromPicture } from './FromPicture';
import { Columns } from './Columns';
import { FromStylesheet } from './FromStylesheet';
import type { Way } from './way';

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

/** From a list: what the page and open standards suggest, and what the owner put there. */
function Known({ page, kind, size, ownSizes, onMeasured, onKeepSize }: Way) {
  const entry = (s: NamedSize, source: string) => (
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
        <span className="flex min-w-0 items-baseline gap-2 text-soft">
          <span className="shrink-0 figure">
            {s.width} × {s.height}
          </span>
          <span className="min-w-0 truncate" title={source}>
            {source}
          </span>
        </span>
      </button>
    </li>
  );
  return (
    <div className="flex flex-col gap-2">
      <ul
        className="grid max-h-[118px] grid-cols-[repeat(auto-fill,minmax(170px,1fr))] gap-1.5 overflow-auto p-0.5"
        aria-label="Known sizes"
      >
        {ownSizes.map((s) => entry(s, 'yours'))}
        {knownSizes(page, kind).map((s) => entry(s, s.source))}
      </ul>
      <div className="flex items-center gap-3">
        <p className="min-w-0 grow text-soft">
          Worked out from {page.name}, or named by the standard beside them.
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
