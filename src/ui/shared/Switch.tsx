'use client';

import type { ReactNode } from 'react';
import { chooseByArrow } from './arrowStep';

/** One of a few, side by side. */
export function Switch<V extends string>({
  label,
  value,
  choices,
  onChange,
}: {
  label: string;
  value: V;
  choices: readonly { value: V; label: ReactNode }[];
  onChange(value: V): void;
}) {
  return (
    <div role="radiogroup" aria-label={label} className="inline-flex">
      {choices.map((c, i) => (
        <button
          key={c.value}
          type="button"
          role="radio"
          aria-checked={c.value === value}
          tabIndex={c.value === value ? 0 : -1}
          onClick={() => onChange(c.value)}
          onKeyDown={(e) => chooseByArrow(e, i, choices, (next) => onChange(next.value))}
          className="-ml-px inline-flex h-[26px] items-center gap-1.5 border border-line bg-white px-2 whitespace-nowrap first:ml-0 first:rounded-l-sm last:rounded-r-sm hover:border-soft focus-visible:relative aria-checked:relative aria-checked:border-act aria-checked:bg-act-wash"
        >
          {c.label}
        </button>
      ))}
    </div>
  );
}
