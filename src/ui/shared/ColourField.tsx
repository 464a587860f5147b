'use client';

import { NativeColourInput } from './NativeColourInput';
import { Pipette } from 'lucide-react';
import { createContext, use } from 'react';
import { hexOf, isGrey } from '@/core/colour/hex';
import { tryColour } from '@/core/colour/parse';
import type { Hex } from '@/core/site/model/hex';
import type { ThemeColour } from '@/core/site/model/theme';
import { Hint, IconButton } from './Button';
import { CommitField } from './CommitField';
import { startSampling } from './sampling';

interface Props {
  label: string;
  value: Hex;
  theme: readonly ThemeColour[];
  onPreview(hex: Hex): void;
  onCommit(hex: Hex): void;
  /** Without the three levels beside it, where room is scarce. */
  compact?: boolean;
}

/**
 * Colours of the photograph that is worked on, offered beside the theme's; null where there is no
 * photograph to speak of.
 */
export const PhotoColours = createContext<readonly Hex[] | null>(null);

interface SwatchesProps {
  label: string;
  value: Hex;
  colours: readonly { readonly name: string; readonly hex: Hex }[];
  onTake(hex: Hex): void;
}

function Swatches({ label, value, colours, onTake }: SwatchesProps) {
  return (
    <div role="group" aria-label={label} className="flex">
      {colours.map((c, i) => (
        <Hint key={`${c.name} ${i}`} text={`${c.name} ${c.hex}`}>
          <button
            type="button"
            aria-label={`${label.split(':')[0]}: ${c.name}`}
            aria-pressed={c.hex === value}
            onClick={() => onTake(c.hex)}
            className="-ml-px h-[26px] w-[26px] border border-line first:ml-0 aria-pressed:relative aria-pressed:outline-2 aria-pressed:outline-act"
            style={{ background: c.hex }}
          />
        </Hint>
      ))}
    </div>
  );
}

/**
 * A colour: the theme's first, the photo's own, any CSS colour typed, picked, or taken from the
 * page. Equal channels are said to be grey.
 */
export function ColourField({ label, value, theme, onPreview, onCommit, compact = false }: Props) {
  const rgb = tryColour(value);
  const photo = use(PhotoColours);
  return (
    <div className="flex min-w-0 grow flex-wrap items-center gap-x-2 gap-y-1">
      {/* A line of their own from the beginning, so that nothing jumps when the photo's colours come. */}
      <div className={photo ? 'flex w-full gap-3' : ''}>
        <Swatches
          label={`${label}: theme colours`}
          value={value}
          colours={theme.slice(0, 8)}
          onTake={onCommit}
        />
        {photo && photo.length > 0 && (
          <Swatches
            label={`${label}: photo colours`}
            value={value}
            colours={photo.map((hex) => ({ name: `photo ${hex}`, hex }))}
            onTake={onCommit}
          />
        )}
      </div>
      <Hint text="Pick a colour">
        <NativeColourInput
          aria-label={`${label}: pick`}
          value={value}
          className="h-[26px] w-[30px] rounded-sm border border-line bg-white p-0.5"
          onInput={(e) => onPreview(e.currentTarget.value)}
          onBlur={(e) => {
            if (e.currentTarget.value !== value) {
              onCommit(e.currentTarget.value);
            }
          }}
          onChoose={onCommit}
        />
      </Hint>
      <IconButton
        label={`${label}: take it from the page`}
        className="w-7"
        onClick={() => startSampling(onCommit)}
      >
        <Pipette size={13} />
      </IconButton>
      <CommitField
        label={label}
        className="w-[82px]"
        value={value}
        onCommit={(text) => {
          const colour = tryColour(text);
          if (!colour) {
            return `Expected a colour such as #3b4a45, rgb(59 74 69) or a CSS name, found “${text}”.`;
          }
          onCommit(hexOf(colour));
        }}
      />
      {rgb && !compact && (
        <span className="figure text-soft">
          {rgb.r} {rgb.g} {rgb.b}
          {isGrey(rgb) ? ', grey' : ''}
        </span>
      )}
    </div>
  );
}
