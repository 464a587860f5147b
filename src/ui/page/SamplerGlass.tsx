'use client';

import { useEffect, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { useStore } from 'zustand';
import { hexOf, isGrey } from '@/core/colour/hex';
import { sampleAt, sampleSizes } from '@/core/colour/sample';
import type { Raster } from '@/core/raster/raster';
import { useLatestTask } from '../hooks/useLatestTask';
import { Button } from '../shared/Button';
import { Switch } from '../shared/Switch';
import { endSampling, sampling } from '../shared/sampling';

/** Px seen in the magnifier along each side, and the size of one on the screen. */
const seen = 11;
const enlarged = 11;

export interface SamplerProps {
  /** The page, or the part of it that is sampled, in its own px. */
  size: { readonly width: number; readonly height: number };
  /** Screen px per page px, and where its corner lies in the element this stands in. */
  scale: number;
  left: number;
  top: number;
  /** It is painted once, as it is when the colour is asked for, and anew when this is another. */
  of: object;
  /** Its pixels. */
  paint(): Promise<Raster>;
}

/** Follows the pointer with the px around it, and takes the colour of the one that is clicked. */
export function SamplerGlass({
  size: layout,
  scale,
  left,
  top,
  of,
  paint,
  onPick,
}: SamplerProps & { onPick(hex: string): void }) {
  const size = useStore(sampling, (s) => s.size);
  const [at, setAt] = useState({
    x: Math.round(layout.width / 2),
    y: Math.round(Math.min(layout.height, 300) / 2),
  });
  const area = useRef<HTMLDivElement>(null);
  const glass = useRef<HTMLCanvasElement>(null);

  const { value: page } = useLatestTask<Raster | undefined>(of, undefined, async ({ update }) => {
    const painted = await paint();
    update(() => painted);
  });
  useEffect(() => {
    area.current?.focus({ preventScroll: true });
  }, [of]);

  const colour = page && sampleAt(page, at.x, at.y, size);
  useEffect(() => {
    const context = glass.current?.getContext('2d');
    if (!context || !page) {
      return;
    }
    const radius = (seen - 1) / 2;
    for (let j = -radius; j <= radius; j++) {
      for (let i = -radius; i <= radius; i++) {
        const c = sampleAt(page, at.x + i, at.y + j, 1);
        context.fillStyle = c ? hexOf(c) : '#dcdcda';
        context.fillRect((i + radius) * enlarged, (j + radius) * enlarged, enlarged, enlarged);
      }
    }
    const side = size * enlarged;
    const corner = (radius - (size - 1) / 2) * enlarged;
    context.strokeStyle = '#fcfcfb';
    context.lineWidth = 3;
    context.strokeRect(corner, corner, side, side);
    context.strokeStyle = '#0d6b62';
    context.lineWidth = 1;
    context.strokeRect(corner, corner, side, side);
  }, [page, at, size]);

  const take = (x: number, y: number) => {
    // A page that is still being painted has no colours to give yet.
    if (!page) {
      return;
    }
    const taken = sampleAt(page, x, y, size);
    if (taken) {
      onPick(hexOf(taken));
    }
    endSampling();
  };
  const placeOf = (event: { clientX: number; clientY: number }) => {
    const box = area.current!.getBoundingClientRect();
    return {
      x: Math.floor((event.clientX - box.left) / scale),
      y: Math.floor((event.clientY - box.top) / scale),
    };
  };
  const move = (event: PointerEvent) => setAt(placeOf(event));
  const keys = (event: KeyboardEvent) => {
    const by = event.shiftKey ? 10 : 1;
    const [dx, dy] = {
      ArrowLeft: [-by, 0],
      ArrowRight: [by, 0],
      ArrowUp: [0, -by],
      ArrowDown: [0, by],
    }[event.key] ?? [0, 0];
    const number = sampleSizes.find((s) => String(s) === event.key);
    if (number) {
      sampling.setState({ size: number });
    } else if (event.key === 'Enter') {
      take(at.x, at.y);
    } else if (event.key === 'Escape') {
      endSampling();
    } else if (dx || dy) {
      setAt({
        x: Math.min(layout.width - 1, Math.max(0, at.x + dx)),
        y: Math.min(layout.height - 1, Math.max(0, at.y + dy)),
      });
    } else {
      return;
    }
    event.preventDefault();
    event.stopPropagation();
  };
  const glassSize = seen * enlarged;
  const glassX = at.x * scale + 18;
  const glassY = at.y * scale + 18;
  const flipX = glassX + glassSize + 8 > layout.width * scale;
  const flipY = glassY + glassSize + 40 > layout.height * scale && at.y * scale > glassSize + 60;
  return (
    <div
      ref={area}
      tabIndex={0}
      role="application"
      aria-label={`Take a colour from the page: ${colour ? hexOf(colour) : 'nothing'} at ${at.x}, ${at.y}. Arrows move, Enter takes, 1, 3 and 5 set the size, Escape ends.`}
      data-testid="sampler"
      data-painted={page !== undefined}
      className="absolute z-20 cursor-crosshair outline-none"
      style={{ left, top, width: layout.width * scale, height: layout.height * scale }}
      onPointerMove={move}
      onPointerDown={(e) => {
        e.preventDefault();
        e.stopPropagation();
      }}
      onClick={(e) => {
        const { x, y } = placeOf(e);
        take(x, y);
      }}
      onKeyDown={keys}
    >
      <div
        className="pointer-events-none absolute border border-ink bg-white"
        style={{
          left: flipX ? at.x * scale - 18 - glassSize : glassX,
          top: flipY ? at.y * scale - 18 - glassSize - 44 : glassY,
        }}
      >
        <canvas ref={glass} width={glassSize} height={glassSize} className="block" />
        <p className="px-1.5 py-0.5 figure">
          {colour ? (
            <>
              <span
                className="mr-1.5 inline-block h-3 w-3 border border-black/20 align-[-1px]"
                style={{ background: hexOf(colour) }}
              />
              {hexOf(colour)}
              <br />
              {colour.r} {colour.g} {colour.b}
              {isGrey(colour) ? ', grey' : ''}
            </>
          ) : (
            'nothing here'
          )}
        </p>
      </div>
      <div
        className="fixed bottom-[248px] left-1/2 flex -translate-x-1/2 cursor-default items-center gap-3 rounded-sm border border-line bg-white px-3 py-1.5"
        onPointerMove={(e) => e.stopPropagation()}
        onClick={(e) => e.stopPropagation()}
      >
        <span>Mean of</span>
        <Switch
          label="Size of the sample"
          value={String(size)}
          choices={sampleSizes.map((s) => ({
            value: String(s),
            label: <span className="figure">{s} px</span>,
          }))}
          onChange={(s) => sampling.setState({ size: Number(s) as (typeof sampleSizes)[number] })}
        />
        <span className="text-soft">click takes the colour</span>
        <Button onClick={endSampling}>Leave</Button>
      </div>
    </div>
  );
}
