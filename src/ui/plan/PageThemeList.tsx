'use client';

import { useState } from 'react';
import type { ColourRole, PageColour, PageFont } from '@/core/ownPage/look';
import { fonts as shippedFonts } from '@/core/text/fonts';
import { Button } from '../shared/Button';

interface Props {
  /** Undefined while the page is still looked at. */
  colours: readonly PageColour[] | undefined;
  /** Of them, those that a theme is made of. */
  mattering: readonly PageColour[];
  fonts: readonly PageFont[];
  chosen: ReadonlySet<string>;
  chosenFonts: ReadonlySet<string>;
  onChoose(hex: string): void;
  onChooseFont(family: string): void;
}

const roleWords: Readonly<Record<ColourRole, string>> = {
  page: 'the page',
  content: 'the content',
  bar: 'the bar',
  text: 'text',
  headings: 'headings',
  links: 'links',
  borders: 'borders',
};

const percent = (share: number): string => {
  if (share <= 0) {
    return '';
  }
  return share < 0.01 ? '<1%' : `${Math.round(share * 100)}%`;
};

const ships = (family: string): boolean =>
  shippedFonts.some((f) => f.family.toLowerCase() === family.toLowerCase());

/** The colours and fonts of a page, by what they are for and how much of it they cover. */
export function PageThemeList({
  colours,
  mattering,
  fonts,
  chosen,
  chosenFonts,
  onChoose,
  onChooseFont,
}: Props) {
  const [all, setAll] = useState(false);
  const listed = all ? (colours ?? []) : mattering;
  const more = (colours?.length ?? 0) - mattering.length;
  // What colours of a picture are for cannot be told.
  const rest = colours?.some((c) => c.roles.length > 0) ? 'elsewhere' : '';
  return (
    <div className="min-h-0 grow overflow-auto">
      <h3 className="px-4 pt-2.5 pb-1.5 caption">Colours, by what they are for</h3>
      <ul>
        {listed.map(({ hex, roles, share }) => (
          <li key={hex} className="border-t border-hair">
            <label className="grid cursor-pointer grid-cols-[16px_44px_1fr_auto_40px] items-center gap-2 px-4 py-1.5">
              <input
                type="checkbox"
                aria-label={`Take ${hex}`}
                checked={chosen.has(hex)}
                onChange={() => onChoose(hex)}
                className="accent-act"
              />
              <span
                aria-hidden
                className="h-[22px] border border-black/15"
                style={{ background: hex }}
              />
              <span className="min-w-0 truncate">
                {roles.length > 0 ? roles.map((role) => roleWords[role]).join(', ') : rest}
              </span>
              <span className="figure">{hex}</span>
              <span className="text-right figure text-soft">{percent(share)}</span>
            </label>
          </li>
        ))}
      </ul>
      {more > 0 && (
        <div className="border-t border-hair px-4 py-2">
          <Button onClick={() => setAll(!all)}>
            {all ? 'Only those that matter' : `Show ${more} more`}
          </Button>
        </div>
      )}
      {fonts.length > 0 && <h3 className="border-t border-hair px-4 pt-3 pb-1.5 caption">Fonts</h3>}
      <ul>
        {fonts.map(({ family, uses }) => (
          <li key={family} className="border-t border-hair">
            <label className="grid cursor-pointer grid-cols-[16px_1fr_auto] items-center gap-2 px-4 py-1.5">
              <input
                type="checkbox"
                aria-label={`Take ${family}`}
                disabled={!ships(family)}
                checked={chosenFonts.has(family)}
                onChange={() => onChooseFont(family)}
                className="accent-act"
              />
              <span className="min-w-0 truncate" title={family}>
                {family}
                {!ships(family) && (
                  <span className="text-soft"> · not among the fonts here; add its file</span>
                )}
              </span>
              <span className="text-soft">{uses.join(', ')}</span>
            </label>
          </li>
        ))}
      </ul>
    </div>
  );
}
