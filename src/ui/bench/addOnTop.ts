import { effectNames, effectOf } from '@/core/effects/registry';
import { isObject, kindOf } from '@/core/layers/registry';
import { addLayer, editLayer, editLayers } from '@/core/site/edit';
import type { Layer, ObjectLayer } from '@/core/site/model/layer';
import type { TextLayer } from '@/core/site/model/objectLayers';
import { changeNames } from '@/core/arrange/layerEdits';
import { textFor, themeDark, themeLight } from '@/core/layers/fitting';
import { placeNewText } from '../hooks/firstPlaces';
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

/** A text is there at once; for so long it waits for a calm place, unless one does something else, ms. */
const patience = 5000;

/** What letters typed into a text are called among the steps. */
export const wording = 'Change the words';

/** Adds a text, and puts it where the picture is calm, in the theme's colour that is read best there. */
export async function addText(bench: Acting): Promise<void> {
  const { session, site, slot, picture } = bench;
  const text = textFor(site, slot, newId());
  bench.ask(4);
  bench.select(text.id);
  const label = `Add ${kindOf(text).name(text)}`;
  const finish = session.begin(label, addLayer(picture.id, text), patience, wording);
  const { x, y, align, colour } = await placeNewText(site, slot, picture, text);
  finish(editLayer<TextLayer>(picture.id, text.id, { x, y, align, colour }));
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
