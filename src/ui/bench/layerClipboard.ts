import { newId } from '../shared/newId';
import { isObject, kindOf, layerSchema } from '@/core/layers/registry';
import { addLayers, chain, keepFont, shelve } from '@/core/site/edit';
import type { Layer } from '@/core/site/model/layer';
import type { ShelfItem } from '@/core/site/model/shelf';
import type { OwnFont } from '@/core/site/model/theme';
import { ownFontId } from '@/core/text/fonts';
import { notify } from '../shared/notices';
import { changeNames, copiesOf } from '@/core/arrange/layerEdits';
import type { Acting } from './useBench';

/** Layers on their way to another slot, with the shelf's and the fonts' entries that they need. */
interface Copied {
  readonly layers: readonly Layer[];
  readonly shelf: readonly ShelfItem[];
  readonly fonts: readonly OwnFont[];
}

/** Kind of clipboard data that pasting tells layers of ours by. */
export const layersType = 'application/x-soyez-layers';

/** Where copied layers wait, so that they can be pasted from a menu too, and in another tab. */
const place = 'soyez copied layers';

/**
 * Puts the selected layers by for pasting. @returns what was put by, undefined where nothing is
 * selected
 */
export function copyLayers({ selection, site }: Acting): string | undefined {
  if (selection.length === 0) {
    return undefined;
  }
  const assets = new Set(selection.flatMap((l) => kindOf(l).assets?.(l) ?? []));
  const copied: Copied = {
    layers: selection,
    shelf: site.shelf.filter((i) => assets.has(i.assetId)),
    fonts: site.fonts.filter((f) => assets.has(f.assetId)),
  };
  const text = JSON.stringify(copied);
  localStorage.setItem(place, text);
  return text;
}

export const hasCopied = (): boolean =>
  typeof localStorage !== 'undefined' && localStorage.getItem(place) !== null;

function read(): Copied | undefined {
  try {
    const value = JSON.parse(localStorage.getItem(place) ?? 'null') as Copied | null;
    if (
      !value ||
      !value.layers.every((l) => layerSchema(l.kind).isValidSync(l, { strict: true }))
    ) {
      return undefined;
    }
    return value;
  } catch {
    return undefined;
  }
}

/**
 * Lays what was copied in front of everything; layers that would lie beside a smaller slot come
 * into its middle.
 */
export function pasteLayers(bench: Acting): void {
  const copied = read();
  if (!copied) {
    notify('bad', 'There are no copied layers. Select some and copy them first.');
    return;
  }
  const { slot, picture } = bench;
  const there = new Set(picture.layers.map((l) => JSON.stringify({ ...l, id: '' })));
  const fresh = copied.layers.map((layer) => {
    // A second copy on the same picture is put a little aside, so that it is seen.
    const again = there.has(JSON.stringify({ ...layer, id: '' })) ? 12 : 0;
    const [copy] = copiesOf([layer], { x: again, y: again }, newId);
    if (!isObject(copy)) {
      return copy;
    }
    const outside = copy.x > slot.width - 8 || copy.y > slot.height - 8;
    return outside
      ? ({ ...copy, x: Math.round(slot.width / 3), y: Math.round(slot.height / 4) } as Layer)
      : copy;
  });
  bench.commit(
    `Paste ${changeNames(fresh)}`,
    chain(
      ...copied.shelf.map(shelve),
      ...copied.fonts.map((f) => keepFont({ ...f, id: ownFontId(f.assetId) })),
      addLayers(picture.id, fresh),
    ),
  );
  bench.selectAll(fresh.map((l) => l.id));
  if (fresh.some(isObject)) {
    bench.ask(4);
  }
}
