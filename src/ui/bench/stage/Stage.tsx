'use client';

import { useEffect, useMemo, useRef } from 'react';
import { fileArea, fileCopy, firstCopy } from '@/core/measure/background';
import { layoutPage, type LaidSlot } from '@/core/measure/layoutPage';
import type { Page } from '@/core/site/model/page';
import type { Site } from '@/core/site/model/site';
import type { Slot } from '@/core/site/model/slot';
import { pagesWith } from '@/core/site/pages';
import { PageDrawing } from '../../page/PageDrawing';
import { SlotDimensions } from '../../page/DimensionLines';
import { Sampler } from '../../page/Sampler';
import { useMeasure } from '../../shared/useMeasure';
import { LivePicture } from './LivePicture';
import { OutsideFrame } from './OutsideFrame';
import { PictureArea } from './PictureArea';
import { type Showing, useAsking, useEditing, useLaying, useShowing } from '../useBench';

/** Screen px for each px of the page, or the whole page. */
export const zooms = ['fit', '1:1', '2:1', '4:1'] as const;
export type Zoom = (typeof zooms)[number];

const pageOf = (site: Site, slot: Slot): Page => pagesWith(site, slot)[0] ?? site.pages[0];

const showingWords: Readonly<Record<Showing, string>> = {
  picture: '',
  before: 'The photo before anything was laid on it',
  file: 'The pressed file, decoded again; hold B for the picture, X for what was lost',
  difference: 'What the file has lost, eight times as strong, on grey',
};

/** Room around the page for its dimension lines, px of the screen. */
const margin = 28;

/** The page around the picture, at true pixels or whole, with the picture lying in its slot. */
export function Stage({
  zoom,
  screenWidth,
  marks,
}: {
  zoom: Zoom;
  screenWidth: number;
  marks: boolean;
}) {
  const { site, slot } = useEditing();
  const { reading } = useLaying();
  const { showing } = useShowing();
  const { question } = useAsking();
  const [measure, board] = useMeasure();
  const scroller = useRef<HTMLElement>(null);
  const page = pageOf(site, slot);
  const layout = useMemo(() => layoutPage(site, page, screenWidth), [site, page, screenWidth]);
  const scale =
    zoom !== 'fit'
      ? Number(zoom[0])
      : Math.min(
          1,
          (board.width - 2 * margin) / layout.width,
          (board.height - 2 * margin) / layout.height,
        );
  const laid = layout.boxes.find((p): p is LaidSlot => p.type === 'slot' && p.slot.id === slot.id);
  const copy = laid && firstCopy(laid);

  const width = Math.max(board.width, layout.width * scale);
  const left = Math.round((width - layout.width * scale) / 2);
  const slotTop = copy?.y ?? 0;
  const slotHeight = copy?.height ?? 0;
  const slotMiddle = copy ? copy.x + copy.width / 2 : layout.width / 2;

  // The slot comes to the middle of the board whenever the page is laid anew, not while the owner
  // scrolls.
  useEffect(() => {
    const element = scroller.current;
    if (!element || board.width === 0) {
      return;
    }
    element.scrollLeft = left + slotMiddle * scale - board.width / 2;
    element.scrollTop = margin + (slotTop + slotHeight / 2) * scale - board.height / 2;
  }, [width, left, board.width, board.height, slotTop, slotHeight, slotMiddle, scale]);

  const attach = (element: HTMLElement | null) => {
    scroller.current = element;
    return measure(element);
  };
  return (
    <main
      ref={attach}
      tabIndex={0}
      className="relative quiet-scroll min-h-0 grow overflow-auto bg-board focus-visible:-outline-offset-2"
      aria-label={`${slot.name} on its page, at a screen of ${screenWidth} px`}
    >
      <h1 className="sr-only">Bench of {slot.name}</h1>
      {board.width > 0 && (
        <div className="relative" style={{ width, height: layout.height * scale + margin * 2 }}>
          <div
            style={{
              position: 'absolute',
              left,
              top: margin,
              transform: `scale(${scale})`,
              transformOrigin: '0 0',
              imageRendering: scale > 1 ? 'pixelated' : undefined,
            }}
          >
            {/* The drawing of the page, with what lies outside the frame dimmed over it while the photo is framed. */}
            <PageDrawing
              site={site}
              layout={layout}
              active={slot}
              live={(p) => <LivePicture rect={fileCopy(p)} clip={fileArea(p)} />}
            />
            {copy && laid && marks && question === 2 && showing === 'picture' && (
              <OutsideFrame rect={copy} />
            )}
            {/* Over what hangs out of the slot, too. */}
            {copy && laid && (
              <div className="relative z-[2]">
                <PictureArea rect={copy} clip={laid.rect} screenScale={scale} marks={marks} />
              </div>
            )}
          </div>
          <Sampler
            site={site}
            layout={layout}
            scale={scale}
            left={left}
            top={margin}
            live={{
              slotId: slot.id,
              canvas: () => scroller.current?.querySelector('canvas[data-ready]') ?? null,
            }}
          />
          {marks && copy && (
            <svg
              aria-hidden
              className="pointer-events-none absolute inset-0"
              width={width}
              height={layout.height * scale + margin * 2}
            >
              <SlotDimensions
                rect={{
                  x: left + copy.x * scale,
                  y: margin + copy.y * scale,
                  width: copy.width * scale,
                  height: copy.height * scale,
                }}
                width={slot.width}
                height={slot.height}
                room={{
                  left: Math.max(0, (width - board.width) / 2),
                  right: (width + board.width) / 2,
                }}
              />
            </svg>
          )}
        </div>
      )}
      {!laid && (
        <p
          role="status"
          className="absolute top-4 left-4 rounded-sm border border-line bg-white px-3 py-1.5"
        >
          At a screen of {screenWidth} px this slot is not shown.
        </p>
      )}
      {(reading || showing !== 'picture') && (
        <p
          role="status"
          className="sticky bottom-3 left-3 inline-block rounded-sm border border-line bg-white px-3 py-1"
        >
          {reading ? `Reading ${reading}…` : showingWords[showing]}
        </p>
      )}
    </main>
  );
}
