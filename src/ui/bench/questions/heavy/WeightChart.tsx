'use client';

import { formatOf, imageFormats } from '@/core/encode/formats/registry';
import { extent } from 'd3-array';
import { scaleLog } from 'd3-scale';
import {
  symbol,
  symbolCircle,
  symbolDiamond,
  symbolSquare,
  symbolTriangle,
  type SymbolType,
} from 'd3-shape';
import { useMemo, useRef, type KeyboardEvent } from 'react';
import { careLimits, careTitle, cares, likenessOf } from '@/core/lightest/care';
import { keepsSeam } from '@/core/lightest/best';
import type { Judgement } from '@/core/lightest/trial';
import { encodeSettingsWords } from '@/core/encode/settings';
import { kilobytes } from '@/core/readings/say';
import type { Aim, ImageFormat } from '@/core/site/model/picture';
import { useMeasure } from '../../../shared/useMeasure';
import type { Candidate } from '../../../hooks/useSearch';

/** Formats are told apart by their shape, too. */
const shapes: Readonly<Record<ImageFormat, SymbolType>> = {
  avif: symbolCircle,
  webp: symbolSquare,
  jpeg: symbolTriangle,
  png: symbolDiamond,
};

const pad = { left: 52, right: 10, top: 24, bottom: 30 };

/** Without loss nothing is different at all: such files stand at the end of the scale. */
const finest = 0.2;
const lossOf = ({ loss }: Judgement): number => Math.max(finest, loss.overall);
/** Likenesses that are written under the axis. */
const marks = [50, 70, 80, 85, 90, 95, 98];

export const judgementWords = (j: Judgement): string =>
  `${encodeSettingsWords(j.settings)}, ${kilobytes(j.bytes)}, likeness ${likenessOf(j.loss).toFixed(1)}, ${keepsSeam(j) ? 'blends as drawn' : 'loses its seam'}`;

interface Props {
  readonly tried: readonly Candidate[];
  readonly aim: Aim;
  readonly budget: number;
  readonly chosen: Candidate | undefined;
  /** The one that is held up on the page. */
  readonly held: Candidate | undefined;
  onHold(candidate: Candidate | undefined): void;
  onTake(candidate: Candidate): void;
}

/**
 * Bytes against likeness for every file that was tried. Pointing at one, or going to it with the
 * arrows, puts that very file on the page.
 */
export function WeightChart({ tried, aim, budget, chosen, held, onHold, onTake }: Props) {
  const [measure, room] = useMeasure();
  const list = useRef<SVGGElement>(null);
  const points = useMemo(
    () =>
      tried.toSorted(
        (a, b) =>
          lossOf(b.judgement) - lossOf(a.judgement) || a.judgement.bytes - b.judgement.bytes,
      ),
    [tried],
  );
  const [, worst = 2] = extent(points, (p) => lossOf(p.judgement));
  const [lightest = 1, heaviest = 1] = extent(points, (p) => p.judgement.bytes);
  const x = scaleLog(
    [Math.max(2, worst * 1.2), finest],
    [pad.left, Math.max(pad.left + 1, room.width - pad.right)],
  );
  // Lossless files are many times as heavy as others: only a scale of proportions shows both.
  const y = scaleLog(
    [lightest / 1.25, Math.max(heaviest, Math.min(budget, heaviest * 3)) * 1.25],
    [Math.max(pad.top + 1, room.height - pad.bottom), pad.top],
  );
  const base = room.height - pad.bottom;
  const focus = (at: number) =>
    (
      list.current?.children[Math.min(points.length - 1, Math.max(0, at))] as SVGElement | undefined
    )?.focus();
  const keys = (event: KeyboardEvent, at: number) => {
    const by = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }[event.key];
    if (event.key === 'Enter' || event.key === ' ') {
      onTake(points[at]);
    } else if (by !== undefined) {
      focus(at + by);
    } else {
      return;
    }
    event.preventDefault();
    event.stopPropagation();
  };
  const entry = Math.max(
    0,
    points.findIndex((p) => p === (held ?? chosen)),
  );
  return (
    <div ref={measure} className="relative min-h-0 grow overflow-hidden">
      {room.width > 0 && (
        <svg
          width={room.width}
          height={room.height}
          className="absolute inset-0"
          role="group"
          aria-label="Bytes against likeness of every file tried"
        >
          {y
            .ticks(4)
            .filter((t) => /^[125]/.test(t.toPrecision(1)))
            .map((t) => (
              <g key={t}>
                <path d={`M${pad.left} ${y(t)}H${room.width - pad.right}`} stroke="#d5d5d2" />
                <text
                  x={pad.left - 5}
                  y={y(t) + 4}
                  textAnchor="end"
                  className="figure text-[10.5px]"
                  fill="#5d6268"
                >
                  {kilobytes(t).replace('.0', '')}
                </text>
              </g>
            ))}
          {marks
            .filter((mark) => x((100 - mark) / 10) >= pad.left)
            .map((mark) => (
              <text
                key={mark}
                x={x((100 - mark) / 10)}
                y={base + 13}
                textAnchor="middle"
                className="figure text-[10.5px]"
                fill="#5d6268"
              >
                {mark}
              </text>
            ))}
          <text
            x={room.width - pad.right}
            y={base + 26}
            textAnchor="end"
            className="text-[11px]"
            fill="#5d6268"
          >
            not seen →
          </text>
          {cares.map((care) => {
            const own = aim.by === 'care' && aim.care === care;
            const at = x(careLimits[care].overall);
            return (
              <g key={care}>
                <path
                  d={`M${at} ${pad.top}V${base}`}
                  stroke={own ? '#0d6b62' : '#c4c4c1'}
                  strokeDasharray={own ? undefined : '2 3'}
                />
                <text
                  x={at + 3}
                  y={base + 26}
                  textAnchor="middle"
                  className="text-[11px]"
                  fill={own ? '#0d6b62' : '#5d6268'}
                >
                  {careTitle[care]}
                </text>
              </g>
            );
          })}
          {budget <= y.domain()[1] && (
            <g>
              <path
                d={`M${pad.left} ${y(budget)}H${room.width - pad.right}`}
                stroke="#9a5b00"
                strokeDasharray="5 3"
              />
              <text
                x={pad.left + 4}
                y={y(budget) + (y(budget) < pad.top + 16 ? 12 : -3)}
                className="text-[11px]"
                fill="#9a5b00"
              >
                budget {kilobytes(budget).replace('.0', '')}
              </text>
            </g>
          )}
          <g ref={list}>
            {points.map((p, i) => {
              const { judgement: j } = p;
              const keeps = keepsSeam(j);
              const cx = x(lossOf(j));
              const cy = y(j.bytes);
              const isChosen = p === chosen;
              return (
                <g
                  key={JSON.stringify(j.settings)}
                  role="button"
                  tabIndex={i === entry ? 0 : -1}
                  aria-pressed={isChosen}
                  aria-label={judgementWords(j)}
                  data-point={encodeSettingsWords(j.settings)}
                  data-keeps={keeps}
                  transform={`translate(${cx} ${cy})`}
                  className="cursor-pointer outline-none [&:focus-visible>.ring]:opacity-100"
                  onPointerEnter={() => onHold(p)}
                  onPointerLeave={() => onHold(undefined)}
                  onFocus={() => onHold(p)}
                  onBlur={() => onHold(undefined)}
                  onClick={() => onTake(p)}
                  onKeyDown={(e) => keys(e, i)}
                >
                  <circle r={10} fill="transparent" />
                  <circle
                    r={9}
                    fill="none"
                    stroke="#0d6b62"
                    strokeWidth={2}
                    className={`ring ${isChosen || p === held ? '' : 'opacity-0'}`}
                    strokeDasharray={isChosen ? undefined : '3 2'}
                  />
                  <path
                    d={symbol(shapes[j.settings.format], 44)() ?? undefined}
                    fill={keeps ? '#23262b' : '#fcfcfb'}
                    stroke={keeps ? '#23262b' : '#a8322a'}
                    strokeWidth={1.3}
                  />
                  {!keeps && <path d="M-6 -6L6 6M6 -6L-6 6" stroke="#a8322a" strokeWidth={1.3} />}
                </g>
              );
            })}
          </g>
          <g transform="translate(8 9)" aria-hidden>
            {imageFormats
              .filter((f) => tried.some((t) => t.judgement.settings.format === f))
              .map((f, i) => (
                <g key={f} transform={`translate(${i * 58} 0)`}>
                  <path d={symbol(shapes[f], 30)() ?? undefined} fill="#5d6268" />
                  <text x={8} y={4} className="text-[11px]" fill="#5d6268">
                    {formatOf(f).title}
                  </text>
                </g>
              ))}
          </g>
        </svg>
      )}
    </div>
  );
}
