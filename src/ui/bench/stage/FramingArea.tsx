'use client';

import { useRef, type PointerEvent } from 'react';
import { coverScale, fitScale, keepFilled, zoomAt } from '@/core/frame/placement';
import { photoSize } from '@/core/layers/photo';
import { editLayer, editLayers } from '@/core/site/edit';
import type { PhotoLayer } from '@/core/site/model/photoLayer';
import { useEditing, useSelecting } from '../useBench';
import { AreaSvg } from './AreaSvg';
import { AreaBox, type Area } from './AreaBox';

/** Largest zoom of a photo, as a multiple of the one that just fills the slot. */
export const largestZoom = 6;

/** The part of the picture that the page shows, as a shape to clip lines over it by. */
function seenOf({ rect, clip }: Area): string {
  const top = clip.y - rect.y;
  const left = clip.x - rect.x;
  const right = rect.x + rect.width - clip.x - clip.width;
  const bottom = rect.y + rect.height - clip.y - clip.height;
  return `inset(${top}px ${right}px ${bottom}px ${left}px)`;
}

/** The photo of the slot is framed: dragged under the slot's edges, and zoomed with the wheel. */
export function FramingArea({
  area,
  photo,
  marks,
}: {
  area: Area;
  photo: PhotoLayer;
  marks: boolean;
}) {
  const { slot, picture, burst, commit, preview, session } = useEditing();
  const { select } = useSelecting();
  const drag = useRef<{ photo: PhotoLayer; x: number; y: number; moved: boolean }>(undefined);
  const size = photoSize(photo);
  const least = coverScale(size, slot, photo.turn);

  const draggedTo = (event: PointerEvent): Partial<PhotoLayer> => {
    const { photo: before, x, y } = drag.current!;
    const at = area.toSlot(event);
    const moved = { ...before, x: before.x + at.x - x, y: before.y + at.y - y };
    // A photo that fills the slot goes on filling it; one that was made smaller is free.
    return before.scale >= coverScale(photoSize(before), slot, before.turn) * 0.9999
      ? keepFilled(moved, photoSize(before), slot, before.turn)
      : { x: Math.round(moved.x), y: Math.round(moved.y) };
  };
  const down = (event: PointerEvent<HTMLDivElement>) => {
    if (event.button !== 0) {
      return;
    }
    event.currentTarget.setPointerCapture(event.pointerId);
    event.currentTarget.focus({ preventScroll: true });
    select(photo.id);
    if (!photo.locked) {
      drag.current = { photo, ...area.toSlot(event), moved: false };
    }
  };
  const move = (event: PointerEvent) => {
    if (!drag.current) {
      return;
    }
    drag.current.moved = true;
    preview(editLayer(picture.id, drag.current.photo.id, draggedTo(event)));
  };
  const up = (event: PointerEvent) => {
    if (!drag.current) {
      return;
    }
    const change = draggedTo(event);
    const { moved } = drag.current;
    drag.current = undefined;
    if (moved) {
      commit('Move the photo', editLayer(picture.id, photo.id, change));
    }
  };
  const abandon = () => {
    if (!drag.current) {
      return;
    }
    drag.current = undefined;
    session.dropPreview();
  };

  const zoom = (event: WheelEvent) => {
    if (photo.locked) {
      return;
    }
    event.preventDefault();
    const at = area.toSlot(event);
    burst(
      'Zoom photo',
      editLayers(picture.id, [photo.id], (layer) => {
        if (layer.kind !== 'photo') {
          return undefined;
        }
        // The wheel stops where the photo just fills the slot, unless it is smaller already.
        const stop =
          layer.scale >= least * 0.9999 ? least : Math.min(least, fitScale(size, slot, photo.turn));
        const next = Math.min(
          least * largestZoom,
          Math.max(stop, layer.scale * 1.0015 ** -event.deltaY),
        );
        const zoomed = zoomAt(layer, next, at.x, at.y);
        const { x, y, scale } = next >= least ? keepFilled(zoomed, size, slot, photo.turn) : zoomed;
        return { x, y, scale };
      }),
    );
  };

  const line = 1 / area.scale;
  return (
    <AreaBox
      area={area}
      cursor={photo.locked ? 'default' : 'grab'}
      onPointerDown={down}
      onPointerMove={move}
      onPointerUp={up}
      onPointerCancel={abandon}
      onEscape={() => {
        const held = drag.current !== undefined;
        abandon();
        return held;
      }}
      onWheel={zoom}
    >
      {marks && (
        <AreaSvg area={area} style={{ clipPath: seenOf(area) }}>
          <path
            d={`M${slot.width / 2} 0V${slot.height}M0 ${slot.height / 2}H${slot.width}`}
            stroke="#fcfcfb"
            strokeOpacity={0.4}
            strokeWidth={line}
            strokeDasharray={`${2 * line} ${4 * line}`}
          />
          {[1, 2].map((i) => (
            <path
              key={i}
              stroke="#fcfcfb"
              strokeOpacity={0.55}
              strokeWidth={line}
              d={`M${(slot.width * i) / 3} 0V${slot.height}M0 ${(slot.height * i) / 3}H${slot.width}`}
            />
          ))}
        </AreaSvg>
      )}
    </AreaBox>
  );
}
