'use client';

import { useEffect, useRef, useState, type PointerEvent } from 'react';
import { coverScale, fitScale, keepFilled, zoomAt } from '@/core/frame/placement';
import { kindOf } from '@/core/layers/registry';
import { photoSize } from '@/core/layers/photo';
import type { Rect } from '@/core/raster/raster';
import { backPhoto } from '@/core/readings/cover';
import { editLayer } from '@/core/site/edit';
import type { Layer, PhotoLayer } from '@/core/site/model';
import { isBlank } from '@/core/site/picture';
import { useBench, useLayerBounds } from './useBench';

/** How near, in px of the slot, a middle must come to the slot's middle to be drawn to it. */
const snapReach = 5;

/** Largest zoom of a photo, as a multiple of the one that just fills the slot. */
export const largestZoom = 6;

interface Drag {
  readonly layer: Layer;
  readonly startX: number;
  readonly startY: number;
  /** Middle of the layer's pixels when the drag began, if it can be aligned. */
  readonly middle: { x: number; y: number } | undefined;
  moved: boolean;
}

/** Everything done to the picture on the picture: selecting, dragging, zooming the photo with the wheel. */
export function Handles({ rect, clip, screenScale, marks }: { rect: Rect; clip: Rect; screenScale: number; marks: boolean }) {
  const bench = useBench(), { slot, picture, question, drawn, selected } = bench;
  const area = useRef<HTMLDivElement>(null), drag = useRef<Drag>(undefined);
  const [guides, setGuides] = useState<{ x?: number; y?: number }>({});
  const slotScale = rect.width / slot.width, scale = slotScale * screenScale;
  const photo = backPhoto(picture), framing = question === 2 && photo !== undefined;

  const toSlot = (event: { clientX: number; clientY: number }) => {
    const box = area.current!.getBoundingClientRect();
    return { x: (event.clientX - box.left) / scale, y: (event.clientY - box.top) / scale };
  };

  const layerAt = (x: number, y: number): Layer | undefined => [...picture.layers].reverse().find((layer) => {
    const b = drawn.getState().bounds[layer.id];
    return (layer.kind === 'text' || layer.kind === 'photo') && !layer.hidden && b && x >= b.x && x < b.x + b.width && y >= b.y && y < b.y + b.height;
  });

  const down = (event: PointerEvent<HTMLDivElement>) => {
    if (event.button !== 0) return;
    const { x, y } = toSlot(event), layer = framing ? photo : layerAt(x, y);
    if (!layer) { bench.select(undefined); return; }
    event.currentTarget.setPointerCapture(event.pointerId);
    event.currentTarget.focus({ preventScroll: true });
    bench.select(layer.id);
    const b = drawn.getState().bounds[layer.id];
    drag.current = { layer, startX: x, startY: y, middle: layer.kind === 'text' && b ? { x: b.x + b.width / 2, y: b.y + b.height / 2 } : undefined, moved: false };
  };

  /** What the drag so far makes of its layer. */
  const draggedTo = (event: PointerEvent): Partial<Layer> | undefined => {
    const { layer, startX, startY, middle } = drag.current!;
    const at = toSlot(event);
    let dx = at.x - startX, dy = at.y - startY;
    const found: { x?: number; y?: number } = {};
    if (middle && !event.altKey) {
      const awayX = slot.width / 2 - (middle.x + dx), awayY = slot.height / 2 - (middle.y + dy);
      if (Math.abs(awayX) <= snapReach) { dx += awayX; found.x = slot.width / 2; }
      if (Math.abs(awayY) <= snapReach) { dy += awayY; found.y = slot.height / 2; }
    }
    setGuides((shown) => (shown.x === found.x && shown.y === found.y ? shown : found));
    if (layer.kind === 'photo') {
      const moved = { ...layer, x: layer.x + dx, y: layer.y + dy };
      // A photo that fills the slot goes on filling it; one that was made smaller is free.
      const filling = framing && layer.scale >= coverScale(photoSize(layer), slot, layer.turn) * 0.9999;
      return filling ? keepFilled(moved, photoSize(layer), slot, layer.turn) : { x: Math.round(moved.x), y: Math.round(moved.y) };
    }
    return kindOf(layer).moved?.(layer, Math.round(dx), Math.round(dy));
  };

  const move = (event: PointerEvent) => {
    if (!drag.current) return;
    const change = draggedTo(event);
    drag.current.moved = true;
    if (change) bench.preview(editLayer(picture.id, drag.current.layer.id, change));
  };

  const up = (event: PointerEvent) => {
    if (!drag.current) return;
    const { layer, moved } = drag.current, change = draggedTo(event);
    drag.current = undefined;
    setGuides({});
    if (moved && change) bench.commit(`Move ${kindOf(layer).name(layer)}`, editLayer(picture.id, layer.id, change));
  };

  const abandon = () => {
    if (!drag.current) return;
    drag.current = undefined;
    setGuides({});
    bench.session.dropPreview();
  };

  const wheel = useRef<(event: WheelEvent) => void>(() => {});
  useEffect(() => {
    wheel.current = (event) => {
      if (!framing || !photo) return;
      event.preventDefault();
      const at = toSlot(event), size = photoSize(photo), least = coverScale(size, slot, photo.turn);
      bench.burst('Zoom photo', (site) => {
        const there = site.pictures[picture.id]?.layers.find((l): l is PhotoLayer => l.id === photo.id && l.kind === 'photo');
        if (!there) return;
        // The wheel stops where the photo just fills the slot, unless it is smaller already.
        const stop = there.scale >= least * 0.9999 ? least : Math.min(least, fitScale(size, slot, photo.turn));
        const next = Math.min(least * largestZoom, Math.max(stop, there.scale * 1.0015 ** -event.deltaY)), zoomed = zoomAt(there, next, at.x, at.y);
        Object.assign(there, next >= least ? keepFilled(zoomed, size, slot, photo.turn) : zoomed);
      });
    };
  });
  useEffect(() => {
    const element = area.current;
    const listen = (event: WheelEvent) => wheel.current(event);
    element?.addEventListener('wheel', listen, { passive: false });
    return () => element?.removeEventListener('wheel', listen);
  }, []);

  const selectedBounds = useLayerBounds(bench, selected?.id), frame = selected?.hidden ? undefined : selectedBounds;
  const line = 1 / scale;
  return (
    <div className="absolute overflow-hidden" style={{ left: clip.x, top: clip.y, width: clip.width, height: clip.height }}>
      <div
        ref={area} data-testid="picture-area" role="group" aria-label={`Picture in ${slot.name}: drag to move, arrows nudge`} tabIndex={-1}
        className="absolute outline-none" onPointerDown={down} onPointerMove={move} onPointerUp={up} onPointerCancel={abandon}
        onKeyDown={(e) => { if (e.key === 'Escape' && drag.current) { e.preventDefault(); abandon(); } }}
        onDoubleClick={() => { if (selected?.kind === 'text') { bench.ask(4); setTimeout(() => document.getElementById('words')?.focus(), 0); } }}
        style={{ left: rect.x - clip.x, top: rect.y - clip.y, width: rect.width, height: rect.height, cursor: framing ? 'grab' : 'default', touchAction: 'none' }}
      >
        {marks && isBlank(picture) && (
          <p className="pointer-events-none absolute inset-0 grid place-items-center border border-dashed border-white/80 text-white mix-blend-difference">Drop or paste a photo</p>
        )}
        {marks && (
          <svg className="pointer-events-none absolute inset-0 overflow-visible" width={rect.width} height={rect.height} viewBox={`0 0 ${slot.width} ${slot.height}`} fill="none">
            {framing && <path d={`M${slot.width / 2} 0V${slot.height}M0 ${slot.height / 2}H${slot.width}`} stroke="#fcfcfb" strokeOpacity={0.4} strokeWidth={line} strokeDasharray={`${2 * line} ${4 * line}`} />}
            {framing && [1, 2].map((i) => (
              <g key={i} stroke="#fcfcfb" strokeOpacity={0.55} strokeWidth={line}>
                <path d={`M${(slot.width * i) / 3} 0V${slot.height}M0 ${(slot.height * i) / 3}H${slot.width}`} />
              </g>
            ))}
            {frame && <><rect {...frame} stroke="#fcfcfb" strokeWidth={3 * line} /><rect {...frame} stroke="#0d6b62" strokeWidth={line} /></>}
            {guides.x !== undefined && <path d={`M${guides.x} 0V${slot.height}`} stroke="#0d6b62" strokeWidth={line} strokeDasharray={`${4 * line}`} />}
            {guides.y !== undefined && <path d={`M0 ${guides.y}H${slot.width}`} stroke="#0d6b62" strokeWidth={line} strokeDasharray={`${4 * line}`} />}
          </svg>
        )}
      </div>
    </div>
  );
}
