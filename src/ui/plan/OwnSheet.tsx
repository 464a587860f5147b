'use client';

import Link from 'next/link';
import { useEffect, useMemo, useRef, useState } from 'react';
import { screenHeightAt } from '@/core/measure/layoutPage';
import { pictureAt, takePointed } from '@/core/ownPage/takeOver';
import type { PageAtWidth, PageRect } from '@/core/ownPage/survey';
import type { OwnPage } from '@/core/site/model/ownPage';
import type { Page } from '@/core/site/model/page';
import type { Site } from '@/core/site/model/site';
import type { Slot } from '@/core/site/model/slot';
import { elementPointing, type PointedBox } from '@/core/ownPage/pointing';
import { picturePointing } from '@/core/ownPage/picturePointing';
import { kindAt } from '@/core/ownPage/places';
import { usePagePicture } from '../hooks/usePagePicture';
import type { Session } from '../hooks/useSession';
import { newId } from '../shared/newId';
import { Switch } from '../shared/Switch';
import { PointingLayer, type Tool } from './PointingLayer';
import { isBlank, pictureOf } from '@/core/site/picture';
import { useKeptPage } from '../hooks/useKeptPage';
import { filesOf } from '../hooks/useIntake';
import { usePageFrame, type ShownPage } from '../hooks/usePageFrame';
import { useThumb } from '../hooks/useThumb';
import { DimensionLine, SlotDimensions } from '../page/DimensionLines';
import { useMeasure } from '../shared/useMeasure';

interface Props {
  session: Session;
  site: Site;
  page: Page & { own: OwnPage };
  width: number;
  slots: readonly Slot[];
  selected: string | undefined;
  busy: string | undefined;
  onSelect(slotId: string | undefined): void;
  href(slot: Slot): string;
  onFiles(slot: Slot, files: readonly File[]): void;
}

/** Room above the page for its dimension lines, px. */
const top = 44;

/** The owner's own page as the browser lays it out at a screen width, with its numbered slots. */
export function OwnSheet({
  session,
  site,
  page,
  width: screen,
  slots,
  selected,
  busy,
  onSelect,
  href,
  onFiles,
}: Props) {
  const { own } = page;
  const [board, room] = useMeasure();
  const place = useRef<HTMLDivElement>(null);
  const { read, problem } = useKeptPage(own);
  const shown = usePageFrame(place, read?.page, read?.survey);
  const [tool, setTool] = useState<Tool>('slots');
  const [scheme, setScheme] = useState<'light' | 'dark'>('light');
  // A picture of the page is known at its own width alone.
  const still = own.from === 'picture' ? own.files[0]?.size?.width : undefined;
  const width = still ?? screen;
  const picture = usePagePicture(own.from === 'picture' ? read?.page : undefined);
  const [laid, setLaid] = useState<PageAtWidth>();
  // As text, so that it is the same while the places are.
  const selectors = own.places.map((p) => p.selector).join('\n');
  useEffect(() => {
    if (!shown) {
      return;
    }
    let current = true;
    const lay = async () => {
      shown.frame.scheme(scheme);
      await shown.frame.show(width);
      if (current) {
        setLaid(shown.frame.measure(shown.survey, selectors.split('\n')));
      }
    };
    void lay();
    return () => {
      current = false;
    };
  }, [shown, width, scheme, selectors]);
  const pointing = useMemo(() => {
    if (own.from === 'picture') {
      return picture && picturePointing(picture.edges);
    }
    // Boxes are those of the layout that is seen.
    return shown && laid && tool !== 'slots' ? elementPointing(shown.frame.boxes()) : undefined;
  }, [own.from, picture, shown, laid, tool]);

  const scale = room.width ? Math.min(1, (room.width - 60) / width) : 0;
  const left = Math.round((room.width - width * scale) / 2);
  const height = (laid?.height ?? 800) * scale;
  const places = useMemo(
    () =>
      own.places.flatMap((p) => {
        const slot = slots.find((s) => s.id === p.slot);
        const found = shown && pictureAt(shown.survey, p);
        const rect = found
          ? laid?.placed.get(found.id)?.rect
          : (p.rect ?? (laid && shown?.frame.rectOf(p.selector)));
        return slot && rect && laid
          ? [{ slot, rect: found?.root ? { x: 0, y: 0, width, height: laid.height } : rect }]
          : [];
      }),
    [own.places, slots, shown, laid, width],
  );
  const column = laid && shown ? laid.parts.get(shown.survey.parts[0].id) : undefined;
  const fold = screenHeightAt(width);
  const chosen = places.find(({ slot }) => slot.id === selected);
  const makeSlot = (box: PointedBox) => {
    const id = newId();
    const kind = kindAt(box.rect, { width, height: laid!.height });
    session.commit(
      `Make a slot of ${box.name || 'a place'}`,
      takePointed({
        pageId: page.id,
        id,
        selector: own.from === 'picture' ? '' : shown!.frame.selectorOf(box.id),
        rect: box.rect,
        kind,
      }),
    );
    setTool('slots');
    onSelect(id);
  };
  const onBoard = (r: PageRect) => ({
    x: left + r.x * scale,
    y: top + r.y * scale,
    width: r.width * scale,
    height: r.height * scale,
  });
  return (
    <main
      ref={board}
      className="relative min-h-0 min-w-0 grow overflow-auto bg-board"
      aria-label={`${page.name} at a screen of ${width} px`}
      onPointerDown={(e) => {
        if (!(e.target as Element).closest('a,button')) {
          onSelect(undefined);
        }
      }}
    >
      <h1 className="sr-only">Page plan of {site.name}</h1>
      <p id="slot-keys" className="sr-only">
        Enter opens the bench.
      </p>
      <div className="sticky top-0 left-0 z-20 flex h-[38px] items-center gap-3 border-b border-line bg-sheet px-4">
        <Switch
          label="What the pointer does"
          value={tool}
          choices={[
            { value: 'slots', label: 'Slots' },
            { value: 'point', label: 'Point at a place' },
            { value: 'distance', label: 'Measure a distance' },
          ]}
          onChange={(value) => setTool(value as Tool)}
        />
        {still === undefined ? (
          <Switch
            label="Colour scheme"
            value={scheme}
            choices={[
              { value: 'light', label: 'light' },
              { value: 'dark', label: 'dark' },
            ]}
            onChange={(value) => setScheme(value as typeof scheme)}
          />
        ) : (
          <span className="text-soft">
            A picture of your page, true for a screen of <span className="figure">{still} px</span>{' '}
            alone.
          </span>
        )}
      </div>
      <div className="relative" data-board style={{ height: height + top + 24 }}>
        {column && <ContentLine column={column} width={width} scale={scale} left={left} />}
        <div
          className="absolute"
          style={{ left, top, width: width * scale, height }}
          data-testid="page"
        >
          <div
            ref={place}
            inert
            className="pointer-events-none absolute top-0 left-0 origin-top-left bg-white"
            style={{ transform: `scale(${scale})`, visibility: shown ? 'visible' : 'hidden' }}
          />
        </div>
        {laid && fold < laid.height && (
          <div
            aria-hidden
            className="pointer-events-none absolute border-t border-dashed border-act/70"
            style={{ left: left - 26, width: width * scale + 52, top: top + fold * scale }}
          >
            <span className="absolute right-0 bottom-0.5 bg-white px-1 figure text-[10px] text-soft">
              first screen {width} × {fold}
            </span>
          </div>
        )}
        {shown &&
          own.places.map((p) => {
            const slot = slots.find((s) => s.id === p.slot);
            return slot && !isBlank(pictureOf(site, slot)) ? (
              <PictureInPage
                key={slot.id}
                site={site}
                slot={slot}
                own={own}
                selector={p.selector}
                frame={shown.frame}
              />
            ) : null;
          })}
        {tool === 'slots' &&
          places.map(({ slot, rect }) => (
            <PlacedSlot
              key={slot.id}
              slot={slot}
              number={slots.findIndex((s) => s.id === slot.id) + 1}
              href={href(slot)}
              rect={onBoard(rect)}
              selected={slot.id === selected}
              onSelect={onSelect}
              onFiles={onFiles}
            />
          ))}
        {tool !== 'slots' && laid && (
          <div className="absolute" style={{ left, top, width: width * scale, height }}>
            <PointingLayer
              key={tool}
              tool={tool}
              pointing={pointing}
              width={width}
              height={laid.height}
              scale={scale}
              onSlot={makeSlot}
            />
          </div>
        )}
        {chosen && tool === 'slots' && (
          <svg
            aria-hidden
            className="pointer-events-none absolute inset-0"
            width={room.width}
            height={height + top + 24}
          >
            <SlotDimensions
              rect={onBoard(chosen.rect)}
              width={Math.round(chosen.rect.width)}
              height={Math.round(chosen.rect.height)}
              room={{ left: 0, right: room.width }}
            />
          </svg>
        )}
      </div>
      {(busy !== undefined || problem !== undefined || !shown) && (
        <p
          role="status"
          className="sticky bottom-3 left-3 inline-block rounded-sm border border-line bg-white px-3 py-1.5"
        >
          {problem !== undefined
            ? `Your page cannot be shown: ${problem}`
            : `Reading ${busy ?? own.title}…`}
        </p>
      )}
    </main>
  );
}

/** The slot's picture as it was last drawn, lying in the page in place of the file it replaces. */
function PictureInPage({
  site,
  slot,
  own,
  selector,
  frame,
}: {
  site: Site;
  slot: Slot;
  own: OwnPage;
  selector: string;
  frame: ShownPage['frame'];
}) {
  const url = useThumb(site, slot);
  const key = own.files.find((file) => file.path === slot.replaces)?.key;
  useEffect(() => {
    if (!url) {
      return;
    }
    const show = (address: string | undefined) => {
      if (key !== undefined) {
        frame.swap(key, address);
      } else if (selector !== '') {
        frame.fill(selector, address);
      }
    };
    show(url);
    return () => show(undefined);
  }, [url, key, selector, frame]);
  return null;
}

/** How wide the content is, and what shows beside it. */
function ContentLine({
  column,
  width,
  scale,
  left,
}: {
  column: PageRect;
  width: number;
  scale: number;
  left: number;
}) {
  const from = left + column.x * scale;
  const to = left + (column.x + column.width) * scale;
  const right = width - column.x - column.width;
  const px = (value: number): string => `${Math.round(value)}`;
  return (
    <svg aria-hidden className="absolute inset-0" width="100%" height={top}>
      {column.x * scale >= 44 && (
        <DimensionLine x1={left} x2={from} y1={24} y2={24} figure={px(column.x)} />
      )}
      <DimensionLine
        x1={from}
        x2={to}
        y1={24}
        y2={24}
        figure={to - from < 120 ? px(column.width) : `content ${px(column.width)}`}
      />
      {right * scale >= 44 && (
        <DimensionLine x1={to} x2={left + width * scale} y1={24} y2={24} figure={px(right)} />
      )}
    </svg>
  );
}

/** A slot on the owner's page: its number opens the bench, and pictures can be dropped on it. */
function PlacedSlot({
  slot,
  number,
  href,
  rect,
  selected,
  onSelect,
  onFiles,
}: {
  slot: Slot;
  number: number;
  href: string;
  rect: PageRect;
  selected: boolean;
  onSelect(slotId: string): void;
  onFiles(slot: Slot, files: readonly File[]): void;
}) {
  const [over, setOver] = useState(false);
  const look = over || selected ? 'border-act bg-act/10' : 'border-act/60 hover:border-act';
  return (
    <>
      <Link
        href={href}
        draggable={false}
        data-slot={slot.id}
        aria-label={`${slot.name}, ${slot.width} by ${slot.height} px: open its bench`}
        aria-describedby="slot-keys"
        className={`absolute border focus-visible:border-act ${look}`}
        style={{ left: rect.x, top: rect.y, width: rect.width, height: rect.height }}
        onFocus={() => onSelect(slot.id)}
        onPointerEnter={() => onSelect(slot.id)}
        onDragOver={(e) => {
          e.preventDefault();
          setOver(true);
        }}
        onDragLeave={() => setOver(false)}
        onDrop={(e) => {
          e.preventDefault();
          e.stopPropagation();
          setOver(false);
          onFiles(slot, filesOf(e.dataTransfer));
        }}
      />
      <span
        aria-hidden
        className="pointer-events-none absolute grid h-5 w-5 place-items-center rounded-full border border-act bg-white figure font-semibold text-act"
        style={{ left: rect.x + 4, top: rect.y + 4 }}
      >
        {number}
      </span>
    </>
  );
}
