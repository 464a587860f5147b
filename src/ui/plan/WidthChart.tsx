'use client';

import { extent, max } from 'd3-array';
import { scaleLinear, scaleLog } from 'd3-scale';
import { line } from 'd3-shape';
import { useMemo, useRef, type KeyboardEvent, type PointerEvent, type ReactNode } from 'react';
import { marginAt } from '@/core/measure/layoutPage';
import { hiddenShare, narrowedTo, shares } from '@/core/measure/visitors';
import type { Page } from '@/core/site/model/page';
import type { Site } from '@/core/site/model/site';
import { useMeasure } from '../shared/useMeasure';

export const leastScreen = 320;
export const mostScreen = 3840;

const height = 108;
const pad = { left: 16, right: 16, top: 24, bottom: 20 };

const percent = (share: number): string =>
  `${share > 0 && share < 0.01 ? '<1' : Math.round(share * 100)}%`;

interface Props {
  site: Site;
  page: Page;
  width: number;
  /** A narrower content that is being thought about, px. */
  supposed: number | undefined;
  onWidth(width: number): void;
  /** Stands at the right of the caption. */
  children?: ReactNode;
}

/**
 * The owner's visitors by screen width as bars, and the background to be seen at each side as a
 * line; dragging along it sets the screen.
 */
export function WidthChart({ site, page, width, supposed, onWidth, children }: Props) {
  const [measure, room] = useMeasure();
  const svg = useRef<SVGSVGElement>(null);
  const parts = useMemo(() => shares(site.visitors), [site.visitors]);
  const [, widestVisitor = 0] = extent(parts, (v) => v.width);
  const x = useMemo(
    () =>
      scaleLog(
        [leastScreen, Math.max(2560, width, Math.min(mostScreen, widestVisitor * 1.06))],
        [pad.left, Math.max(pad.left + 1, room.width - pad.right)],
      ).clamp(true),
    [room.width, widestVisitor, width],
  );
  const [from, to] = x.domain();
  const base = height - pad.bottom;
  const narrowed = supposed === undefined ? undefined : narrowedTo(page, supposed);
  const mostMargin = Math.max(1, marginAt(narrowed ?? page, to), marginAt(page, to));
  const yMargin = scaleLinear([0, mostMargin], [base, pad.top]);
  const yShare = scaleLinear([0, max(parts, (v) => v.share) ?? 1], [base, pad.top + 10]);
  const path = (of: Pick<Page, 'content'>) => {
    const steps = Array.from({ length: 161 }, (_, i) =>
      Math.round(from * (to / from) ** (i / 160)),
    );
    return (
      line<number>(
        (w) => x(w),
        (w) => yMargin(marginAt(of, w)),
      )(steps) ?? ''
    );
  };
  const at = Math.min(to, Math.max(from, width));
  const margin = marginAt(page, width);
  const gap =
    parts.length > 1
      ? Math.min(...parts.slice(1).map((v, i) => x(v.width) - x(parts[i].width)))
      : 60;
  const bar = Math.max(2, Math.min(40, gap - 6));
  const hidden = hiddenShare(page, site.visitors);

  const set = (event: PointerEvent) => {
    const box = svg.current!.getBoundingClientRect();
    const aimed = x.invert(event.clientX - box.left);
    // A visitor's width near the pointer is what is meant; Alt goes between.
    const near = parts.find((v) => Math.abs(x(v.width) - (event.clientX - box.left)) <= 5);
    onWidth(
      near && !event.altKey
        ? near.width
        : Math.round(Math.min(mostScreen, Math.max(leastScreen, aimed))),
    );
  };
  const keys = (event: KeyboardEvent) => {
    const step = event.shiftKey ? 10 : 1;
    const to: Readonly<Record<string, number | undefined>> = {
      ArrowRight: width + step,
      ArrowUp: width + step,
      ArrowLeft: width - step,
      ArrowDown: width - step,
      PageUp: parts.find((v) => v.width > width)?.width,
      PageDown: parts.findLast((v) => v.width < width)?.width,
      Home: leastScreen,
      End: mostScreen,
    };
    const next = to[event.key];
    if (next === undefined) {
      return;
    }
    event.preventDefault();
    event.stopPropagation();
    onWidth(Math.min(mostScreen, Math.max(leastScreen, next)));
  };

  const label = `${width}: ${margin} px each side`;
  const labelLeft = x(at) > room.width - 190;
  return (
    <section
      aria-label="Background showing on each side, by screen width"
      className="shrink-0 border-b border-line bg-sheet"
    >
      <div className="flex h-[34px] items-center gap-3 px-4">
        <h2 className="shrink-0 caption">Background showing on each side, by screen width</h2>
        <p className="min-w-0 truncate text-soft" data-testid="hidden-share">
          {hidden === undefined ? (
            'No visitors known yet.'
          ) : (
            <>
              On <span className="figure text-ink">{percent(hidden)}</span> of your visitors’
              screens none shows{site.visitorsInvented ? ' (invented figures)' : ''}.
            </>
          )}
        </p>
        <div className="ml-auto flex shrink-0 items-center gap-2">{children}</div>
      </div>
      <div ref={measure} className="relative" style={{ height }}>
        {room.width > 0 && (
          <svg
            ref={svg}
            width={room.width}
            height={height}
            className="absolute inset-0 cursor-ew-resize touch-none select-none"
            onPointerDown={(e) => {
              e.currentTarget.setPointerCapture(e.pointerId);
              set(e);
            }}
            onPointerMove={(e) => {
              if (e.buttons === 1) {
                set(e);
              }
            }}
          >
            <path
              d={`M${pad.left} ${base + 0.5}H${room.width - pad.right}`}
              className="stroke-faint"
            />
            {parts.map((v) => (
              <g key={v.width}>
                <rect
                  x={x(v.width) - bar / 2}
                  y={yShare(v.share)}
                  width={bar}
                  height={Math.max(0, base - yShare(v.share))}
                  fill="#cfd8d6"
                >
                  <title>{`${v.width} px: ${percent(v.share)} of your visitors`}</title>
                </rect>
                {bar >= 22 && (
                  <text
                    x={x(v.width)}
                    y={yShare(v.share) - 3}
                    textAnchor="middle"
                    className="figure text-[10px]"
                    fill="#5d6268"
                  >
                    {percent(v.share)}
                  </text>
                )}
                {bar >= 24 && (
                  <text
                    x={x(v.width)}
                    y={height - 5}
                    textAnchor="middle"
                    className="figure text-[11px]"
                    fill="#5d6268"
                  >
                    {v.width}
                  </text>
                )}
              </g>
            ))}
            {bar < 24 &&
              [360, 768, 1280, 1920, 2560].map((w) => (
                <text
                  key={w}
                  x={x(w)}
                  y={height - 5}
                  textAnchor="middle"
                  className="figure text-[11px]"
                  fill="#5d6268"
                >
                  {w}
                </text>
              ))}
            <path d={path(page)} fill="none" stroke="#0d6b62" strokeWidth={2} />
            {narrowed && (
              <path
                d={path(narrowed)}
                fill="none"
                stroke="#0d6b62"
                strokeWidth={1.5}
                strokeDasharray="5 4"
              />
            )}
            <path d={`M${x(at)} 16V${base}`} stroke="#0d6b62" strokeDasharray="2 3" />
            <circle
              cx={x(at)}
              cy={yMargin(Math.min(mostMargin, margin))}
              r={4.5}
              fill="#fcfcfb"
              stroke="#0d6b62"
              strokeWidth={2}
            />
            <text
              x={x(at) + (labelLeft ? -7 : 7)}
              y={13}
              textAnchor={labelLeft ? 'end' : 'start'}
              className="figure font-semibold"
              fill="#0d6b62"
              style={{ paintOrder: 'stroke', stroke: '#f3f3f2', strokeWidth: 5 }}
            >
              {label}
            </text>
            <rect
              x={x(at) - 9}
              y={12}
              width={18}
              height={base - 8}
              fill="transparent"
              role="slider"
              tabIndex={0}
              aria-label="Screen width"
              aria-valuemin={leastScreen}
              aria-valuemax={mostScreen}
              aria-valuenow={width}
              aria-valuetext={`${width} px wide, ${margin} px of background at each side`}
              onKeyDown={keys}
              className="focus-visible:outline-2 focus-visible:outline-act"
            />
          </svg>
        )}
      </div>
    </section>
  );
}
