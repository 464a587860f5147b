import { chainLength, chainPlaces } from '@/core/measure/chain';
import type { ChainPart } from '@/core/site/model/slot';
import { DimensionLine } from '../page/DimensionLines';

/** A part narrower than this on the screen has no room for its figure on the line. */
const roomForFigure = 34;

const partLook: Readonly<Record<ChainPart['what'], string>> = {
  column: 'fill-act-wash stroke-act',
  border: 'fill-ink',
  gap: 'fill-sheet stroke-line',
  padding: 'fill-sheet stroke-line',
};

/** Columns, gaps, paddings and borders as a chain of dimension lines, with the sum below. */
export function ChainDrawing({ parts, width }: { parts: readonly ChainPart[]; width: number }) {
  const total = chainLength(parts);
  const places = chainPlaces(parts);
  const inset = 6;
  const scale = total > 0 ? (width - inset * 2) / total : 0;
  const x = (px: number) => inset + px * scale;
  return (
    <svg
      width={width}
      height={76}
      role="img"
      aria-label={`${parts.map((p) => `${p.what} ${p.px}`).join(', ')}: ${total} px together`}
      className="block"
    >
      {places.map(({ part, from, to }, i) => (
        <g key={i}>
          <rect
            x={x(from)}
            y={4}
            width={Math.max(1, (to - from) * scale)}
            height={22}
            className={partLook[part.what]}
          />
          {(to - from) * scale >= roomForFigure ? (
            <DimensionLine x1={x(from)} x2={x(to)} y1={38} y2={38} figure={`${part.px}`} />
          ) : (
            <path
              d={`M${x(from)} 34V42M${x(to)} 34V42M${x(from)} 38H${x(to)}`}
              className="stroke-act"
            />
          )}
        </g>
      ))}
      {total > 0 && (
        <DimensionLine x1={x(0)} x2={x(total)} y1={62} y2={62} figure={`${total} px`} />
      )}
    </svg>
  );
}
