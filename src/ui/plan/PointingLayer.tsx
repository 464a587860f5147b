'use client';

import { useRef, useState, type KeyboardEvent, type MouseEvent } from 'react';
import { distanceBetween, type PointedBox, type Pointing } from '@/core/ownPage/pointing';
import type { PageRect } from '@/core/ownPage/survey';
import { DimensionLine } from '../page/DimensionLines';
import { Button } from '../shared/Button';

export type Tool = 'slots' | 'point' | 'distance';

interface Props {
  tool: 'point' | 'distance';
  /** Undefined while the page is still read. */
  pointing: Pointing | undefined;
  /** Of the page, px, and how large it is shown. */
  width: number;
  height: number;
  scale: number;
  /** What is done with a box that was pointed at. */
  act: string;
  onBox(box: PointedBox): void;
}

interface Point {
  readonly x: number;
  readonly y: number;
}

/** How near an edge a point must be to cling to it, px of the screen. */
const snapDistance = 6;

/** Room that the label of a box takes up, px of the screen. */
const labelHeight = 38;

/** Under the box; in it where the page ends before. */
const labelTop = (rect: PageRect, height: number, scale: number): number => {
  const under = (rect.y + rect.height) * scale + 3;
  return under + labelHeight < height * scale ? under : Math.max(0, rect.y * scale + 3);
};

/**
 * Lies over the page while it is pointed at: outlines what is under the pointer and measures it, or
 * measures from one edge to another.
 */
export function PointingLayer({ tool, pointing, width, height, scale, act, onBox }: Props) {
  const layer = useRef<HTMLDivElement>(null);
  const [at, setAt] = useState<Point>({ x: width / 2, y: Math.min(height, 600) / 2 });
  const [inside, setInside] = useState(false);
  const [takenAt, setTakenAt] = useState<Point>();
  const [ends, setEnds] = useState<readonly Point[]>([]);

  const clung = (point: Point): Point => ({
    x: pointing?.edgeX(point.x, point.y, snapDistance / scale) ?? point.x,
    y: pointing?.edgeY(point.x, point.y, snapDistance / scale) ?? point.y,
  });
  const pointOf = (event: MouseEvent): Point => {
    const box = layer.current!.getBoundingClientRect();
    return { x: (event.clientX - box.left) / scale, y: (event.clientY - box.top) / scale };
  };
  const choose = (point: Point) => {
    if (tool === 'point') {
      setTakenAt(point);
    } else {
      setEnds(ends.length === 1 ? [...ends, clung(point)] : [clung(point)]);
    }
  };
  const keys = (event: KeyboardEvent) => {
    const by = event.shiftKey ? 50 : 5;
    const [x, y] = {
      ArrowLeft: [-by, 0],
      ArrowRight: [by, 0],
      ArrowUp: [0, -by],
      ArrowDown: [0, by],
    }[event.key] ?? [0, 0];
    if (x || y) {
      setAt({
        x: Math.min(width - 1, Math.max(0, at.x + x)),
        y: Math.min(height - 1, Math.max(0, at.y + y)),
      });
      setInside(true);
    } else if (event.key === 'Enter') {
      choose(at);
    } else if (event.key === 'Escape' && (taken || ends.length > 0)) {
      setTakenAt(undefined);
      setEnds([]);
    } else {
      return;
    }
    event.preventDefault();
    event.stopPropagation();
  };
  // A click before the page is read counts once it is.
  const taken = takenAt && pointing?.boxAt(takenAt.x, takenAt.y);
  const seen = inside ? pointing?.boxAt(at.x, at.y) : undefined;
  const end = clung(at);
  const line =
    ends.length > 0 ? distanceBetween(ends[0], ends[1] ?? (inside ? end : ends[0])) : undefined;
  const place = (r: PageRect) => ({
    left: r.x * scale,
    top: r.y * scale,
    width: r.width * scale,
    height: r.height * scale,
  });
  const outlined = taken ?? seen;
  return (
    <div
      ref={layer}
      className="absolute inset-0 z-10 cursor-crosshair overflow-hidden outline-offset-2 focus-visible:outline-2 focus-visible:outline-act"
      // What is meant by the arrows and Enter is said in the label.
      role="application"
      tabIndex={0}
      aria-label={
        tool === 'point'
          ? 'Point at the page: arrows move, Enter measures what is there'
          : 'Measure on the page: arrows move, Enter sets an end'
      }
      onKeyDown={keys}
      onPointerMove={(e) => {
        setAt(pointOf(e));
        setInside(true);
      }}
      onPointerLeave={() => setInside(false)}
      onClick={(e) => {
        if (!(e.target as Element).closest('button')) {
          choose(pointOf(e));
        }
      }}
    >
      {tool === 'point' && outlined && (
        <div
          aria-hidden
          className={`pointer-events-none absolute outline-act ${taken ? 'bg-act/15 outline-2' : 'outline-1'}`}
          style={place(outlined.rect)}
        />
      )}
      {tool === 'point' && outlined && (
        <div
          role="status"
          className="absolute flex max-w-full items-center gap-2 border border-line bg-white px-2 py-1"
          style={{
            left: Math.min(outlined.rect.x * scale, Math.max(0, width * scale - 320)),
            top: labelTop(outlined.rect, height, scale),
            pointerEvents: taken ? 'auto' : 'none',
          }}
        >
          <span className="figure font-semibold whitespace-nowrap text-act">
            {Math.round(outlined.rect.width)} × {Math.round(outlined.rect.height)}
          </span>
          {outlined.name !== '' && (
            <span className="max-w-48 truncate figure text-soft" title={outlined.name}>
              {outlined.name}
            </span>
          )}
          {taken && (
            <Button
              onClick={() => {
                onBox(taken);
                setTakenAt(undefined);
              }}
            >
              {act}
            </Button>
          )}
        </div>
      )}
      {tool === 'distance' && (
        <svg aria-hidden className="pointer-events-none absolute inset-0 h-full w-full">
          {inside && ends.length !== 2 && (
            <path
              d={`M${end.x * scale} 0V${height * scale}M0 ${end.y * scale}H${width * scale}`}
              stroke="#0d6b62"
              strokeDasharray="2 4"
            />
          )}
          {line && line.px > 0 && (
            <DimensionLine
              x1={line.from.x * scale}
              y1={line.from.y * scale}
              x2={line.to.x * scale}
              y2={line.to.y * scale}
              figure={`${line.px}`}
            />
          )}
        </svg>
      )}
      {tool === 'distance' && line && (
        <p role="status" className="sr-only">
          {line.px} px
        </p>
      )}
    </div>
  );
}
