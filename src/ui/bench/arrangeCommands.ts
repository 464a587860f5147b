import { effectNames, effectOf } from '@/core/effects/registry';
import { isObject, kindOf } from '@/core/layers/registry';
import { newTone } from '@/core/layers/recolour';
import { shapeTitles } from '@/core/layers/shape';
import { addLayer, editLayers } from '@/core/site/edit';
import type { AlignSide } from '@/core/arrange/align';
import type { Layer } from '@/core/site/model/layer';
import type { ShapeName } from '@/core/site/model/objectLayers';
import { backPhoto } from '@/core/readings/cover';
import type { Command } from '../shared/commands';
import { alignLayers, changeNames, fitToWidth, spaceLayers } from '@/core/arrange/layerEdits';
import { newId } from '../shared/newId';
import { shapeFor } from '@/core/layers/fitting';
import type { Acting } from './useBench';
import { type Commanded, addEffect, addOnTop, addText } from './addOnTop';

/**
 * What arrows move: the selected layers that can be moved, else the photo while it is being framed.
 */
function movable({ selection, picture, question }: Acting): readonly Layer[] {
  const chosen = selection.filter((l) => kindOf(l).moved && !l.locked);
  const photo = backPhoto(picture);
  if (chosen.length > 0) {
    return chosen;
  }
  if (question === 2 && photo && !photo.locked) {
    return [photo];
  }
  return [];
}

const arrows: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

export function nudges(bench: Commanded): Command[] {
  const layers = movable(bench);
  return Object.entries(arrows).flatMap(([key, [dx, dy]]) =>
    [1, 10].map((px): Command => ({
      id: `nudge-${key}-${px}`,
      label: `Move ${px} px ${key.slice(5).toLowerCase()}`,
      keys: [px === 10 ? `Shift+${key}` : key],
      unlisted: px === 10,
      enabled: layers.length > 0,
      run: () =>
        bench.burst(
          `Move ${changeNames(layers)}`,
          editLayers(
            bench.picture.id,
            layers.map((l) => l.id),
            (layer) => kindOf(layer).moved?.(layer, dx * px, dy * px),
          ),
        ),
    })),
  );
}

const alignWords: Readonly<Record<AlignSide, string>> = {
  left: 'left sides',
  centre: 'middles, sideways',
  right: 'right sides',
  top: 'tops',
  middle: 'middles, up and down',
  bottom: 'bottoms',
};

/** What is done with layers that lie at a place. */
export function arranging(bench: Commanded): Command[] {
  const { selection, selected, picture, slot, site } = bench;
  const objects = selection.filter(isObject);
  const boxes = bench.drawn.getState().boxes;
  const box = selected && boxes[selected.id];
  const wanted = (list: readonly Layer[], least = 1) => list.length >= least;
  return [
    {
      id: 'add-text',
      label: 'Add a text',
      run: () => void addText(bench),
    },
    ...(Object.keys(shapeTitles) as ShapeName[]).map((shape): Command => ({
      id: `add-${shape}`,
      label: `Add a shape: ${shapeTitles[shape].toLowerCase()}`,
      run: () => addOnTop(bench, shapeFor(site, slot, shape, newId())),
    })),
    ...site.shelf.slice(-12).map((item): Command => ({
      id: `top-${item.assetId}`,
      label: `Put on top: ${item.name}`,
      run: () => {
        bench.ask(4);
        bench.putOnTop(item);
      },
    })),
    ...effectNames.map((name): Command => ({
      id: `effect-${name}`,
      label: `Add an effect: ${effectOf({ kind: name }).title.toLowerCase()}`,
      enabled: wanted(objects),
      run: () => addEffect(bench, objects, name),
    })),
    {
      id: 'tone-one',
      label: 'Tone on this layer only',
      enabled: selected !== undefined,
      run: () => {
        const tone = { ...newTone(newId()), reach: 'beneath' as const };
        bench.commit(
          `Add a tone to ${changeNames([selected!])}`,
          addLayer(picture.id, tone, selected!.id),
        );
        bench.select(tone.id);
        bench.ask(3);
      },
    },
    ...(Object.keys(alignWords) as AlignSide[]).map((side): Command => ({
      id: `align-${side}`,
      label: objects.length > 1 ? `Align ${alignWords[side]}` : `Align with the slot: ${side}`,
      enabled: wanted(objects),
      run: () =>
        bench.commit(
          `Align ${side}`,
          alignLayers(picture, slot, objects, bench.drawn.getState().boxes, side),
        ),
    })),
    {
      id: 'space-x',
      label: 'Space evenly sideways',
      enabled: wanted(objects, 3),
      run: () =>
        bench.commit(
          'Space evenly',
          spaceLayers(picture, objects, bench.drawn.getState().boxes, 'x'),
        ),
    },
    {
      id: 'space-y',
      label: 'Space evenly up and down',
      enabled: wanted(objects, 3),
      run: () =>
        bench.commit(
          'Space evenly',
          spaceLayers(picture, objects, bench.drawn.getState().boxes, 'y'),
        ),
    },
    {
      id: 'fit-width',
      label: 'Fit to the width',
      enabled: selected !== undefined && box !== undefined && !selected.locked,
      run: () => {
        if (selected && box) {
          bench.commit(
            `Fit ${changeNames([selected])} to the width`,
            fitToWidth(picture, slot, selected, bench.drawn.getState().boxes[selected.id]),
          );
        }
      },
    },
  ];
}
