'use client';

import { faceName, type Font } from '@/core/text/fonts';
import type { LetterFacts } from '@/core/text/letterFacts';
import { partnersOf, type Partner } from '@/core/text/pairing';
import { chooseByArrow } from '../shared/arrowStep';

const percent = (v: number): string => `${Math.round(v * 100)}%`;

/** Fonts that go with one that stays, each set beside it. */
export function PartnerChoice({
  stays,
  letters,
  as,
  words,
  chosen,
  onChoose,
}: {
  stays: Font;
  letters: LetterFacts;
  as: 'headings' | 'text';
  /** A heading of the site. */
  words: string;
  chosen: string | undefined;
  onChoose(font: Font): void;
}) {
  const partners = partnersOf(stays, letters, as);
  const first = partners.some((p) => p.font.id === chosen) ? chosen : partners[0]?.font.id;
  return (
    <div role="radiogroup" aria-label="Fonts that go with it" className="flex flex-col gap-1.5">
      {partners.map((partner, i) => {
        const { font } = partner;
        const heading = as === 'headings' ? font : stays;
        const text = as === 'headings' ? stays : font;
        return (
          <button
            key={font.id}
            type="button"
            role="radio"
            aria-checked={font.id === chosen}
            tabIndex={font.id === first ? 0 : -1}
            aria-label={`${font.family}, ${saidOf(partner)}`}
            onClick={() => onChoose(font)}
            onKeyDown={(e) => chooseByArrow(e, i, partners, (next) => onChoose(next.font))}
            className="flex flex-col gap-0.5 rounded-sm border border-line bg-white px-2.5 py-1.5 text-left hover:border-soft aria-checked:border-act aria-checked:bg-act-wash"
          >
            <span
              className="w-full truncate text-[19px] leading-tight"
              style={{ fontFamily: `"${faceName(heading.id)}"` }}
            >
              {words}
            </span>
            <span
              className="w-full truncate text-[14px] leading-snug"
              style={{ fontFamily: `"${faceName(text.id)}"` }}
            >
              Thrown on a kick wheel, glazed by hand, fired twice.
            </span>
            <span className="flex w-full items-baseline justify-between gap-2">
              <span className="truncate font-semibold">{font.family}</span>
              <span className="shrink-0 text-[11px] text-soft">{saidOf(partner)}</span>
            </span>
          </button>
        );
      })}
    </div>
  );
}

const saidOf = ({ xHeight, weight, width, sitsWell }: Partner): string =>
  `${sitsWell ? '✓ sits well' : '! differs'}: x-height ${percent(xHeight)}, weight ${percent(weight)}, width ${percent(width)}`;
