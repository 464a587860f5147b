'use client';

import type { KeyboardEvent } from 'react';
import type { TitleBand } from '@/core/site/model/page';

type Place = Pick<TitleBand, 'align' | 'high'>;

const highs = ['top', 'middle', 'bottom'] as const;
const aligns = ['left', 'centre', 'right'] as const;

const nameOf = ({ align, high }: Place): string => {
  if (high === 'middle') {
    return align === 'centre' ? 'Middle' : `Middle ${align}`;
  }
  return `${high === 'top' ? 'Top' : 'Bottom'} ${align}`;
};

const steps: Readonly<Record<string, readonly [across: number, down: number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** Where in its band a title stands: a small band with nine places. */
export function TitlePlace({
  value,
  onChange,
}: {
  value: Place;
  onChange(place: Place, name: string): void;
}) {
  const step = (event: KeyboardEvent<HTMLElement>) => {
    const [across, down] = steps[event.key] ?? [0, 0];
    if (across === 0 && down === 0) {
      return;
    }
    event.preventDefault();
    const within = (at: number) => Math.min(2, Math.max(0, at));
    const column = within(aligns.indexOf(value.align) + across);
    const row = within(highs.indexOf(value.high) + down);
    const place = { align: aligns[column], high: highs[row] };
    if (place.align !== value.align || place.high !== value.high) {
      onChange(place, nameOf(place));
    }
    const group = event.currentTarget.closest('[role=radiogroup]');
    group?.querySelectorAll<HTMLElement>('[role=radio]')[row * 3 + column].focus();
  };
  return (
    <div
      role="radiogroup"
      aria-label="Where the title stands"
      className="grid h-fit shrink-0 grid-cols-3 overflow-hidden rounded-sm border border-line bg-white"
    >
      {highs.flatMap((high) =>
        aligns.map((align) => {
          const place = { align, high };
          const chosen = align === value.align && high === value.high;
          return (
            <button
              key={nameOf(place)}
              type="button"
              role="radio"
              aria-label={nameOf(place)}
              title={nameOf(place)}
              aria-checked={chosen}
              tabIndex={chosen ? 0 : -1}
              onClick={() => onChange(place, nameOf(place))}
              onKeyDown={step}
              className="group flex h-[21px] w-8 border-hair px-1.5 py-1 not-[&:nth-child(3n)]:border-r hover:bg-sheet focus-visible:outline-offset-[-2px] aria-checked:bg-act-wash nth-[n+4]:border-t"
              style={{
                alignItems: { top: 'flex-start', middle: 'center', bottom: 'flex-end' }[high],
                justifyContent: { left: 'flex-start', centre: 'center', right: 'flex-end' }[align],
              }}
            >
              <span
                aria-hidden
                className="h-[3px] w-3.5 bg-line group-hover:bg-soft group-aria-checked:bg-act"
              />
            </button>
          );
        }),
      )}
    </div>
  );
}
