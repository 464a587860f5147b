'use client';

import { useRef, type PointerEvent } from 'react';
import { boxOfBounds } from '@/core/arrange/box';
import { handles, resizedBox, resizeTo, type Handle } from '@/core/arrange/gesture';
import { recropped, usedSize } from '@/core/layers/photo';
import { editLayers } from '@/core/site/edit';
import type { Crop, PhotoLayer } from '@/core/site/model/photoLayer';
import { useSmallPicture } from '../../../hooks/useSmallPicture';
import { Button } from '../../../shared/Button';
import { CommitField } from '../../../shared/CommitField';
import { Row } from '../../../shared/Row';
import { useEditing } from '../../useBench';

/** Room for the whole photo, px. */
const room = { width: 250, height: 150 };

/**
 * Part of the photo that is used: dragged on a small picture of it, or typed in px of the photo.
 */
export function CropFacet({ layer: photo }: { layer: PhotoLayer }) {
  const { picture, commit, preview } = useEditing();
  const url = useSmallPicture(photo.assetId, 'screen');
  const { sourceWidth, sourceHeight } = photo;
  const k = Math.min(room.width / sourceWidth, room.height / sourceHeight);
  const now = photo.crop ?? { x: 0, y: 0, width: sourceWidth, height: sourceHeight };
  const drag = useRef<{
    grip: Handle | 'move';
    from: { x: number; y: number };
    crop: Crop;
    next: Crop;
  }>(undefined);
  /** Whole px inside the photo, at least one. */
  const tidy = ({
    left,
    top,
    right,
    bottom,
  }: {
    left: number;
    top: number;
    right: number;
    bottom: number;
  }): Crop => {
    const x = Math.min(sourceWidth - 1, Math.max(0, Math.round(left)));
    const y = Math.min(sourceHeight - 1, Math.max(0, Math.round(top)));
    return {
      x,
      y,
      width: Math.max(1, Math.min(sourceWidth, Math.round(right)) - x),
      height: Math.max(1, Math.min(sourceHeight, Math.round(bottom)) - y),
    };
  };
  const whole = (c: Crop) => c.width === sourceWidth && c.height === sourceHeight;
  const edit = (c: Crop | null) =>
    editLayers(picture.id, [photo.id], (l) =>
      l.kind === 'photo' ? recropped(l, c && !whole(c) ? c : null) : undefined,
    );
  const at = (event: PointerEvent) => {
    const box = svg.current!.getBoundingClientRect();
    return { x: (event.clientX - box.left) / k, y: (event.clientY - box.top) / k };
  };
  const svg = useRef<SVGSVGElement>(null);
  const begin = (event: PointerEvent, grip: Handle | 'move') => {
    event.stopPropagation();
    svg.current!.setPointerCapture(event.pointerId);
    drag.current = { grip, from: at(event), crop: now, next: now };
  };
  const move = (event: PointerEvent) => {
    const held = drag.current;
    if (!held) {
      return;
    }
    const to = at(event);
    const { crop } = held;
    if (held.grip === 'move') {
      const x = Math.min(sourceWidth - crop.width, Math.max(0, crop.x + to.x - held.from.x));
      const y = Math.min(sourceHeight - crop.height, Math.max(0, crop.y + to.y - held.from.y));
      held.next = tidy({ left: x, top: y, right: x + crop.width, bottom: y + crop.height });
    } else {
      const box = boxOfBounds({
        left: crop.x,
        top: crop.y,
        right: crop.x + crop.width,
        bottom: crop.y + crop.height,
      });
      const { x, y, width, height } = resizedBox(
        box,
        resizeTo(
          box,
          held.grip,
          {
            x: Math.min(sourceWidth, Math.max(0, to.x)),
            y: Math.min(sourceHeight, Math.max(0, to.y)),
          },
          false,
        ),
      );
      held.next = tidy({
        left: x - width / 2,
        top: y - height / 2,
        right: x + width / 2,
        bottom: y + height / 2,
      });
    }
    preview(edit(held.next));
  };
  const up = () => {
    const held = drag.current;
    drag.current = undefined;
    if (held && held.next !== held.crop) {
      commit(`Crop to ${held.next.width} × ${held.next.height}`, edit(held.next));
    }
  };
  const figure =
    (
      label: string,
      apply: (v: number) => { left: number; top: number; right: number; bottom: number },
      most: number,
      least = 0,
    ) =>
    (typed: string) => {
      const v = Number(typed);
      if (typed.trim() === '' || !Number.isInteger(v) || v < least || v > most) {
        return `Expected ${label} of ${least} to ${most}, found “${typed}”.`;
      }
      const c = tidy(apply(v));
      commit(`Crop to ${c.width} × ${c.height}`, edit(c));
    };
  const { x, y, width, height } = now;
  const used = usedSize(photo);
  return (
    <div className="flex gap-4">
      <div
        className="relative shrink-0 border border-line"
        style={{ width: sourceWidth * k, height: sourceHeight * k }}
      >
        {/* The owner's own picture, in memory. */}
        {/* eslint-disable-next-line @next/next/no-img-element */}
        {url && <img src={url} alt="" draggable={false} className="h-full w-full" />}
        <svg
          ref={svg}
          aria-hidden
          className="absolute inset-0 touch-none overflow-visible"
          width={sourceWidth * k}
          height={sourceHeight * k}
          viewBox={`0 0 ${sourceWidth} ${sourceHeight}`}
          fill="none"
          onPointerMove={move}
          onPointerUp={up}
          data-testid="crop"
        >
          <path
            fillRule="evenodd"
            d={`M0 0H${sourceWidth}V${sourceHeight}H0ZM${x} ${y}V${y + height}H${x + width}V${y}Z`}
            fill="#23262b"
            fillOpacity={0.6}
          />
          <rect
            {...now}
            stroke="#fcfcfb"
            strokeWidth={2 / k}
            fill="#fff"
            fillOpacity={0}
            pointerEvents="all"
            className="cursor-move"
            onPointerDown={(e) => begin(e, 'move')}
          />
          {handles.map((h) => (
            <rect
              key={`${h.u} ${h.v}`}
              x={x + h.u * width - 4 / k}
              y={y + h.v * height - 4 / k}
              width={8 / k}
              height={8 / k}
              fill="#fcfcfb"
              stroke="#0d6b62"
              strokeWidth={1 / k}
              className="cursor-pointer"
              onPointerDown={(e) => begin(e, h)}
            />
          ))}
        </svg>
      </div>
      <div className="flex min-w-0 flex-col gap-1.5">
        <Row label="From" tight>
          <CommitField
            label="Crop from the left"
            suffix="x"
            className="w-[80px]"
            value={String(x)}
            onCommit={figure(
              'a left side',
              (v) => ({ left: v, top: y, right: v + width, bottom: y + height }),
              sourceWidth - 1,
            )}
          />
          <CommitField
            label="Crop from the top"
            suffix="y"
            className="w-[80px]"
            value={String(y)}
            onCommit={figure(
              'a top',
              (v) => ({ left: x, top: v, right: x + width, bottom: v + height }),
              sourceHeight - 1,
            )}
          />
        </Row>
        <Row label="Size" tight>
          <CommitField
            label="Cropped width"
            suffix="w"
            className="w-[80px]"
            value={String(width)}
            onCommit={figure(
              'a width',
              (v) => ({ left: x, top: y, right: x + v, bottom: y + height }),
              sourceWidth,
              1,
            )}
          />
          <CommitField
            label="Cropped height"
            suffix="h"
            className="w-[80px]"
            value={String(height)}
            onCommit={figure(
              'a height',
              (v) => ({ left: x, top: y, right: x + width, bottom: y + v }),
              sourceHeight,
              1,
            )}
          />
        </Row>
        <Button
          className="self-start"
          disabled={!photo.crop}
          onClick={() => commit('The whole photo', edit(null))}
        >
          Whole photo
        </Button>
        <p className="text-soft">
          {used.width} × {used.height} of {sourceWidth} × {sourceHeight} px are used. What stays
          keeps its place.
        </p>
      </div>
    </div>
  );
}
