'use client';

import { useMemo } from 'react';
import { hexOf } from '@/core/colour/hex';
import { colourOf } from '@/core/colour/parse';
import { isActive } from '@/core/recolour/activeSteps';
import { layRecipe } from '@/core/recolour/recipe';
import type { Family, FamilyKind, Member } from '@/core/set/families';
import type { RecolouredSheets } from '@/core/set/recolourSheets';
import type { SheetLine } from '@/core/set/sheetLine';
import type { Hex } from '@/core/site/model/hex';
import type { PieceSet } from '@/core/site/model/pieceSet';
import type { ThemeColour } from '@/core/site/model/theme';
import { usePreviews } from '../hooks/usePieceSet';
import { Button } from '../shared/Button';
import { ColourField } from '../shared/ColourField';
import { PieceCanvas } from './PieceCanvas';

const titles: Readonly<Record<FamilyKind, string>> = {
  brand: 'The old colour’s own',
  hue: 'Another hue',
  neutral: 'Greys and near-whites',
  meaning: 'With a meaning',
  code: 'Code',
};

const words: Readonly<Record<FamilyKind, string>> = {
  brand: 'Shades of the colour you are replacing. They always follow.',
  hue: 'Colours beside it. They stay unless you tick them, or give them a colour of their own.',
  neutral: 'Text, paper, lines. They stay unless you tick them.',
  meaning: 'Warnings, errors, notes. They stay, so that they still say what they say.',
  code: 'Listings and their words. They stay unless you tick them.',
};

/** Members and pieces that are shown of a family; the other views have all. */
const mostMembers = 16;
const mostPieces = 8;

const counted = (n: number, one: string, many: string): string => `${n} ${n === 1 ? one : many}`;

/** What can be done with families, their colours and their pieces. */
export interface FamilyActs {
  onFollow(family: Family, wanted: boolean): void;
  /** It goes a way of its own. */
  onRecolour(family: Family, to: Hex): void;
  /** A colour follows, or stays, wherever it stands in the style sheets. */
  onTurn(hex: Hex, lines: readonly SheetLine[], follows: boolean): void;
  onTake(paths: readonly string[], wanted: boolean): void;
}

/**
 * The colours of a theme by what binds them, each before and after, with a tick for each family; a
 * colour or a piece of one can be turned by itself.
 */
export function FamiliesView({
  set,
  followed,
  looked,
  theme,
  acts,
}: {
  set: PieceSet;
  followed: RecolouredSheets | undefined;
  /** How many pieces were looked at. */
  looked: number;
  theme: readonly ThemeColour[];
  acts: FamilyActs;
}) {
  const { recipe } = set;
  const families = followed?.families;
  const becomes = useMemo(() => {
    const laid = layRecipe(recipe);
    const onAll = layRecipe({ steps: recipe.steps, spare: false, hues: null });
    return ({ kind, follows }: Family, { hex }: Member): Hex => {
      const asked = kind === 'meaning' || kind === 'code';
      const stays = asked && !follows;
      return stays ? hex : hexOf((asked ? onAll : laid).colour(colourOf(hex)));
    };
  }, [recipe]);
  const lines = useMemo(() => {
    const byHex = new Map<Hex, SheetLine[]>();
    for (const line of followed?.lines ?? []) {
      const list = byHex.get(line.oldHex);
      if (list) {
        list.push(line);
      } else {
        byHex.set(line.oldHex, [line]);
      }
    }
    return byHex;
  }, [followed]);
  const shown = useMemo(() => {
    const paths = new Set((families ?? []).flatMap((f) => f.pieces.slice(0, mostPieces)));
    return set.pieces.filter((p) => paths.has(p.path));
  }, [families, set.pieces]);
  const ids = useMemo(() => shown.map((p) => p.assetId), [shown]);
  const before = usePreviews(null, ids, looked);
  const after = usePreviews(isActive(recipe) ? recipe : null, ids, looked);
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
        <li key={`${family.kind} ${family.hex}`} className="border-b border-hair px-3 py-2">
          <FamilyHead family={family} theme={theme} acts={acts} />
          <div className="mt-1 ml-[21px] flex flex-wrap gap-1">
            {family.members.slice(0, mostMembers).map((member) => (
              <MemberSwatch
                key={member.hex}
                member={member}
                becomes={becomes(family, member)}
                lines={lines.get(member.hex) ?? []}
                onTurn={acts.onTurn}
              />
            ))}
            {family.members.length > mostMembers && (
              <span className="self-center text-[11px] text-soft">
                and {family.members.length - mostMembers} more
              </span>
            )}
          </div>
          {family.pieces.length > 0 && (
            <div className="mt-1 ml-[21px] flex flex-wrap items-center gap-1">
              {shown
                .filter((p) => family.pieces.slice(0, mostPieces).includes(p.path))
                .map((p) => (
                  <button
                    key={p.path}
                    type="button"
                    aria-pressed={!p.leftOut}
                    aria-label={`Recolour ${p.path}`}
                    title={`${p.path}${p.leftOut ? ', left as it is' : ''}`}
                    onClick={() => acts.onTake([p.path], p.leftOut)}
                    className={p.leftOut ? 'opacity-45' : undefined}
                  >
                    <PieceCanvas
                      raster={(p.leftOut ? before : after).get(p.assetId)}
                      width={44}
                      height={26}
                    />
                  </button>
                ))}
              {family.pieces.length > mostPieces && (
                <span className="text-[11px] text-soft">
                  and {family.pieces.length - mostPieces} more pieces
                </span>
              )}
            </div>
          )}
        </li>
      ))}
      {families.length === 0 && (
        <li className="m-4 text-soft">No colour is known yet: the pieces are being looked at.</li>
      )}
    </ul>
  );
}

function FamilyHead({
  family,
  theme,
  acts,
}: {
  family: Family;
  theme: readonly ThemeColour[];
  acts: FamilyActs;
}) {
  const { kind, members, follows, hex, to } = family;
  const title = kind === 'hue' ? `${titles.hue}, ${hex}` : titles[kind];
  const uses = members.reduce((sum, m) => sum + m.uses, 0);
  return (
    <>
      <label className="flex items-baseline gap-2">
        <input
          type="checkbox"
          className="relative top-px shrink-0 accent-act"
          aria-label={`Recolour: ${title}`}
          checked={follows}
          disabled={kind === 'brand'}
          onChange={(e) => acts.onFollow(family, e.target.checked)}
        />
        <span className="min-w-0 grow truncate font-semibold">{title}</span>
        <span className="shrink-0 figure text-[11px]! text-soft">
          {counted(members.length, 'colour', 'colours')}, {counted(uses, 'place', 'places')}
        </span>
      </label>
      <p className="ml-[21px] text-[11px] text-soft">{words[kind]}</p>
      {kind === 'hue' && (
        <div className="mt-1 ml-[21px] flex items-center gap-2">
          <ColourField
            compact
            label={`New colour of ${hex}`}
            value={to ?? hex}
            theme={theme.slice(0, 5)}
            onPreview={() => {}}
            onCommit={(wanted) => acts.onRecolour(family, wanted)}
          />
          {to && (
            <Button className="h-[22px] px-1.5" onClick={() => acts.onFollow(family, true)}>
              With the recipe
            </Button>
          )}
        </div>
      )}
    </>
  );
}

/** A colour before and after; pressed it stays, or follows, at all its places. */
function MemberSwatch({
  member: { hex, uses, pieces },
  becomes,
  lines,
  onTurn,
}: {
  member: Member;
  becomes: Hex;
  lines: readonly SheetLine[];
  onTurn: FamilyActs['onTurn'];
}) {
  const following = lines.filter((l) => l.follows);
  const follows = lines.length > 0 ? following.length * 2 > lines.length : becomes !== hex;
  const to = lines.length > 0 && !follows ? hex : (following[0]?.toHex ?? becomes);
  const where = [
    ...(uses > 0 ? [counted(uses, 'place', 'places')] : []),
    ...(pieces > 0 ? [counted(pieces, 'piece', 'pieces')] : []),
  ].join(', ');
  const says = to === hex ? `${hex} stays: ${where}` : `${hex} becomes ${to}: ${where}`;
  return (
    <button
      type="button"
      aria-label={says}
      aria-pressed={follows}
      title={
        lines.length > 0
          ? `${says}. Click to let it ${follows ? 'stay' : 'follow'} in the style sheets`
          : says
      }
      disabled={lines.length === 0}
      onClick={() => onTurn(hex, lines, !follows)}
      className="block h-7 w-6 border border-black/15"
      style={{ background: `linear-gradient(${hex} 50%, ${to} 50%)` }}
    />
  );
}
