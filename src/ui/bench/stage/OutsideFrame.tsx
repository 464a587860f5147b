'use client';

import { photoSize } from '@/core/layers/photo';
import type { Rect } from '@/core/raster/raster';
import { backPhoto } from '@/core/readings/cover';
import { useSmallPicture } from '../../hooks/useSmallPicture';
import { useEditing } from '../useBench';

/**
 * The part of the photo that the slot does not show, dimmed around it, so that it can be seen what
 * is left out.
 */
export function OutsideFrame({ rect }: { rect: Rect }) {
  const { picture } = useEditing();
  const photo = backPhoto(picture);
  return photo && !photo.crop ? <Outside key={photo.assetId} rect={rect} /> : null;
}

function Outside({ rect }: { rect: Rect }) {
  const { picture, slot } = useEditing();
  const photo = backPhoto(picture)!;
  const url = useSmallPicture(photo.assetId, 'screen');
  const k = rect.width / slot.width;
  const size = photoSize(photo);
  const width = size.width * photo.scale * k;
  const height = size.height * photo.scale * k;
  if (!url) {
    return null;
  }
  const far = 6000;
  const hole = `M${-far} ${-far}h${far * 2}v${far * 2}h${-far * 2}zM${rect.x} ${rect.y}v${rect.height}h${rect.width}v${-rect.height}z`;
  return (
    <div
      aria-hidden
      className="pointer-events-none absolute top-0 left-0 h-px w-px"
      style={{ clipPath: `path(evenodd, "${hole}")` }}
    >
      {/* Made small here, in memory. */}
      {/* eslint-disable-next-line @next/next/no-img-element */}
      <img
        src={url}
        alt=""
        className="absolute max-w-none opacity-30"
        style={{
          left: rect.x + photo.x * k,
          top: rect.y + photo.y * k,
          width,
          height,
          transform: `rotate(${photo.turn}deg) scale(${photo.flipX ? -1 : 1}, ${photo.flipY ? -1 : 1})`,
        }}
      />
    </div>
  );
}
