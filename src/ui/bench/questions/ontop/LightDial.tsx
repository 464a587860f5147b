'use client';

import { useRef, type PointerEvent } from 'react';

/** Px of the dial's radius. */
const radius = 30;

interface Light {
  direction: number;
  height: number;
}

/**
 * The light over the surface, seen from above: its direction round the middle, and the lower it
 * stands the farther out. The sliders beside it do the same by keys.
 */
export function LightDial({
  direction,
  height,
  onPreview,
  onCommit,
}: Light & { onPreview(light: Light): void; onCommit(light: Light): void }) {
  const held = useRef<Light>(undefined);
  const away = ((90 - height) / 90) * radius;
  const t = (direction * Math.PI) / 180;
  const x = radius + 4 + Math.sin(t) * away;
  const y = radius + 4 - Math.cos(t) * away;
  const lightAt = (event: PointerEvent<SVGSVGElement>): Light => {
    const box = event.currentTarget.getBoundingClientRect();
    const dx = event.clientX - box.left - radius - 4;
    const dy = event.clientY - box.top - radius - 4;
    return {
      direction: Math.round(((Math.atan2(dx, -dy) * 180) / Math.PI + 360) % 360),
      height: Math.round(Math.min(85, Math.max(5, 90 - (Math.hypot(dx, dy) / radius) * 90))),
    };
  };
  return (
    <svg
      aria-hidden
      width={radius * 2 + 8}
      height={radius * 2 + 8}
      className="shrink-0 cursor-pointer touch-none"
      fill="none"
      onPointerDown={(e) => {
        e.currentTarget.setPointerCapture(e.pointerId);
        held.current = lightAt(e);
        onPreview(held.current);
      }}
      onPointerMove={(e) => {
        if (!held.current) {
          return;
        }
        held.current = lightAt(e);
        onPreview(held.current);
      }}
      onPointerUp={() => {
        if (held.current) {
          onCommit(held.current);
        }
        held.current = undefined;
      }}
    >
      <circle cx={radius + 4} cy={radius + 4} r={radius} fill="#f3f3f2" stroke="#c4c4c1" />
      <circle cx={radius + 4} cy={radius + 4} r={radius / 2} stroke="#d5d5d2" />
      <path d={`M${radius + 4} ${radius + 4}L${x} ${y}`} stroke="#0d6b62" />
      <circle cx={x} cy={y} r={4.5} fill="#fcfcfb" stroke="#0d6b62" strokeWidth={1.5} />
    </svg>
  );
}
