'use client';

import { useMemo, useState } from 'react';
import { firstCopy } from '@/core/measure/background';
import { layoutPage, marginAt, type SlotPiece } from '@/core/measure/layoutPage';
import type { Page } from '@/core/site/model/page';
import type { Site } from '@/core/site/model/site';
import type { Slot } from '@/core/site/model/slot';
import { isContent, slotKind } from '@/core/slots/registry';
import type { Session } from '../hooks/useSession';
import { DimensionLine, SlotDimensions } from '../page/DimensionLines';
import { PageDrawing } from '../page/PageDrawing';
import { Sampler } from '../page/Sampler';
import { useMeasure } from '../shared/useMeasure';
import { SlotOverlay, type Grasp } from './SlotOverlay';

interface Props {
  session: Session;
  site: Site;
  page: Page;
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

/** The page drawn to scale, with its numbered slots. */
export function Sheet({
  session,
  site,
  page,
  width,
  slots,
  selected,
  busy,
  onSelect,
  href,
  onFiles,
}: Props) {
  const [ref, board] = useMeasure();
  const [grasp, setGrasp] = useState<Grasp>();
  const layout = useMemo(() => layoutPage(site, page, width), [site, page, width]);
  const scale = board.width ? Math.min(1, (board.width - 60) / layout.width) : 0;
  const left = Math.round((board.width - layout.width * scale) / 2);
  const margin = marginAt(page, width);
  const content = {
    from: left + layout.content.x * scale,
    to: left + (layout.content.x + layout.content.width) * scale,
  };
  const pieces = layout.pieces.filter((p): p is SlotPiece => p.type === 'slot');
  const shown = pieces.find((p) => p.slot.id === (grasp?.slotId ?? selected));
  const height = layout.height * scale + top + 24;
  return (
    <main
      ref={ref}
      className="relative min-h-0 min-w-0 grow overflow-auto bg-board"
      aria-label={`${page.name} at a screen of ${width} px`}
      onPointerDown={(e) => {
        if (!(e.target as Element).closest('a,[data-grip]')) {
          onSelect(undefined);
        }
      }}
    >
      <h1 className="sr-only">Page plan of {site.name}</h1>
      <p id="slot-keys" className="sr-only">
        Enter opens the bench. Arrows move the slot, with Shift by 10 px; with Alt they change its
        size.
      </p>
      {scale > 0 && (
        <div className="relative" data-board style={{ height }}>
          <svg aria-hidden className="absolute inset-0" width={board.width} height={top}>
            {margin * scale >= 44 && (
              <DimensionLine x1={left} x2={content.from} y1={24} y2={24} figure={`${margin}`} />
            )}
            <DimensionLine
              x1={content.from}
              x2={content.to}
              y1={24}
              y2={24}
              figure={
                content.to - content.from < 120
                  ? `${layout.content.width}`
                  : `content ${layout.content.width}`
              }
            />
            {margin * scale >= 44 && (
              <DimensionLine
                x1={content.to}
                x2={left + layout.width * scale}
                y1={24}
                y2={24}
                figure={`${margin}`}
              />
            )}
          </svg>
          <div
            data-testid="page"
            style={{
              position: 'absolute',
              left,
              top,
              transform: scale === 1 ? undefined : `scale(${scale})`,
              transformOrigin: '0 0',
            }}
          >
            <PageDrawing site={site} layout={layout} />
          </div>
          {layout.fold < layout.height && (
            <div
              aria-hidden
              className="pointer-events-none absolute border-t border-dashed border-act/70"
              style={{
                left: left - 26,
                width: layout.width * scale + 52,
                top: top + layout.fold * scale,
              }}
            >
              <span className="absolute right-0 bottom-0.5 bg-white px-1 figure text-[10px] text-soft">
                first screen {layout.width} × {layout.fold}
              </span>
            </div>
          )}
          {pieces.map((piece) => (
            <SlotOverlay
              key={piece.slot.id}
              session={session}
              page={page}
              layout={layout}
              piece={piece}
              number={slots.findIndex((s) => s.id === piece.slot.id) + 1}
              href={href(piece.slot)}
              scale={scale}
              left={left}
              top={top}
              selected={piece.slot.id === selected}
              onSelect={onSelect}
              onGrasp={setGrasp}
              onFiles={onFiles}
            />
          ))}
          <Sampler site={site} layout={layout} scale={scale} left={left} top={top} />
          {shown && (
            <Marks
              piece={shown}
              scale={scale}
              left={left}
              width={board.width}
              height={height}
              grasp={grasp}
              contentX={layout.content.x}
            />
          )}
        </div>
      )}
      {busy && (
        <p
          role="status"
          className="sticky bottom-3 left-3 inline-block rounded-sm border border-line bg-white px-3 py-1.5"
        >
          Reading {busy}…
        </p>
      )}
    </main>
  );
}

/** Dimension lines of the slot in hand, and how far content lies from the left of its column. */
function Marks({
  piece,
  scale,
  left,
  width,
  height,
  grasp,
  contentX,
}: {
  piece: SlotPiece;
  scale: number;
  left: number;
  width: number;
  height: number;
  grasp: Grasp | undefined;
  contentX: number;
}) {
  const { slot } = piece;
  const r = slotKind(slot.kind).fillsBox ? piece.rect : firstCopy(piece);
  const rect = {
    x: left + r.x * scale,
    y: top + r.y * scale,
    width: r.width * scale,
    height: r.height * scale,
  };
  const away = Math.round((r.x - contentX) / piece.scale);
  const from = left + contentX * scale;
  return (
    <svg aria-hidden className="pointer-events-none absolute inset-0" width={width} height={height}>
      <SlotDimensions
        rect={rect}
        width={slot.width}
        height={slot.height}
        room={{ left: 0, right: width }}
      />
      {grasp && isContent(slot.kind) && Math.abs(away * scale) >= 34 && (
        <DimensionLine
          x1={from}
          x2={rect.x}
          y1={rect.y + 12.5}
          y2={rect.y + 12.5}
          figure={`${away}`}
        />
      )}
      {grasp?.guide !== undefined && (
        <path
          d={`M${left + grasp.guide * scale} ${top}V${height}`}
          stroke="#0d6b62"
          strokeDasharray="4"
        />
      )}
    </svg>
  );
}
