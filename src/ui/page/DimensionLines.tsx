import type { Rect } from '@/core/raster/raster';

const halo = {
  paintOrder: 'stroke' as const,
  stroke: '#fcfcfb',
  strokeWidth: 4,
  strokeLinejoin: 'round' as const,
};

/** A measured length with its figure; white halos keep it readable on any page. */
export function DimensionLine({
  x1,
  y1,
  x2,
  y2,
  figure,
}: {
  x1: number;
  y1: number;
  x2: number;
  y2: number;
  figure: string;
}) {
  const level = y1 === y2;
  const mx = (x1 + x2) / 2;
  const my = (y1 + y2) / 2;
  const half = 4;
  const ticks = level
    ? `M${x1} ${y1 - half}V${y1 + half}M${x2} ${y2 - half}V${y2 + half}`
    : `M${x1 - half} ${y1}H${x1 + half}M${x2 - half} ${y2}H${x2 + half}`;
  const width = figure.length * 7.4 + 8;
  return (
    <g>
      <path d={`M${x1} ${y1}L${x2} ${y2}${ticks}`} stroke="#fcfcfb" strokeWidth={3} />
      <path d={`M${x1} ${y1}L${x2} ${y2}${ticks}`} stroke="#0d6b62" strokeWidth={1} />
      <rect x={mx - width / 2} y={my - 8} width={width} height={16} fill="#fcfcfb" />
      <text
        x={mx}
        y={my + 4}
        textAnchor="middle"
        className="figure font-semibold"
        fill="#0d6b62"
        style={halo}
      >
        {figure}
      </text>
    </g>
  );
}

/** Width below and height beside a rectangle; inside its edges where there is no room outside. */
export function SlotDimensions({
  rect,
  width,
  height,
  room,
}: {
  rect: Rect;
  width: number;
  height: number;
  room: { left: number; right: number };
}) {
  const x1 = Math.max(rect.x, room.left);
  const x2 = Math.min(rect.x + rect.width, room.right);
  const beside = rect.x - room.left >= 34 ? rect.x - 14 : x1 + 22;
  return (
    <>
      <DimensionLine
        x1={x1 + 0.5}
        x2={x2 - 0.5}
        y1={rect.y + rect.height + 14.5}
        y2={rect.y + rect.height + 14.5}
        figure={`${width} px`}
      />
      {rect.height >= 24 && (
        <DimensionLine
          x1={beside + 0.5}
          x2={beside + 0.5}
          y1={rect.y + 0.5}
          y2={rect.y + rect.height - 0.5}
          figure={`${height}`}
        />
      )}
    </>
  );
}
