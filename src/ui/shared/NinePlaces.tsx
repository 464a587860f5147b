'use client';

import clsx from 'clsx';
import type { KeyboardEvent, ReactNode } from 'react';

const thirds = [0, 1, 2] as const;

type Third = (typeof thirds)[number];

/** A place in an area: from the left, and from the top. */
export interface NinePlace {
  readonly column: Third;
  readonly row: Third;
}

const steps: Readonly<Record<string, readonly [across: number, down: number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

const within = (at: number): Third => Math.min(2, Math.max(0, at)) as Third;

/** One of nine places, as a small picture of the area they lie in. */
export function NinePlaces({
  label,
  value,
  nameOf,
  onChange,
  cell,
  children,
  className,
}: {
  label: string;
  /** None of the nine where undefined. */
  value: NinePlace | undefined;
  nameOf(place: NinePlace): string;
  onChange(place: NinePlace): void;
  /** Look of each place. */
  cell: string;
  /** What lies in each. */
  children?: (place: NinePlace) => ReactNode;
  className?: string;
}) {
  const step = (event: KeyboardEvent<HTMLElement>, { column, row }: NinePlace) => {
    const [across, down] = steps[event.key] ?? [0, 0];
    if (across === 0 && down === 0) {
      return;
    }
    event.preventDefault();
    const next = { column: within(column + across), row: within(row + down) };
    if (next.column !== column || next.row !== row) {
      onChange(next);
    }
    const group = event.currentTarget.closest('[role=radiogroup]');
    const places = group?.querySelectorAll<HTMLElement>('[role=radio]');
    places?.[next.row * 3 + next.column].focus();
  };
  return (
    <div
      role="radiogroup"
      aria-label={label}
      className={clsx(
        'grid h-fit shrink-0 grid-cols-3 overflow-hidden border border-line bg-white',
        className,
      )}
    >
      {thirds.flatMap((row) =>
        thirds.map((column) => {
          const place = { column, row };
          const chosen = value?.column === column && value.row === row;
          // Where none is chosen, the keyboard comes to the first.
          const first = value === undefined && column === 0 && row === 0;
          return (
            <button
              key={nameOf(place)}
              type="button"
              role="radio"
              aria-label={nameOf(place)}
              title={nameOf(place)}
              aria-checked={chosen}
              tabIndex={chosen || first ? 0 : -1}
              onClick={() => onChange(place)}
              onKeyDown={(event) => step(event, place)}
              className={clsx('group flex focus-visible:-outline-offset-2', cell)}
            >
              {children?.(place)}
            </button>
          );
        }),
      )}
    </div>
  );
}
