'use client';

import { NativeColourInput } from './NativeColourInput';
import { hexOf } from '@/core/colour/hex';
import { tryColour } from '@/core/colour/parse';
import { readPixels } from '@/core/measure/pixels';
import type { Site } from '@/core/site/model/site';
import { CommitField } from './CommitField';

/** Whole px, or nothing where that is allowed. */
export function Pixels({
  label,
  value,
  least = 1,
  empty = false,
  onCommit,
}: {
  label: string;
  value: number | null;
  least?: number;
  empty?: boolean;
  /** @returns what is wrong with it */
  onCommit(px: number | null): string | void;
}) {
  return (
    <CommitField
      label={label}
      className="w-[76px] shrink-0"
      suffix="px"
      value={value === null ? '' : String(value)}
      onCommit={(text) => {
        if (text.trim() === '' && empty) {
          onCommit(null);
          return;
        }
        if (least === 0 && /^0\s*(px)?$/.test(text.trim())) {
          onCommit(0);
          return;
        }
        const read = readPixels(text);
        if (!read.ok) {
          return read.message;
        }
        return onCommit(read.px) ?? undefined;
      }}
    />
  );
}

/** A colour in little room: a swatch that opens the picker, and any CSS colour typed. */
export function ColourSquare({
  label,
  value,
  site,
  onCommit,
}: {
  label: string;
  value: string;
  site: Site;
  onCommit(hex: string): void;
}) {
  return (
    <span className="inline-flex shrink-0 items-center">
      <NativeColourInput
        aria-label={`${label}: pick`}
        key={value}
        defaultValue={value}
        list="theme-colours"
        className="h-[26px] w-[28px] rounded-l-sm border border-r-0 border-line bg-white p-0.5"
        onChoose={onCommit}
      />
      <CommitField
        label={label}
        className="w-[74px]"
        value={value}
        onCommit={(text) => {
          const colour = tryColour(
            site.theme.colours.find((c) => c.name === text.trim())?.hex ?? text,
          );
          if (!colour) {
            return `Expected a colour or the name of a theme colour, found “${text}”.`;
          }
          onCommit(hexOf(colour));
        }}
      />
    </span>
  );
}
