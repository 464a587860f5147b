'use client';

import { useEffect, useMemo, type ReactNode } from 'react';
import type { ColourFound } from '@/core/theme/readTheme';
import type { PictureFile } from '@/core/theme/openTheme';

export function Part({
  title,
  figure,
  children,
}: {
  title: string;
  figure: number;
  children: ReactNode;
}) {
  return (
    <section aria-label={title} className="mb-4 last:mb-0">
      <h3 className="mb-1 caption">
        {title} <span className="ml-1 figure">{figure}</span>
      </h3>
      {children}
    </section>
  );
}

export function Tick({
  label,
  on,
  onChange,
}: {
  label: string;
  on: boolean;
  onChange(on: boolean): void;
}) {
  return (
    <label className="flex items-center gap-2 py-0.5">
      <input
        type="checkbox"
        checked={on}
        onChange={(e) => onChange(e.target.checked)}
        className="accent-act"
      />
      {label}
    </label>
  );
}

const useNames = {
  background: 'ground',
  text: 'text',
  border: 'border',
  link: 'link',
  other: 'other',
} as const;

export function ColourLine({
  colour,
  taken,
  onTake,
}: {
  colour: ColourFound;
  taken: boolean;
  onTake(): void;
}) {
  const uses = (Object.entries(colour.uses) as [keyof typeof useNames, number][])
    .filter(([, n]) => n > 0)
    .sort((a, b) => b[1] - a[1])
    .map(([use, n]) => `${useNames[use]} ${n}`)
    .join(', ');
  return (
    <li>
      <label className="flex items-center gap-2 py-0.5">
        <input type="checkbox" checked={taken} onChange={onTake} className="accent-act" />
        <span
          className="h-5 w-7 shrink-0 border border-black/15"
          style={{ background: colour.hex }}
        />
        <span className="figure">{colour.hex}</span>
        <span className="min-w-0 grow truncate text-soft" title={colour.name}>
          {colour.name}
        </span>
        <span className="shrink-0 text-soft">{uses}</span>
        <span className="w-9 shrink-0 text-right figure">{colour.count}×</span>
      </label>
    </li>
  );
}

export function Preview({ file }: { file: PictureFile }) {
  const url = useMemo(
    () =>
      URL.createObjectURL(
        new Blob([file.bytes], { type: file.format === 'svg' ? 'image/svg+xml' : '' }),
      ),
    [file],
  );
  useEffect(() => () => URL.revokeObjectURL(url), [url]);
  // The address is of a file in memory; there is nothing for a server to make smaller.

  return (
    <span className="grid h-10 w-16 shrink-0 place-items-center overflow-hidden border border-hair see-through">
      <img
        src={url}
        alt=""
        className={
          Math.min(file.width, file.height) < 8
            ? 'h-full w-full'
            : 'max-h-full max-w-full object-contain'
        }
      />
    </span>
  );
}
