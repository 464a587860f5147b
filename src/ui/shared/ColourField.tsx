'use client';

import { hexOf, isGrey, tryColour } from '@/core/colour/parse';
import type { Hex, ThemeColour } from '@/core/site/model';
import { Hint } from './Button';
import { CommitField } from './fields';

interface Props {
  label: string;
  value: Hex;
  theme: readonly ThemeColour[];
  onPreview(hex: Hex): void;
  onCommit(hex: Hex): void;
}

/** A colour: the theme's first, any CSS colour typed, or picked. Equal channels are said to be grey. */
export function ColourField({ label, value, theme, onPreview, onCommit }: Props) {
  const rgb = tryColour(value);
  return (
    <div className="flex min-w-0 grow flex-wrap items-center gap-2">
      <div role="group" aria-label={`${label}: theme colours`} className="flex">
        {theme.map((c) => (
          <Hint key={c.name} text={`${c.name} ${c.hex}`}>
            <button
              type="button" aria-label={`${label}: ${c.name}`} aria-pressed={c.hex === value} onClick={() => onCommit(c.hex)}
              className="-ml-px h-[26px] w-[26px] border border-line first:ml-0 aria-pressed:relative aria-pressed:outline-2 aria-pressed:outline-act" style={{ background: c.hex }}
            />
          </Hint>
        ))}
      </div>
      <Hint text="Pick a colour">
        <input
          type="color" aria-label={`${label}: pick`} value={value} className="h-[26px] w-[30px] rounded-sm border border-line bg-white p-0.5"
          onInput={(e) => onPreview(e.currentTarget.value)} onBlur={(e) => { if (e.currentTarget.value !== value) onCommit(e.currentTarget.value); }}
          ref={(input) => { if (input) input.onchange = () => onCommit(input.value); }}
        />
      </Hint>
      <CommitField
        label={label} className="w-[92px]" value={value}
        onCommit={(text) => {
          const colour = tryColour(text);
          if (!colour) return `Expected a colour such as #3b4a45, rgb(59 74 69) or a CSS name, found “${text}”.`;
          onCommit(hexOf(colour));
        }}
      />
      {rgb && <span className="figure text-soft">{rgb.r} {rgb.g} {rgb.b}{isGrey(rgb) ? ', grey' : ''}</span>}
    </div>
  );
}
