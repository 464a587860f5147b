import { effectNames, effectOf } from '@/core/effects/registry';
import { isObject, kindOf } from '@/core/layers/registry';
import { addLayer, editLayers } from '@/core/site/edit';
import type { Layer, ObjectLayer } from '@/core/site/model/layer';
import { changeNames } from '@/core/arrange/layerEdits';
import { textFor, themeDark, themeLight } from '@/core/layers/fitting';
import { seatedText } from '../hooks/firstPlaces';
import { newId } from '../shared/newId';
import type { Acting, Laying, Shown } from './useBench';

/** What all commands together need. */
export type Commanded = Acting & Shown & Laying;

/** Adds a layer in front of everything and turns to it. */
export function addOnTop(bench: Acting, layer: Layer): void {
  bench.commit(`Add ${kindOf(layer).name(layer)}`, addLayer(bench.picture.id, layer));
  bench.select(layer.id);
  bench.ask(4);
}

/** Adds a text where the picture is calm, in the theme's colour that is read best there. */
export async function addText(bench: Acting): Promise<void> {
  const { site, slot, picture } = bench;
  addOnTop(bench, await seatedText(site, slot, picture, textFor(site, slot, newId())));
}

/** Adds an effect to layers, in the theme's colours. */
export function addEffect(
  bench: Acting,
  layers: readonly ObjectLayer[],
  name: (typeof effectNames)[number],
): void {
  const kind = effectOf({ kind: name });
  const effect = kind.make({ dark: themeDark(bench.site), light: themeLight(bench.site) });
  bench.commit(
    `Add a ${kind.title.toLowerCase()} to ${changeNames(layers)}`,
    editLayers(
      bench.picture.id,
      layers.map((l) => l.id),
      (layer) => (isObject(layer) ? { effects: [...layer.effects, effect] } : undefined),
    ),
  );
}
