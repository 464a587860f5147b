import { newId } from '../shared/newId';
import { kindOf } from '@/core/layers/registry';
import { addLayers, editLayers, moveLayer, placeLayer, removeLayers } from '@/core/site/edit';
import type { Layer } from '@/core/site/model/layer';
import { changeNames, copiesOf } from '@/core/arrange/layerEdits';
import type { Acting } from './useBench';

const ids = (layers: readonly Layer[]): string[] => layers.map((l) => l.id);

/** Edits of the selected layers that buttons, keys and the list of commands reach. */
export const layerActions = {
  hide(bench: Acting, layers: readonly Layer[]) {
    const hide = layers.some((l) => !l.hidden);
    bench.commit(
      `${hide ? 'Hide' : 'Show'} ${changeNames(layers)}`,
      editLayers(bench.picture.id, ids(layers), () => ({ hidden: hide })),
    );
  },
  lock(bench: Acting, layers: readonly Layer[]) {
    const lock = layers.some((l) => !l.locked);
    bench.commit(
      `${lock ? 'Lock' : 'Unlock'} ${changeNames(layers)}`,
      editLayers(bench.picture.id, ids(layers), () => ({ locked: lock })),
    );
  },
  remove(bench: Acting, layers: readonly Layer[]) {
    const free = layers.filter((l) => !l.locked);
    if (free.length === 0) {
      return;
    }
    bench.commit(`Remove ${changeNames(free)}`, removeLayers(bench.picture.id, ids(free)));
    bench.select(undefined);
  },
  duplicate(bench: Acting, layers: readonly Layer[]) {
    const copies = copiesOf(layers, { x: 12, y: 12 }, newId);
    bench.commit(`Duplicate ${changeNames(layers)}`, addLayers(bench.picture.id, copies));
    bench.selectAll(ids(copies));
  },
  move: (bench: Acting, layer: Layer, by: number) =>
    bench.commit(
      `${by > 0 ? 'Bring' : 'Send'} ${changeNames([layer])} ${by > 0 ? 'forward' : 'back'}`,
      moveLayer(bench.picture.id, layer.id, by),
    ),
  place: (bench: Acting, layer: Layer, to: number) =>
    bench.commit(
      `Put ${changeNames([layer])} at place ${to + 1}`,
      placeLayer(bench.picture.id, layer.id, to),
    ),
  rename: (bench: Acting, layer: Layer, name: string) =>
    bench.commit(
      name.trim()
        ? `Name it ${name.trim().slice(0, 40)}`
        : `Remove the name of ${kindOf(layer).name(layer)}`,
      editLayers(bench.picture.id, [layer.id], () => ({ name: name.trim().slice(0, 200) })),
    ),
};
