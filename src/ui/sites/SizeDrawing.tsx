/** Room for the drawing, px. */
const room = { width: 250, height: 74 };
/** Left and above of it. */
const margin = 1;
/** Between the drawing and its dimension lines. */
const gap = 9;

/** A size drawn in its proportions with dimension lines, hills for a photo. */
export function SizeDrawing({ width, height }: { width: number; height: number }) {
  const known = width > 0 && height > 0;
  const k = known ? Math.min(room.width / width, room.height / height) : 0;
  const w = known ? Math.max(3, width * k) : room.width;
  const h = known ? Math.max(3, height * k) : room.height / 2;
  const hills = `M0 ${h}L${w * 0.22} ${h * 0.35}L${w * 0.36} ${h * 0.7}L${w * 0.56} ${h * 0.2}L${w * 0.8} ${h * 0.72}L${w} ${h * 0.45}V${h}Z`;
  const end = margin + w + gap;
  const below = margin + h + gap;
  return (
    <svg
      role="img"
      aria-label={known ? `${width} by ${height} px` : 'No size yet'}
      viewBox={`0 0 ${room.width + 90} ${room.height + 26}`}
      preserveAspectRatio="xMinYMid meet"
      className="h-[100px] w-full max-w-[340px]"
    >
      <g transform={`translate(${margin} ${margin})`}>
        <rect width={w} height={h} className="fill-act-wash stroke-act" />
        <path d={hills} className="fill-act" opacity={0.28} />
      </g>
      <g className="stroke-act" fill="none">
        <path
          d={`M${margin} ${below}H${margin + w}M${margin} ${below - 4}v8M${margin + w} ${below - 4}v8`}
        />
        <path
          d={`M${end} ${margin}V${margin + h}M${end - 4} ${margin}h8M${end - 4} ${margin + h}h8`}
        />
      </g>
      <g className="fill-act figure text-[12px] font-semibold">
        <text x={margin + w / 2} y={below + 14} textAnchor="middle">
          {known ? `${width} px` : ''}
        </text>
        <text x={end + 8} y={margin + h / 2 + 4}>
          {known ? `${height}` : ''}
        </text>
      </g>
    </svg>
  );
}
