'use client';

import { useMemo } from 'react';
import { forEveryHue } from '@/core/recolour/activeSteps';
import { newWash } from '@/core/layers/fill';
import { isRecolour, newHue, newTone, newTwoTone } from '@/core/layers/recolour';
import { isOfColour, newRecipeLayer } from '@/core/layers/recipe';
import { newTexture } from '@/core/layers/texture';
import { hexOf } from '@/core/colour/hex';
import { backPhoto } from '@/core/readings/cover';
import { addLayer, addLayerBehind } from '@/core/site/edit';
import type { Layer } from '@/core/site/model/layer';
import { usePhotoSurvey } from '../../hooks/usePhotoSurvey';
import { Button } from '../../shared/Button';
import { PhotoColours } from '../../shared/ColourField';
import { Group } from '../../shared/Group';
import { newId } from '../../shared/newId';
import { type Acting, useActing } from '../useBench';
import { GroundControls } from './colour/GroundControls';
import { RecolourControls, TextureControls } from './colour/RecolourControls';
import { RecipeControls, RecipeMenu } from './colour/RecipeControls';
import { WashControls } from './colour/WashControls';

/**
 * Puts a layer over the photo and under the words, where it is wanted nearly always, or right over
 * the selected layer.
 */
function add(bench: Acting, label: string, layer: Layer): void {
  const { picture, selected, commit } = bench;
  const under =
    (selected?.kind === 'text' ? undefined : selected) ??
    picture.layers.filter((l) => l.kind !== 'text').at(-1);
  commit(label, under ? addLayer(picture.id, layer, under.id) : addLayerBehind(picture.id, layer));
  bench.select(layer.id);
}

/**
 * What colour: the ground, and what recolours the picture above it. The layer that is selected has
 * its controls here.
 */
export function Colour() {
  const bench = useActing();
  const { picture, site, slot, selected } = bench;
  const theme = site.theme.colours;
  const survey = usePhotoSurvey(backPhoto(picture), slot);
  const photoColours = useMemo(() => survey?.colours.map((c) => hexOf(c.colour)) ?? [], [survey]);
  const dark = theme[0]?.hex ?? '#3b4a45';
  const light = theme[1]?.hex ?? '#efe9dc';
  const first = selected && isOfColour(selected) ? selected : undefined;
  const makers: readonly [string, () => Layer][] = [
    ['Wash', () => newWash(newId(), dark)],
    ['Two-tone', () => newTwoTone(newId(), dark, light)],
    ['Hue', () => newHue(newId(), theme[2]?.hex ?? dark)],
    ['Tone', () => newTone(newId())],
    ['Texture', () => newTexture(newId(), 'grain', '#000000')],
  ];
  return (
    <PhotoColours value={photoColours}>
      <Group
        title={first ? titles[first.kind] : 'Ground'}
        aside={
          <span className="inline-flex">
            {makers.map(([name, make]) => (
              <Button
                key={name}
                className="-ml-px rounded-none px-2 first:ml-0 first:rounded-l-sm last:rounded-r-sm"
                onClick={() =>
                  add(bench, `Add ${name === 'Hue' ? 'a hue' : `a ${name.toLowerCase()}`}`, make())
                }
              >
                + {name}
              </Button>
            ))}
            <RecipeMenu
              onLay={(recipe) =>
                add(
                  bench,
                  `Lay the recipe ${recipe.name}`,
                  // What a set's hues are says nothing of this picture's.
                  newRecipeLayer(newId(), forEveryHue(recipe)),
                )
              }
            />
          </span>
        }
      >
        {!first && <GroundControls />}
        {first?.kind === 'fill' && <WashControls key={first.id} wash={first} />}
        {first && isRecolour(first) && <RecolourControls key={first.id} layer={first} />}
        {first?.kind === 'recipe' && <RecipeControls key={first.id} layer={first} />}
        {first?.kind === 'texture' && <TextureControls key={first.id} texture={first} />}
      </Group>
    </PhotoColours>
  );
}

const titles = {
  fill: 'Wash',
  tone: 'Tone',
  twotone: 'Two-tone',
  hue: 'Hue',
  texture: 'Texture',
  recipe: 'Recipe',
} as const;
