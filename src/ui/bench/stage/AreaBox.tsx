'use client';

import { useEffect, useRef, type ComponentProps, type ReactNode, type RefObject } from 'react';
import type { Place } from '@/core/arrange/box';
import type { Rect } from '@/core/raster/raster';
import { isBlank } from '@/core/site/picture';
import { useEditing } from '../useBench';

/** Where the picture lies on the page, and how to get from the pointer to it. */
export interface Area {
  readonly rect: Rect;
  readonly clip: Rect;
  readonly element: RefObject<HTMLDivElement | null>;
  /** Screen px for each px of the slot. */
  readonly scale: number;
  toSlot(event: { readonly clientX: number; readonly clientY: number }): Place;
}

type Events = Pick<
  ComponentProps<'div'>,
  | 'onPointerDown'
  | 'onPointerMove'
  | 'onPointerUp'
  | 'onPointerCancel'
  | 'onDoubleClick'
  | 'onPointerLeave'
>;

/**
 * The picture's own area on the page, which takes the pointer. What is drawn over it may go beyond
 * it.
 */
export function AreaBox({
  area,
  cursor,
  marks = true,
  onEscape,
  onWheel,
  children,
  ...events
}: {
  area: Area;
  cursor: string;
  marks?: boolean;
  onEscape?: () => boolean;
  onWheel?: (event: WheelEvent) => void;
  children?: ReactNode;
} & Events) {
  const { slot, picture } = useEditing();
  const { rect, clip, element } = area;
  const escape = useRef(onEscape);
  const wheel = useRef(onWheel);
  useEffect(() => {
    escape.current = onEscape;
    wheel.current = onWheel;
  });
  useEffect(() => {
    // Not by React, whose listeners may not keep the page from scrolling.
    const there = element.current;
    const listen = (event: WheelEvent) => wheel.current?.(event);
    there?.addEventListener('wheel', listen, { passive: false });
    return () => there?.removeEventListener('wheel', listen);
  }, [element]);
  useEffect(() => {
    // While a button is held the keyboard may be anywhere: Escape gives the gesture up wherever it
    // is.
    const key = (event: KeyboardEvent) => {
      if (event.key === 'Escape' && escape.current?.()) {
        event.preventDefault();
        event.stopPropagation();
      }
    };
    window.addEventListener('keydown', key, true);
    return () => window.removeEventListener('keydown', key, true);
  }, []);
  return (
    <>
      <div
        className="absolute overflow-hidden"
        style={{ left: clip.x, top: clip.y, width: clip.width, height: clip.height }}
      >
        <div
          ref={element}
          data-testid="picture-area"
          role="group"
          aria-label={`Picture in ${slot.name}: drag to move, arrows nudge`}
          tabIndex={-1}
          className="absolute outline-none"
          style={{
            left: rect.x - clip.x,
            top: rect.y - clip.y,
            width: rect.width,
            height: rect.height,
            cursor,
            touchAction: 'none',
          }}
          {...events}
        >
          {marks && isBlank(picture) && (
            <p className="pointer-events-none absolute inset-0 grid place-items-center border border-dashed border-soft">
              <span className="rounded-sm border border-line bg-white px-2 py-0.5">
                Drop or paste a photo
              </span>
            </p>
          )}
        </div>
      </div>
      <div
        className="pointer-events-none absolute"
        style={{ left: rect.x, top: rect.y, width: rect.width, height: rect.height }}
      >
        {children}
      </div>
    </>
  );
}
