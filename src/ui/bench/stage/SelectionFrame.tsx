'use client';

import type { PointerEvent } from 'react';
import { cornersOf, pointOf, turnAbout, type Bounds, type Box } from '@/core/arrange/box';
import { handles, isCorner, type Handle } from '@/core/arrange/gesture';
import type { Gap, Guide } from '@/core/arrange/snap';
import { AreaSvg } from './AreaSvg';
import type { Area } from './AreaBox';

interface Props {
  area: Area;
  /** Around all that is selected. */
  frame: Box | undefined;
  /** Around each one, where several are. */
  boxes: readonly Box[];
  guides: readonly Guide[];
  gaps: readonly Gap[];
  figure?: string;
  marquee?: Bounds;
  dragging: boolean;
  /** It can be resized and turned. */
  free: boolean;
  /** Its sides can be moved by themselves. */
  sides: boolean;
  onGrip(event: PointerEvent, grip: Handle | 'turn'): void;
}

const outline = (box: Box): string =>
  `M${cornersOf(box)
    .map((p) => `${p.x} ${p.y}`)
    .join('L')}Z`;

const guideNames: Readonly<Record<Guide['what'], string>> = {
  edge: 'edge',
  middle: 'middle',
  'safe margin': 'safe margin',
  layer: '',
};

/**
 * The frame of what is selected, with its handles, and what a drag shows: lines it is drawn to, and
 * distances. Sizes are in px of the screen.
 */
export function SelectionFrame({
  area,
  frame,
  boxes,
  guides,
  gaps,
  figure,
  marquee,
  dragging,
  free,
  sides,
  onGrip,
}: Props) {
  const px = 1 / area.scale;
  const label = (x: number, y: number, words: string, key: string) => {
    const width = (words.length * 7 + 8) * px;
    return (
      <g key={key}>
        <rect x={x - width / 2} y={y - 8 * px} width={width} height={16 * px} fill="#fcfcfb" />
        <text
          x={x}
          y={y + 4 * px}
          fontSize={11 * px}
          textAnchor="middle"
          fill="#0d6b62"
          className="[font-family:var(--font-mono)] font-semibold"
        >
          {words}
        </text>
      </g>
    );
  };
  const knobAway = 22 * px;
  const top = frame && pointOf(frame, 0.5, 0);
  const knob =
    frame &&
    top &&
    turnAbout({ x: frame.x, y: frame.y - frame.height / 2 - knobAway }, frame, frame.turn);
  const cursorOf = ({ u, v }: Handle): string => {
    const angle = ((Math.atan2(v - 0.5, u - 0.5) * 180) / Math.PI + (frame?.turn ?? 0) + 720) % 180;
    if (angle < 22.5 || angle >= 157.5) {
      return 'ew-resize';
    }
    if (angle < 67.5) {
      return 'nwse-resize';
    }
    if (angle < 112.5) {
      return 'ns-resize';
    }
    return 'nesw-resize';
  };
  const small = frame && Math.min(frame.width, frame.height) * area.scale < 24;
  return (
    <AreaSvg area={area} testId="selection-frame">
      {boxes.map((box, i) => (
        <path
          key={i}
          d={outline(box)}
          stroke="#0d6b62"
          strokeWidth={px}
          strokeDasharray={`${3 * px}`}
        />
      ))}
      {frame && (
        <>
          <path d={outline(frame)} stroke="#fcfcfb" strokeWidth={3 * px} />
          <path d={outline(frame)} stroke="#0d6b62" strokeWidth={px} />
        </>
      )}
      {guides.map((g, i) => (
        <g key={i}>
          <path
            d={g.axis === 'x' ? `M${g.at} ${g.from}V${g.to}` : `M${g.from} ${g.at}H${g.to}`}
            stroke="#fcfcfb"
            strokeWidth={3 * px}
            strokeOpacity={0.7}
          />
          <path
            d={g.axis === 'x' ? `M${g.at} ${g.from}V${g.to}` : `M${g.from} ${g.at}H${g.to}`}
            stroke="#0d6b62"
            strokeWidth={px}
            strokeDasharray={`${4 * px}`}
          />
          {guideNames[g.what] &&
            (g.axis === 'x'
              ? label(g.at, g.to + 10 * px, guideNames[g.what], 'w')
              : label(
                  g.to + (guideNames[g.what].length * 3.5 + 8) * px,
                  g.at,
                  guideNames[g.what],
                  'w',
                ))}
        </g>
      ))}
      {gaps.map((g) => {
        const level = g.side === 'left' || g.side === 'right';
        const middle = (g.from + g.to) / 2;
        const long = (g.to - g.from) * area.scale;
        return (
          <g key={g.side}>
            <path
              d={level ? `M${g.from} ${g.at}H${g.to}` : `M${g.at} ${g.from}V${g.to}`}
              stroke="#fcfcfb"
              strokeWidth={3 * px}
              strokeOpacity={0.7}
            />
            <path
              d={level ? `M${g.from} ${g.at}H${g.to}` : `M${g.at} ${g.from}V${g.to}`}
              stroke="#0d6b62"
              strokeWidth={px}
            />
            {long >= (level ? 20 : 14) &&
              (level
                ? label(middle, g.at, String(Math.round(g.to - g.from)), 'f')
                : label(g.at, middle, String(Math.round(g.to - g.from)), 'f'))}
          </g>
        );
      })}
      {frame && figure && label(frame.x, frame.y, figure, 'figure')}
      {marquee && (
        <rect
          x={marquee.left}
          y={marquee.top}
          width={marquee.right - marquee.left}
          height={marquee.bottom - marquee.top}
          fill="#0d6b62"
          fillOpacity={0.08}
          stroke="#0d6b62"
          strokeWidth={px}
        />
      )}
      {frame && free && !dragging && (
        <g className="pointer-events-auto" aria-hidden>
          {top && knob && (
            <path d={`M${top.x} ${top.y}L${knob.x} ${knob.y}`} stroke="#0d6b62" strokeWidth={px} />
          )}
          {knob && (
            <circle
              data-grip="turn"
              cx={knob.x}
              cy={knob.y}
              r={5 * px}
              fill="#fcfcfb"
              stroke="#0d6b62"
              strokeWidth={px}
              style={{ cursor: 'grab' }}
              onPointerDown={(e) => onGrip(e, 'turn')}
            />
          )}
          {handles
            .filter((h) => isCorner(h) || (sides && !small))
            .map((h) => {
              const { x, y } = pointOf(frame, h.u, h.v);
              const side = 8 * px;
              return (
                <rect
                  key={`${h.u} ${h.v}`}
                  data-grip={`${h.u} ${h.v}`}
                  x={x - side / 2}
                  y={y - side / 2}
                  width={side}
                  height={side}
                  transform={`rotate(${frame.turn} ${x} ${y})`}
                  fill="#fcfcfb"
                  stroke="#0d6b62"
                  strokeWidth={px}
                  style={{ cursor: cursorOf(h) }}
                  onPointerDown={(e) => onGrip(e, h)}
                />
              );
            })}
        </g>
      )}
    </AreaSvg>
  );
}
