'use client';

import { MoveHorizontal } from 'lucide-react';
import { useEffect, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { OwnPage } from '@/core/site/model/ownPage';
import { useKeptPage } from '../hooks/useKeptPage';
import { usePageFrame } from '../hooks/usePageFrame';
import { useMeasure } from '../shared/useMeasure';

/** Px of the page that one press of an arrow key scrolls. */
const step = 80;

/**
 * A page as it was at the left of an edge, as it is rehearsed at the right. The edge is dragged, or
 * moved by key; both pages scroll together.
 */
export function Curtain({
  own,
  after,
  screen,
  title,
}: {
  own: OwnPage;
  /** Address of the rehearsed page. */
  after: string;
  screen: number;
  title: string;
}) {
  const [measure, room] = useMeasure();
  const place = useRef<HTMLDivElement>(null);
  const served = useRef<HTMLIFrameElement>(null);
  const { read, problem: unread } = useKeptPage(own);
  const { shown, problem: unshown } = usePageFrame(place, read?.page, read?.survey);
  const problem = unread ?? unshown;
  const [share, setShare] = useState(50);
  const [top, setTop] = useState(0);
  const [loaded, setLoaded] = useState(false);
  const scale = room.width > 0 ? Math.min(1, room.width / screen) : 1;
  const height = Math.max(1, Math.ceil(room.height / scale));
  const left = Math.max(0, Math.round((room.width - screen * scale) / 2));
  const ready = shown !== undefined && loaded;

  useEffect(() => {
    void shown?.frame.show(screen, height);
  }, [shown, screen, height]);
  useEffect(() => {
    shown?.frame.scrollTo(top);
    served.current?.contentWindow?.scrollTo({ top, behavior: 'instant' });
  }, [shown, loaded, top, screen, height]);

  const scroll = (by: number) => {
    const most = Math.max(0, (shown?.frame.height() ?? 0) - height);
    setTop((before) => Math.max(0, Math.min(most, before + by)));
  };
  const keys = (event: KeyboardEvent) => {
    const by = { ArrowDown: step, ArrowUp: -step, PageDown: height, PageUp: -height }[event.key];
    if (by !== undefined) {
      event.preventDefault();
      scroll(by);
    }
  };
  const drag = (event: PointerEvent<HTMLElement>) => {
    if (event.type === 'pointerdown') {
      event.currentTarget.setPointerCapture(event.pointerId);
    } else if (!event.currentTarget.hasPointerCapture(event.pointerId)) {
      return;
    }
    const box = event.currentTarget.getBoundingClientRect();
    const x = ((event.clientX - box.left - left) / (screen * scale)) * 100;
    setShare(Math.max(0, Math.min(100, x)));
  };
  const board = {
    position: 'absolute' as const,
    left,
    top: 0,
    width: screen,
    height,
    transform: `scale(${scale})`,
    transformOrigin: '0 0',
  };
  const edge = left + (screen * scale * share) / 100;
  return (
    <main className="flex min-h-0 grow flex-col">
      <h1 className="sr-only">{title}</h1>
      <section
        ref={measure}
        tabIndex={0}
        aria-label={`Before at the left, after at the right, at a screen of ${screen} px`}
        className="relative min-h-0 grow touch-none overflow-hidden bg-board focus-visible:-outline-offset-2"
        onKeyDown={keys}
        onWheel={(event) => scroll(event.deltaY / scale)}
        onPointerDown={drag}
        onPointerMove={drag}
      >
        <iframe
          ref={served}
          inert
          title="After"
          src={after}
          scrolling="no"
          onLoad={() => setLoaded(true)}
          className="pointer-events-none border-0 bg-white"
          style={board}
        />
        <div
          ref={place}
          inert
          data-testid="before"
          className="pointer-events-none overflow-hidden bg-white"
          style={{ ...board, clipPath: `inset(0 ${100 - share}% 0 0)` }}
        />
        {ready && (
          <>
            <div
              aria-hidden
              className="absolute inset-y-0 w-px cursor-ew-resize bg-act outline outline-white"
              style={{ left: edge }}
            />
            <span
              aria-hidden
              className="absolute top-1/2 flex h-7 w-7 -translate-x-1/2 cursor-ew-resize items-center justify-center rounded-sm border border-act bg-white text-act"
              style={{ left: edge }}
            >
              <MoveHorizontal size={15} />
            </span>
            <Caption side="left" shown={share > 8}>
              Before
            </Caption>
            <Caption side="right" shown={share < 92}>
              After, as rehearsed
            </Caption>
          </>
        )}
        {!ready && (
          <p
            role="status"
            className="absolute bottom-3 left-3 rounded-sm border border-line bg-white px-3 py-1"
          >
            {problem === undefined
              ? `Reading ${own.title || 'your page'}…`
              : `Your page cannot be shown: ${problem}`}
          </p>
        )}
      </section>
      <label className="flex h-[42px] shrink-0 items-center gap-3 border-t border-line bg-white px-4">
        <span className="shrink-0">Before shown</span>
        <input
          type="range"
          min={0}
          max={100}
          step={1}
          value={Math.round(share)}
          onChange={(event) => setShare(Number(event.target.value))}
          className="min-w-0 grow accent-act"
        />
        <span className="w-[52px] text-right figure">{Math.round(share)}%</span>
      </label>
    </main>
  );
}

function Caption({
  side,
  shown,
  children,
}: {
  side: 'left' | 'right';
  shown: boolean;
  children: string;
}) {
  return shown ? (
    <span
      className={`absolute bottom-3 rounded-sm border border-line bg-white px-2 py-0.5 ${side === 'left' ? 'left-3' : 'right-3'}`}
    >
      {children}
    </span>
  ) : null;
}
