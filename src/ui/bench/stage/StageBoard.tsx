'use client';

import { useCallback, useEffect, useRef, type ReactNode } from 'react';
import type { Rect } from '@/core/raster/raster';
import { SlotDimensions } from '../../page/DimensionLines';
import { useMeasure } from '../../shared/useMeasure';
import { useAsking, useEditing, useLaying, useShowing, type Showing } from '../useBench';
import { OutsideFrame } from './OutsideFrame';
import { PictureArea } from './PictureArea';

/** Screen px for each px of the page, or the whole page. */
export const zooms = ['fit', '1:1', '2:1', '4:1'] as const;
export type Zoom = (typeof zooms)[number];

/** Room around the page for its dimension lines, px of the screen. */
const margin = 28;

/** How a page lies on the board. */
export interface OnBoard {
  /** Screen px for each px of the page. */
  readonly scale: number;
  /** Its upper left corner on the board, px of the screen. */
  readonly left: number;
  readonly top: number;
}

interface Props {
  screenWidth: number;
  zoom: Zoom;
  marks: boolean;
  /** The page's own, px. */
  size: { readonly width: number; readonly height: number };
  /** What of it is whole in the board where the page is fitted, px. */
  fit: { readonly width: number; readonly height: number };
  /** Where the picture lies on the page and what of it can show; undefined where it is not shown. */
  copy: Rect | undefined;
  area: Rect | undefined;
  /** What comes to the middle of the board whenever it is another; undefined for the page's top. */
  anchor: Rect | undefined;
  /** What the dimension lines measure, px of the page; the picture as it is where it is not given. */
  dimensions?: Rect;
  says: Readonly<Record<Showing, string>>;
  /** What has to be waited for before anything can be shown. */
  wait?: string;
  /** The page, in its own px. */
  page: ReactNode;
  /** What lies on the board, in px of the screen. */
  over(on: OnBoard): ReactNode;
  /**
   * The board was scrolled or resized.
   * @param above how far the page then is above its upper edge, px of the page
   * @param height of the board, px of the page
   */
  onScroll?(above: number, height: number): void;
}

/** A page on the board, whole or at true pixels, with the picture's marks and handles over it. */
export function StageBoard({
  screenWidth,
  zoom,
  marks,
  size,
  fit,
  copy,
  area,
  anchor,
  dimensions,
  says,
  wait,
  page,
  over,
  onScroll,
}: Props) {
  const { slot } = useEditing();
  const { reading } = useLaying();
  const { showing } = useShowing();
  const { question } = useAsking();
  const [measure, board] = useMeasure();
  const scroller = useRef<HTMLElement>(null);
  const scale =
    zoom !== 'fit'
      ? Number(zoom[0])
      : Math.min(
          1,
          (board.width - 2 * margin) / fit.width,
          (board.height - 2 * margin) / fit.height,
        );
  const width = Math.max(board.width, size.width * scale);
  const height = size.height * scale + margin * 2;
  const left = Math.round((width - size.width * scale) / 2);
  const slotTop = anchor?.y ?? 0;
  const slotHeight = anchor?.height ?? 0;
  const slotMiddle = anchor ? anchor.x + anchor.width / 2 : size.width / 2;

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

  useEffect(() => {
    const element = scroller.current;
    if (!element || !onScroll) {
      return;
    }
    const told = () =>
      onScroll(Math.max(0, (element.scrollTop - margin) / scale), board.height / scale);
    told();
    element.addEventListener('scroll', told, { passive: true });
    return () => element.removeEventListener('scroll', told);
  }, [onScroll, scale, board.height]);

  const measured = dimensions ?? copy;
  const attach = useCallback(
    (element: HTMLElement | null) => {
      scroller.current = element;
      return measure(element);
    },
    [measure],
  );
  const message = wait ?? (reading ? `Reading ${reading}…` : says[showing]);
  return (
    <main
      ref={attach}
      tabIndex={0}
      className="relative quiet-scroll min-h-0 grow overflow-auto bg-board focus-visible:-outline-offset-2"
      aria-label={`${slot.name} on its page, at a screen of ${screenWidth} px`}
    >
      <h1 className="sr-only">Bench of {slot.name}</h1>
      {board.width > 0 && (
        <div className="relative" style={{ width, height }}>
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
            {page}
            {copy && area && marks && question === 2 && showing === 'picture' && (
              <OutsideFrame rect={copy} />
            )}
            {/* Over what hangs out of the slot, too. */}
            {copy && area && (
              <div className="relative z-[2]">
                <PictureArea rect={copy} clip={area} screenScale={scale} marks={marks} />
              </div>
            )}
          </div>
          {over({ scale, left, top: margin })}
          {marks && measured && (
            <svg
              aria-hidden
              className="pointer-events-none absolute inset-0"
              width={width}
              height={height}
            >
              <SlotDimensions
                rect={{
                  x: left + measured.x * scale,
                  y: margin + measured.y * scale,
                  width: measured.width * scale,
                  height: measured.height * scale,
                }}
                width={dimensions ? Math.round(dimensions.width) : slot.width}
                height={dimensions ? Math.round(dimensions.height) : slot.height}
                room={{
                  left: Math.max(0, (width - board.width) / 2),
                  right: (width + board.width) / 2,
                }}
              />
            </svg>
          )}
        </div>
      )}
      {!copy && wait === undefined && (
        <p
          role="status"
          className="absolute top-4 left-4 rounded-sm border border-line bg-white px-3 py-1.5"
        >
          At a screen of {screenWidth} px this slot is not shown.
        </p>
      )}
      {message && (
        <p
          role="status"
          className="sticky bottom-3 left-3 inline-block rounded-sm border border-line bg-white px-3 py-1"
        >
          {message}
        </p>
      )}
    </main>
  );
}
