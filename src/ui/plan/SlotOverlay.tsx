'use client';

import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import { firstCopy } from '@/core/measure/background';
import type { PageLayout, LaidSlot } from '@/core/measure/layoutPage';
import { longestSide } from '@/core/measure/pixels';
import type { Rect } from '@/core/raster/raster';
import type { Edit } from '@/core/site/edit';
import type { Page } from '@/core/site/model/page';
import type { Slot } from '@/core/site/model/slot';
import { snappedToContent } from '@/core/arrange/snapToContent';
import { isContent, slotKind } from '@/core/slots/registry';
import { isBlank, pictureOf } from '@/core/site/picture';
import { hangDivider, moveSlot, resizeSlot, turnSidebar } from '@/core/site/slots';
import type { Session } from '../hooks/useSession';
import { type Grip, gripName, cursors, gripsOf } from './grips';
import { SlotLink } from './SlotLink';

/**
 * What is resized, px of the page: content and bands as they lie, backgrounds by their first copy.
 */
const sizedRect = (laid: LaidSlot): Rect =>
  slotKind(laid.slot.kind).fillsBox ? laid.rect : firstCopy(laid);

/** A background is taken hold of only beside the content, where it shows. */
function heldRect({ slot, rect }: LaidSlot, layout: PageLayout): Rect {
  return slot.kind === 'background' ? { ...rect, width: layout.content.x } : rect;
}

/**
 * How near, in px of the screen, an edge or middle must come to the content's to be drawn to it.
 */
const snapDistance = 6;

export interface Grasp {
  readonly slotId: string;
  /** A line of the content the slot was drawn to, px of the page. */
  readonly guide?: number;
}

interface Props {
  session: Session;
  page: Page;
  layout: PageLayout;
  laid: LaidSlot;
  number: number;
  href: string;
  /** Screen px per page px, and where the page's corner lies on the board. */
  scale: number;
  left: number;
  top: number;
  selected: boolean;
  onSelect(slotId: string): void;
  onGrasp(grasp: Grasp | undefined): void;
  onFiles(slot: Slot, files: readonly File[]): void;
}

/**
 * A slot on the drawing: its number opens the bench, dragging moves it, its grips resize it, and
 * pictures can be dropped on it.
 */
export function SlotOverlay({
  session,
  page,
  layout,
  laid,
  number,
  href,
  scale,
  left,
  top,
  selected,
  onSelect,
  onGrasp,
  onFiles,
}: Props) {
  const { slot } = laid;
  const drag = useRef<{ x: number; y: number; laid: LaidSlot; grip?: Grip; moved: boolean }>(
    undefined,
  );
  const held = heldRect(laid, layout);
  const sized = sizedRect(laid);
  const grips = gripsOf(laid);
  const place = (r: Rect) => ({
    x: left + r.x * scale,
    y: top + r.y * scale,
    width: r.width * scale,
    height: r.height * scale,
  });
  const name = slot.name;

  /** What moving by so many px of the page makes of the slot. */
  const moved = (
    from: LaidSlot,
    dx: number,
    dy: number,
    pointerX?: number,
    pointerY?: number,
  ): { edit: Edit; label: string } => {
    const whole = { x: Math.round(dx / from.scale), y: Math.round(dy / from.scale) };
    if (slot.kind === 'sidebar') {
      const middle = layout.content.x + layout.content.width / 2;
      const at = pointerX ?? from.rect.x + from.rect.width / 2 + dx;
      const side = at < middle ? 'left' : 'right';
      return { edit: turnSidebar(page.id, slot.id, side), label: `${name} to the ${side}` };
    }
    if (slot.kind === 'divider') {
      const tops = layout.boxes.flatMap((p) =>
        p.type === 'area' && p.role === 'section' ? [p.rect.y] : [],
      );
      const at = pointerY ?? from.rect.y + from.rect.height + dy;
      const nearest = tops.reduce(
        (best, y, i) => (Math.abs(y - at) < Math.abs(tops[best] - at) ? i : best),
        0,
      );
      return {
        edit: hangDivider(page.id, slot.id, nearest),
        label: `${name} above section ${nearest + 1}`,
      };
    }
    const copy = firstCopy(from);
    return {
      edit: moveSlot(slot.id, whole, {
        x: copy.x - from.positioning.x,
        y: copy.y - from.positioning.y,
      }),
      label: `Move ${name}`,
    };
  };

  const resized = (
    from: LaidSlot,
    grip: Grip,
    dx: number,
    dy: number,
  ): { edit: Edit; label: string } => {
    const clamp = (px: number) => Math.min(longestSide, Math.max(1, Math.round(px)));
    const size = {
      ...(grip.x && { width: clamp(from.slot.width + dx / from.scale) }),
      ...(grip.y && { height: clamp(from.slot.height + dy / from.scale) }),
    };
    return { edit: resizeSlot(slot.id, size), label: `Size of ${name}` };
  };

  const down = (grip?: Grip) => (event: PointerEvent<HTMLElement>) => {
    if (event.button !== 0) {
      return;
    }
    onSelect(slot.id);
    if (grip) {
      event.preventDefault();
    }
    event.currentTarget.setPointerCapture(event.pointerId);
    drag.current = { x: event.clientX, y: event.clientY, laid, grip, moved: false };
  };

  const result = (event: PointerEvent): { edit: Edit; label: string; guide?: number } => {
    const { x, y, laid: from, grip } = drag.current!;
    const dx = (event.clientX - x) / scale;
    const dy = (event.clientY - y) / scale;
    if (grip) {
      return resized(from, grip, dx, dy);
    }
    const snap =
      isContent(slot.kind) && !event.altKey
        ? snappedToContent(from.rect, layout.content, dx, snapDistance / scale)
        : { dx };
    const box = (event.currentTarget as HTMLElement)
      .closest('[data-board]')!
      .getBoundingClientRect();
    return {
      ...moved(
        from,
        snap.dx,
        dy,
        (event.clientX - box.left - left) / scale,
        (event.clientY - box.top - top) / scale,
      ),
      guide: 'guide' in snap ? snap.guide : undefined,
    };
  };

  const move = (event: PointerEvent<HTMLElement>) => {
    const held = drag.current;
    if (!held) {
      return;
    }
    if (!held.moved && Math.hypot(event.clientX - held.x, event.clientY - held.y) < 4) {
      return;
    }
    held.moved = true;
    const { edit, guide } = result(event);
    session.preview(edit);
    onGrasp({ slotId: slot.id, guide });
  };

  const up = (event: PointerEvent<HTMLElement>) => {
    const held = drag.current;
    if (!held) {
      return;
    }
    if (held.moved) {
      const { edit, label } = result(event);
      session.commit(label, edit);
    }
    onGrasp(undefined);
    // The click that follows the drag must not open the bench; it comes before this is put away.
    setTimeout(() => {
      drag.current = undefined;
    }, 0);
  };

  const abandon = () => {
    if (!drag.current) {
      return;
    }
    drag.current = undefined;
    session.dropPreview();
    onGrasp(undefined);
  };

  const keys = (event: KeyboardEvent) => {
    if (event.key === 'Escape' && drag.current) {
      event.preventDefault();
      abandon();
      return;
    }
    const [x, y] = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[
      event.key
    ] ?? [0, 0];
    if (!x && !y) {
      return;
    }
    event.preventDefault();
    event.stopPropagation();
    const by = event.shiftKey ? 10 : 1;
    if (event.altKey) {
      const grip = grips.find((g) => (x ? g.x && !g.y : g.y && !g.x));
      if (grip) {
        const { edit, label } = resized(laid, grip, x * by * laid.scale, y * by * laid.scale);
        session.commit(label, edit);
      }
      return;
    }
    const far = slot.kind === 'sidebar' || slot.kind === 'divider' ? 4000 : by * laid.scale;
    const { edit, label } = moved(laid, x * far, y * far);
    session.commit(label, edit);
  };

  if (held.width < 2 && grips.length === 0) {
    return null;
  }
  const blank = isBlank(pictureOf(session.state.getState().site, slot));
  const atRest = blank
    ? 'border-dashed border-white/70 hover:border-act'
    : 'border-transparent hover:border-act';
  const look = selected ? 'border-act' : atRest;
  return (
    <>
      {held.width >= 2 && (
        <SlotLink
          slot={slot}
          number={number}
          href={href}
          rect={place(held)}
          look={look}
          onFiles={onFiles}
          onFocus={() => onSelect(slot.id)}
          onKeyDown={keys}
          onPointerDown={down()}
          onPointerMove={move}
          onPointerUp={up}
          onPointerCancel={abandon}
          onClick={(e) => {
            if (drag.current?.moved) {
              e.preventDefault();
            }
          }}
        />
      )}
      {selected &&
        grips.map((grip) => {
          const key = `${grip.x}${grip.y}` as keyof typeof cursors;
          const at = place(sized);
          return (
            <span
              key={key}
              data-grip={gripName(grip)}
              title={`Drag to change the ${gripName(grip)}`}
              className="absolute z-10 h-2.5 w-2.5 -translate-1/2 border border-act bg-white"
              style={{
                cursor: cursors[key],
                touchAction: 'none',
                left: at.x + at.width * (grip.x ? 1 : 0.5),
                top: at.y + at.height * (grip.y ? 1 : 0.5),
              }}
              onPointerDown={down(grip)}
              onPointerMove={move}
              onPointerUp={up}
              onPointerCancel={abandon}
            />
          );
        })}
    </>
  );
}
