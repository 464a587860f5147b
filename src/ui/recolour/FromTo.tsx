'use client';

import { activeSteps } from '@/core/recolour/activeSteps';
import type { Offer } from '@/core/recolour/offers';
import type { Hex } from '@/core/site/model/hex';
import type { PieceSet } from '@/core/site/model/pieceSet';
import type { Recipe } from '@/core/site/model/recipe';
import type { ThemeColour } from '@/core/site/model/theme';
import { useOffers, type OfferLook } from '../hooks/usePieceSet';
import { ColourField } from '../shared/ColourField';
import { Hint } from '../shared/Button';
import { Group } from '../shared/Group';
import { PieceCanvas } from './PieceCanvas';

const titles: Readonly<Record<Offer['way'], string>> = {
  wash: 'Wash',
  multiply: 'Wash, multiply',
  screen: 'Wash, screen',
  hue: 'Hue and tone',
  'two-tone': 'Two-tone',
};

/** Steps as they are told apart from others: what they are called and numbered does not matter. */
const told = ({ steps }: Pick<Recipe, 'steps'>): string =>
  JSON.stringify(activeSteps({ steps }).map((s) => ({ ...s, id: '', name: '' })));

interface Props {
  set: PieceSet;
  theme: readonly ThemeColour[];
  /** Pieces that each offer is shown on, by their assets. */
  shown: readonly string[];
  looked: number;
  /** Colours that many pieces have. */
  common: readonly ThemeColour[];
  onColours(label: string, change: { from?: Hex; to?: Hex }): void;
  onTake(offer: OfferLook): void;
}

/** From the theme's old colour to the wanted one: the ways there, each as it comes out. */
export function FromTo({ set, theme, shown, looked, common, onColours, onTake }: Props) {
  const offers = useOffers(set, shown, looked);
  const now = told(set.recipe);
  return (
    <Group title="From this colour to that">
      <div className="grid grid-cols-[30px_minmax(0,1fr)] items-center gap-y-1">
        <span>Old</span>
        <ColourField
          compact
          label="Old colour"
          value={set.from}
          theme={common}
          onPreview={() => {}}
          onCommit={(from) => onColours(`From ${from}`, { from })}
        />
        <span>New</span>
        <ColourField
          compact
          label="New colour"
          value={set.to}
          theme={theme.slice(0, 5)}
          onPreview={() => {}}
          onCommit={(to) => onColours(`To ${to}`, { to })}
        />
      </div>
      <div
        role="group"
        aria-label="Ways there"
        aria-busy={!offers?.current}
        className="mt-0.5 grid grid-cols-2 gap-1"
      >
        {offers?.list.map((look) => {
          const { offer, left, previews } = look;
          const title = titles[offer.way];
          const strength = offer.steps[0]?.opacity ?? 1;
          const words = `CIEDE2000 left over: ${offer.left.toFixed(2)} at the colour itself${left ? `, ${left.mean.toFixed(2)} on average and ${left.worst.toFixed(2)} at most at the ${left.pieces} pieces that have it` : ''}. Keeps ${Math.round(offer.kept * 100)}% of light and shade.`;
          return (
            <Hint key={offer.way} text={words}>
              <button
                type="button"
                disabled={!offers.current}
                aria-pressed={told(offer) === now}
                onClick={() => onTake(look)}
                className="flex min-w-0 flex-col gap-0.5 rounded-sm border border-line bg-white px-1.5 py-1 text-left hover:border-soft disabled:opacity-60 aria-pressed:border-act aria-pressed:bg-act-wash"
              >
                <span className="flex w-full items-baseline justify-between gap-1">
                  <span className="truncate font-semibold">
                    {title}
                    {offer.way === 'wash' && ` ${Math.round(strength * 100)}%`}
                  </span>
                  <span className="shrink-0 figure text-[11px]!">
                    off by {offer.left.toFixed(1)}
                  </span>
                </span>
                <span className="flex w-full items-center gap-1">
                  {previews.slice(0, 1).map((p) => (
                    <PieceCanvas key={p.assetId} raster={p.raster} width={44} height={22} />
                  ))}
                  <span className="min-w-0 grow text-right text-[11px] leading-tight text-soft">
                    shade {Math.round(offer.kept * 100)}%
                    {left && (
                      <>
                        <br />
                        {left.pieces} pieces {left.mean.toFixed(1)}
                      </>
                    )}
                  </span>
                </span>
                <span className="sr-only">{words}</span>
              </button>
            </Hint>
          );
        })}
        {!offers && (
          <p role="status" className="text-soft">
            Looking for ways there…
          </p>
        )}
      </div>
    </Group>
  );
}
