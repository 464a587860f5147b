'use client';

import type { PageRect } from '@/core/ownPage/survey';

interface Props {
  name: string;
  /** In the list, with the file's size; a part without a picture has none. */
  number?: number;
  size?: { readonly width: number; readonly height: number };
  /** On the page, px; undefined where it is not shown at this width. */
  rect: PageRect | undefined;
  scale: number;
  /** It lies under others at its upper left corner: its number stands in the other one. */
  under?: boolean;
  pointed: boolean;
  taken: boolean;
}

/** A place on the page: outlined where it becomes a slot, or is pointed at in the list. */
export function PlaceOutline(props: Props) {
  const { name, number, size, rect, scale, under = false, pointed, taken } = props;
  if (!rect || !(taken || pointed)) {
    return null;
  }
  return (
    <div
      aria-hidden
      data-place={name}
      className={`pointer-events-none absolute outline-act ${taken ? 'outline-2' : 'outline-1 outline-dashed'} ${pointed ? 'bg-act/15' : ''}`}
      style={{
        left: rect.x * scale,
        top: rect.y * scale,
        width: rect.width * scale,
        height: rect.height * scale,
      }}
    >
      {number !== undefined && (
        <span
          className={`absolute top-0 flex items-center gap-1 bg-white/95 px-1 figure text-[11px] font-semibold whitespace-nowrap text-act ${under ? 'right-0' : 'left-0'}`}
        >
          {number}
          {size && (pointed || rect.width * scale > 130) && (
            <span>
              {size.width} × {size.height}
            </span>
          )}
        </span>
      )}
    </div>
  );
}
