'use client';

import { Sun } from 'lucide-react';
import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import { hasLit } from '@/core/effects/light';
import { editPicture } from '@/core/site/edit';
import { Hint } from '../../shared/Button';
import { useEditing } from '../useBench';
import type { Area } from './AreaBox';

/** Px of the screen that the sun stands off the picture's border. */
const off = 15;

const keys: Readonly<Record<string, number>> = {
  ArrowLeft: -1,
  ArrowDown: -1,
  ArrowRight: 1,
  ArrowUp: 1,
};

const corners = [
  'above',
  'the upper right',
  'the right',
  'the lower right',
  'below',
  'the lower left',
  'the left',
  'the upper left',
];

/** Where a light comes from, in words. */
const fromWords = (light: number): string => corners[Math.round(light / 45) % 8];

/**
 * The light of the whole picture: a sun at its border that is dragged around it. A corner of the
 * picture is a corner of the light, whatever its shape.
 */
export function SunHandle({ area }: { area: Area }) {
  const { slot, picture, commit, preview, session } = useEditing();
  const held = useRef(false);
  if (!hasLit(picture.layers)) {
    return null;
  }
  const { light } = picture;
  const [width, height] = [area.rect.width, area.rect.height];
  const t = (light * Math.PI) / 180;
  const [dx, dy] = [Math.sin(t), -Math.cos(t)];
  // On the square that the picture would be, out to its side.
  const out = 1 / Math.max(Math.abs(dx), Math.abs(dy));
  const x =
    (width / 2) * (1 + dx * out) + Math.sign(Math.round(dx * out * 100) / 100) * off * Math.abs(dx);
  const y =
    (height / 2) * (1 + dy * out) +
    Math.sign(Math.round(dy * out * 100) / 100) * off * Math.abs(dy);
  const edit = (next: number) =>
    editPicture(picture.id, (p) => {
      p.light = next;
    });
  const lightAt = (event: PointerEvent): number => {
    const at = area.toSlot(event);
    const u = at.x / slot.width - 0.5;
    const v = at.y / slot.height - 0.5;
    const degrees = (Math.atan2(u, -v) * 180) / Math.PI;
    return Math.round((degrees + 360) % 360) % 360;
  };
  const put = (next: number) => commit(`Light from ${fromWords(next)}`, edit(next));
  const key = (event: KeyboardEvent) => {
    const by = keys[event.key];
    if (by === undefined) {
      return;
    }
    event.preventDefault();
    event.stopPropagation();
    put((light + by * (event.shiftKey ? 1 : 15) + 360) % 360);
  };
  return (
    <Hint text="The light of the whole picture: drag it around, or use the arrows">
      <button
        type="button"
        role="slider"
        aria-label="Light of the picture"
        aria-valuemin={0}
        aria-valuemax={359}
        aria-valuenow={light}
        aria-valuetext={`from ${fromWords(light)}`}
        className="pointer-events-auto absolute grid size-[22px] cursor-grab place-items-center rounded-full border border-act bg-white text-act hover:bg-act-wash"
        style={{
          left: area.rect.x + x - 11,
          top: area.rect.y + y - 11,
          touchAction: 'none',
        }}
        onKeyDown={key}
        onPointerDown={(e) => {
          e.stopPropagation();
          e.currentTarget.setPointerCapture(e.pointerId);
          held.current = true;
        }}
        onPointerMove={(e) => {
          if (held.current) {
            preview(edit(lightAt(e)));
          }
        }}
        onPointerUp={(e) => {
          if (held.current) {
            held.current = false;
            put(lightAt(e));
          }
        }}
        onPointerCancel={() => {
          held.current = false;
          session.dropPreview();
        }}
      >
        <Sun size={14} aria-hidden />
      </button>
    </Hint>
  );
}
