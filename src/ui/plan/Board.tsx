'use client';

import type { ReactNode, Ref } from 'react';
import type { Page } from '@/core/site/model/page';
import type { Site } from '@/core/site/model/site';
import type { Slot } from '@/core/site/model/slot';
import type { Session } from '../hooks/useSession';
import { DimensionLine } from '../page/DimensionLines';

/** Room above the page for its dimension lines, px. */
export const boardTop = 44;

/** What a page on its board is told, drawn or the owner's own. */
export interface SheetProps {
  session: Session;
  site: Site;
  page: Page;
  /** Of the screen, px. */
  width: number;
  /** In the order of their numbers. */
  slots: readonly Slot[];
  selected: string | undefined;
  /** What is being read. */
  busy: string | undefined;
  onSelect(slotId: string | undefined): void;
  href(slot: Slot): string;
  onFiles(slot: Slot, files: readonly File[]): void;
}

/** What a page lies on, drawn or the owner's own. */
export function Board({
  ref,
  site,
  page,
  width,
  keys,
  says,
  onLeave,
  children,
}: {
  ref: Ref<HTMLElement>;
  site: Site;
  page: Page;
  /** Of the screen, px. */
  width: number;
  /** What the keys do on a slot. */
  keys: string;
  /** What goes on meanwhile. */
  says: string | undefined;
  /** Something beside the slots was pressed. */
  onLeave(): void;
  children: ReactNode;
}) {
  return (
    <main
      ref={ref}
      data-tour="board"
      className="relative min-h-0 min-w-0 grow overflow-auto bg-board"
      aria-label={`${page.name} at a screen of ${width} px`}
      onPointerDown={(e) => {
        if (!(e.target as Element).closest('a,button,[data-grip]')) {
          onLeave();
        }
      }}
    >
      <h1 className="sr-only">Page plan of {site.name}</h1>
      <p id="slot-keys" className="sr-only">
        {keys}
      </p>
      {children}
      {says !== undefined && (
        <p
          role="status"
          className="sticky bottom-3 left-3 inline-block rounded-sm border border-line bg-white px-3 py-1.5"
        >
          {says}
        </p>
      )}
    </main>
  );
}

/** How wide the content is, and what shows beside it; px of the page. */
export function ContentLine({
  content,
  beside,
  width,
  scale,
  left,
}: {
  content: { readonly x: number; readonly width: number };
  /** What shows at each side. */
  beside: readonly [left: number, right: number];
  width: number;
  scale: number;
  left: number;
}) {
  const from = left + content.x * scale;
  const to = left + (content.x + content.width) * scale;
  const px = (value: number): string => `${Math.round(value)}`;
  return (
    <svg aria-hidden className="absolute inset-0" width="100%" height={boardTop}>
      {beside[0] * scale >= 44 && (
        <DimensionLine x1={left} x2={from} y1={24} y2={24} figure={px(beside[0])} />
      )}
      <DimensionLine
        x1={from}
        x2={to}
        y1={24}
        y2={24}
        figure={to - from < 120 ? px(content.width) : `content ${px(content.width)}`}
      />
      {beside[1] * scale >= 44 && (
        <DimensionLine x1={to} x2={left + width * scale} y1={24} y2={24} figure={px(beside[1])} />
      )}
    </svg>
  );
}

/** Where the first screenful of the page ends. */
export function FirstScreen({
  width,
  fold,
  scale,
  left,
}: {
  width: number;
  fold: number;
  scale: number;
  left: number;
}) {
  return (
    <div
      aria-hidden
      className="pointer-events-none absolute border-t border-dashed border-act/70"
      style={{ left: left - 26, width: width * scale + 52, top: boardTop + fold * scale }}
    >
      <span className="absolute right-0 bottom-0.5 bg-white px-1 figure text-[10px] text-soft">
        first screen {width} × {fold}
      </span>
    </div>
  );
}
