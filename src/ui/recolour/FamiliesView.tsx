'use client';

import { useMemo } from 'react';
import { hexOf } from '@/core/colour/hex';
import { colourOf } from '@/core/colour/parse';
import { layRecipe } from '@/core/recolour/recipe';
import type { Family, FamilyKind, Member } from '@/core/set/families';
import type { PieceSet } from '@/core/site/model/pieceSet';

const titles: Readonly<Record<FamilyKind, string>> = {
  brand: 'The old colour’s own',
  hue: 'Another hue',
  neutral: 'Greys and near-whites',
  meaning: 'With a meaning',
  code: 'Code',
};

const words: Readonly<Record<FamilyKind, string>> = {
  brand: 'Shades of the colour you are replacing. They always follow.',
  hue: 'Colours beside it. They stay unless you tick them.',
  neutral: 'Text, paper, lines. They stay unless you tick them.',
  meaning: 'Warnings, errors, notes. They stay, so that they still say what they say.',
  code: 'Listings and their words. They stay unless you tick them.',
};

/** Members that are shown of a family; the style sheet has the places of all. */
const most = 16;

const counted = (n: number, one: string, many: string): string => `${n} ${n === 1 ? one : many}`;

/** The colours of a theme by what binds them, each before and after, with a tick for each family. */
export function FamiliesView({
  set,
  families,
  onFollow,
}: {
  set: PieceSet;
  families: readonly Family[] | undefined;
  onFollow(family: Family, wanted: boolean): void;
}) {
  const { recipe } = set;
  const becomes = useMemo(() => {
    const laid = layRecipe(recipe);
    const onAll = layRecipe({ ...recipe, spare: false, hues: null });
    return ({ kind, follows }: Family, { hex }: Member): string => {
      const asked = kind === 'meaning' || kind === 'code';
      const stays = asked && !follows;
      return stays ? hex : hexOf((asked ? onAll : laid).colour(colourOf(hex)));
    };
  }, [recipe]);
  if (!families) {
    return (
      <p role="status" className="m-4 text-soft">
        Reading the style sheets…
      </p>
    );
  }
  return (
    <ul aria-label="Families of colours" className="h-full overflow-y-auto">
      {families.map((family) => (
        <FamilyRow
          key={`${family.kind} ${family.hex}`}
          family={family}
          becomes={(member) => becomes(family, member)}
          onFollow={(wanted) => onFollow(family, wanted)}
        />
      ))}
      {families.length === 0 && (
        <li className="m-4 text-soft">No colour is known yet: the pieces are being looked at.</li>
      )}
    </ul>
  );
}

function FamilyRow({
  family,
  becomes,
  onFollow,
}: {
  family: Family;
  becomes(member: Member): string;
  onFollow(wanted: boolean): void;
}) {
  const { kind, members, follows } = family;
  const title = kind === 'hue' ? `${titles.hue}, ${family.hex}` : titles[kind];
  const uses = members.reduce((sum, m) => sum + m.uses, 0);
  return (
    <li className="border-b border-hair px-3 py-2">
      <label className="flex items-baseline gap-2">
        <input
          type="checkbox"
          className="relative top-px shrink-0 accent-act"
          aria-label={`Recolour: ${title}`}
          checked={follows}
          disabled={kind === 'brand'}
          onChange={(e) => onFollow(e.target.checked)}
        />
        <span className="min-w-0 grow truncate font-semibold">{title}</span>
        <span className="shrink-0 figure text-[11px]! text-soft">
          {counted(members.length, 'colour', 'colours')}, {counted(uses, 'place', 'places')}
        </span>
      </label>
      <p className="ml-[21px] text-[11px] text-soft">{words[kind]}</p>
      <div className="mt-1 ml-[21px] flex flex-wrap gap-1">
        {members.slice(0, most).map((member) => {
          const to = becomes(member);
          const where = [
            ...(member.uses > 0 ? [counted(member.uses, 'place', 'places')] : []),
            ...(member.pieces > 0 ? [counted(member.pieces, 'piece', 'pieces')] : []),
          ].join(', ');
          const says =
            to === member.hex
              ? `${member.hex} stays: ${where}`
              : `${member.hex} becomes ${to}: ${where}`;
          return (
            <span
              key={member.hex}
              role="img"
              aria-label={says}
              title={says}
              className="block h-7 w-6 border border-black/15"
              style={{
                background: `linear-gradient(${member.hex} 50%, ${to} 50%)`,
              }}
            />
          );
        })}
        {members.length > most && (
          <span className="self-center text-[11px] text-soft">
            and {members.length - most} more
          </span>
        )}
      </div>
    </li>
  );
}
