'use client';

import clsx from 'clsx';
import { useEffect, useMemo, useRef, useState } from 'react';
import { type Raster } from '@/core/raster/raster';
import { edgePatch } from '@/core/seam/edgePatch';
import { adjacentColours, type AdjacentColours } from '@/core/seam/adjacentColours';
import { sides } from '@/core/seam/edges';
import { seamWays } from '@/core/seam/ways';
import { editSlot } from '@/core/site/edit';
import { ownPlaceOf } from '@/core/site/pages';
import type { EdgesOver } from '@/core/site/model/ownPage';
import type { AdjacentColour, Side } from '@/core/site/model/slot';
import { Button } from '../../../shared/Button';
import { ColourField } from '../../../shared/ColourField';
import { Choose } from '../../../shared/Choose';
import { Switch } from '../../../shared/Switch';
import { useEditing, useFiled } from '../../useBench';
import { Ways } from './Ways';

const amplifications = [1, 8, 32] as const;

/** Why an edge has no reading. */
function unmetWords(goesOn: boolean, coloured: boolean): string {
  if (goesOn) {
    return 'The page goes on here without a colour to meet.';
  }
  return coloured
    ? 'Nothing lies in this slot yet.'
    : 'A picture lies here, which has no one colour to meet.';
}

/** Shadows of less are not seen, percent (ours, by looking). */
const leastShade = 2;

/** What the owner's page lays over an edge. */
function overWords(over: EdgesOver | null | undefined, side: Side): string[] {
  const shade = over?.shade[side] ?? 0;
  return [
    ...(shade >= leastShade
      ? [`A shadow of the page falls on this edge and takes ${shade}% of its light.`]
      : []),
    ...(over && over.rounded > 0
      ? [`The page rounds its corners off by ${over.rounded} px: nothing meets there.`]
      : []),
  ];
}

function Patch({
  file,
  side,
  beside,
  times,
  className,
}: {
  file: Raster | undefined;
  side: Side;
  beside: AdjacentColours | undefined;
  times: number;
  className: string;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const element = canvas.current;
    if (!element || !file || !beside) {
      return;
    }
    const patch = edgePatch(file, side, beside, times);
    element.width = patch.width;
    element.height = patch.height;
    element
      .getContext('2d')!
      .putImageData(new ImageData(patch.data, patch.width, patch.height), 0, 0);
  }, [file, side, beside, times]);
  return beside && file ? (
    <canvas
      ref={canvas}
      aria-hidden
      data-patch={side}
      className={clsx('w-full', className)}
      style={{ imageRendering: 'pixelated' }}
    />
  ) : (
    <span className={clsx('grid place-items-center text-soft', className)}>
      {beside ? 'no file yet' : '–'}
    </span>
  );
}

type Source = 'page' | 'colour' | 'slot' | 'nothing';

/**
 * Each edge of the pressed file against what lies next to it on the page, and the ways to make it
 * exact.
 */
export function SeamFacet() {
  const { slot, site, picture, commit, preview } = useEditing();
  const { encodedFile, readings } = useFiled();
  const [side, setSide] = useState<Side>(sides.find((s) => slot.beside[s] !== null) ?? 'top');
  const [times, setTimes] = useState<(typeof amplifications)[number]>(1);
  const colours = useMemo(
    () =>
      Object.fromEntries(sides.map((s) => [s, adjacentColours(site, slot, s)])) as Record<
        Side,
        AdjacentColours | undefined
      >,
    [site, slot],
  );
  const beside = slot.beside[side];
  const reading = readings.find((r) => r.id === `seam-${side}`);
  const others = site.slots.filter((s) => s.id !== slot.id);
  const set = (next: AdjacentColour | null) =>
    editSlot(slot.id, (s) => {
      s.beside[side] = next;
    });
  const of = (source: Source): AdjacentColour | null => {
    switch (source) {
      case 'page':
        return { from: 'page' };
      case 'colour':
        return {
          from: 'colour',
          colour: colours[side]?.colour ?? site.theme.colours[0]?.hex ?? '#ffffff',
        };
      case 'slot':
        return { from: 'slot', slot: others[0].id };
      case 'nothing':
        return null;
    }
  };

  const ways = useMemo(
    () => seamWays({ site, slot, picture, file: encodedFile.file }, side),
    [site, slot, picture, encodedFile.file, side],
  );
  const over = overWords(ownPlaceOf(site, slot.id)?.place.measured?.over, side);
  return (
    <div className="flex h-full gap-4">
      <div className="flex w-[196px] shrink-0 flex-col gap-1.5">
        <ul
          className="grid grid-cols-2 gap-1"
          aria-label="Edges, enlarged at their worst place, as written"
        >
          {sides.map((s) => (
            <li key={s}>
              <button
                type="button"
                aria-pressed={s === side}
                onClick={() => setSide(s)}
                className="block w-full rounded-sm border border-line bg-sheet p-1 text-left hover:border-soft aria-pressed:border-act aria-pressed:bg-act-wash"
              >
                <Patch
                  file={encodedFile.file?.decoded}
                  side={s}
                  beside={colours[s]}
                  times={times}
                  className="h-[34px]"
                />
                <span className="mt-0.5 flex justify-between gap-1">
                  <span>{s}</span>
                  <span className="figure">
                    {readings.find((r) => r.id === `seam-${s}`)?.figure.replace('off by ', '') ??
                      '–'}
                  </span>
                </span>
              </button>
            </li>
          ))}
        </ul>
        <div className="flex items-center gap-2">
          <span>Difference</span>
          <Switch
            label="How much differences are enlarged"
            value={String(times)}
            choices={amplifications.map((n) => ({ value: String(n), label: `×${n}` }))}
            onChange={(v) => setTimes(Number(v) as typeof times)}
          />
        </div>
      </div>
      <div className="flex min-w-0 grow flex-col gap-1">
        <div className="flex flex-wrap items-center gap-x-2 gap-y-1">
          <Switch<Source>
            label={`Beside the ${side} edge`}
            value={beside?.from ?? 'nothing'}
            onChange={(v) => commit(`What lies beside the ${side} edge`, set(of(v)))}
            choices={[
              { value: 'page', label: 'The page' },
              { value: 'colour', label: 'A colour' },
              ...(others.length > 0 ? [{ value: 'slot' as const, label: 'A slot' }] : []),
              { value: 'nothing', label: 'Nothing' },
            ]}
          />
          {beside?.from === 'slot' && (
            <Choose
              label="Slot beside it"
              className="w-40"
              value={beside.slot}
              choices={others.map((s) => ({ value: s.id, label: s.name }))}
              onChange={(id) =>
                commit(`What lies beside the ${side} edge`, set({ from: 'slot', slot: id }))
              }
            />
          )}
        </div>
        {beside?.from === 'colour' && (
          <ColourField
            compact
            label={`Colour beside the ${side} edge`}
            value={beside.colour}
            theme={site.theme.colours}
            onPreview={(colour) => preview(set({ from: 'colour', colour }))}
            onCommit={(colour) =>
              commit(`Colour beside the ${side} edge`, set({ from: 'colour', colour }))
            }
          />
        )}
        <p className="text-soft">
          {reading?.words ?? unmetWords(beside === null, colours[side] !== undefined)}
        </p>
        {over.map((words) => (
          <p key={words} className="text-warn">
            {words}
          </p>
        ))}
        <Ways done="exact" title="Ways to make it exact" readingId={`seam-${side}`} ways={ways} />
        {slot.lends && (
          <p className="flex items-center gap-2">
            The page has taken the {slot.lends} edge’s colour; its style sheet says so.
            <Button
              className="h-[22px]"
              onClick={() =>
                commit(
                  'The style sheet leaves the page’s colour alone',
                  editSlot(slot.id, (s) => {
                    s.lends = null;
                  }),
                )
              }
            >
              Leave it out
            </Button>
          </p>
        )}
      </div>
    </div>
  );
}
