'use client';

import { Slider } from 'radix-ui';
import { useState } from 'react';
import { CommitField } from './CommitField';
import { Row } from './Row';
import { typedNumber } from './typedNumber';

interface NumberRowProps {
  label: string;
  value: number;
  min: number;
  max: number;
  step?: number;
  unit: string;
  digits?: number;
  onPreview(value: number): void;
  onCommit(value: number): void;
}

/** A slider with its figure: dragging previews, letting go keeps; the figure can be typed. */
export function NumberRow({
  label,
  value,
  min,
  max,
  step = 1,
  unit,
  digits = 0,
  onPreview,
  onCommit,
}: NumberRowProps) {
  const clamp = (v: number) => Math.min(max, Math.max(min, v));
  // What the hand holds is shown at once; the site follows a moment later.
  const [held, setHeld] = useState<number>();
  return (
    <Row label={label}>
      <Slider.Root
        className="relative flex h-5 min-w-11 grow touch-none items-center select-none"
        min={min}
        max={max}
        step={step}
        value={[clamp(held ?? value)]}
        onValueChange={([v]) => {
          setHeld(v);
          onPreview(v);
        }}
        onValueCommit={([v]) => {
          setHeld(undefined);
          onCommit(v);
        }}
      >
        <Slider.Track className="relative h-0.5 grow bg-line">
          <Slider.Range className="absolute h-full bg-act" />
        </Slider.Track>
        <Slider.Thumb
          aria-label={label}
          className="block h-4 w-2.5 rounded-sm border border-act bg-white"
        />
      </Slider.Root>
      <CommitField
        label={`${label}, figure`}
        className="w-[76px] shrink-0"
        suffix={unit}
        value={(held ?? value).toFixed(digits)}
        onCommit={(text) => {
          const typed = typedNumber(text);
          if (text.trim() === '' || Number.isNaN(typed)) {
            return `Expected a number, found “${text}”.`;
          }
          if (typed < min || typed > max) {
            return `Expected ${min} to ${max}, found ${typed}.`;
          }
          onCommit(typed);
        }}
      />
    </Row>
  );
}
