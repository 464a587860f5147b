'use client';

import { useMemo, useState } from 'react';
import { firstCopy } from '@/core/measure/background';
import { layoutPage, marginAt, type LaidSlot } from '@/core/measure/layoutPage';
import { isContent, slotKind } from '@/core/slots/registry';
import { DimensionLine, SlotDimensions } from '../page/DimensionLines';
import { PageDrawing } from '../page/PageDrawing';
import { DrawnSampler } from '../page/DrawnSampler';
import { useMeasure } from '../shared/useMeasure';
import { Board, boardTop as top, ContentLine, FirstScreen, type SheetProps } from './Board';
import { SlotOverlay, type Grasp } from './SlotOverlay';

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
}: SheetProps) {
  const [ref, board] = useMeasure();
  const [grasp, setGrasp] = useState<Grasp>();
  const layout = useMemo(() => layoutPage(site, page, width), [site, page, width]);
  const scale = board.width ? Math.min(1, (board.width - 60) / layout.width) : 0;
  const left = Math.round((board.width - layout.width * scale) / 2);
  const margin = marginAt(page, width);
  const laidSlots = layout.boxes.filter((p): p is LaidSlot => p.type === 'slot');
  const shown = laidSlots.find((p) => p.slot.id === (grasp?.slotId ?? selected));
  const height = layout.height * scale + top + 24;
  return (
    <Board
      ref={ref}
      site={site}
      page={page}
      width={width}
      keys="Enter opens the bench. Arrows move the slot, with Shift by 10 px; with Alt they change its size."
      says={busy === undefined ? undefined : `Reading ${busy}…`}
      onLeave={() => onSelect(undefined)}
    >
      {scale > 0 && (
        <div className="relative" data-board style={{ height }}>
          <ContentLine
            content={layout.content}
            beside={[margin, margin]}
            width={layout.width}
            scale={scale}
            left={left}
          />
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
            <FirstScreen width={layout.width} fold={layout.fold} scale={scale} left={left} />
          )}
          {laidSlots.map((laid) => (
            <SlotOverlay
              key={laid.slot.id}
              session={session}
              page={page}
              layout={layout}
              laid={laid}
              number={slots.findIndex((s) => s.id === laid.slot.id) + 1}
              href={href(laid.slot)}
              scale={scale}
              left={left}
              top={top}
              selected={laid.slot.id === selected}
              onSelect={onSelect}
              onGrasp={setGrasp}
              onFiles={onFiles}
            />
          ))}
          <DrawnSampler site={site} layout={layout} scale={scale} left={left} top={top} />
          {shown && (
            <Marks
              laid={shown}
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
    </Board>
  );
}

/** Dimension lines of the slot in hand, and how far content lies from the left of its column. */
function Marks({
  laid,
  scale,
  left,
  width,
  height,
  grasp,
  contentX,
}: {
  laid: LaidSlot;
  scale: number;
  left: number;
  width: number;
  height: number;
  grasp: Grasp | undefined;
  contentX: number;
}) {
  const { slot } = laid;
  const r = slotKind(slot.kind).fillsBox ? laid.rect : firstCopy(laid);
  const rect = {
    x: left + r.x * scale,
    y: top + r.y * scale,
    width: r.width * scale,
    height: r.height * scale,
  };
  const away = Math.round((r.x - contentX) / laid.scale);
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
