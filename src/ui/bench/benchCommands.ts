import { effectNames, effectOf } from '@/core/effects/registry';
import { isObject, kindOf } from '@/core/layers/registry';
import { newTone } from '@/core/layers/recolour';
import { shapeTitles } from '@/core/layers/shape';
import { addLayer, editLayers } from '@/core/site/edit';
import type { AlignSide } from '@/core/arrange/align';
import type { Layer, ObjectLayer } from '@/core/site/model/layer';
import type { ShapeName } from '@/core/site/model/objectLayers';
import { backPhoto } from '@/core/readings/cover';
import type { Command } from '../shared/commands';
import { alignLayers, changeNames, fitToWidth, spaceLayers } from '@/core/arrange/layerEdits';
import { newId } from '../shared/newId';
import { shapeFor, textFor, themeDark, themeLight } from '@/core/layers/fitting';
import { layerActions } from './layerActions';
import { copyLayers, hasCopied, pasteLayers } from './layerClipboard';
import { questions } from './answers';
import { zooms, type Zoom } from './stage/Stage';
import type { Acting, Laying, Shown } from './useBench';

/** What all commands together need. */
type Commanded = Acting & Shown & Laying;

export interface BenchSwitches {
  readonly undoLabel: string | undefined;
  readonly redoLabel: string | undefined;
  setZoom(change: Zoom | ((zoom: Zoom) => Zoom)): void;
  setMarks(shown: boolean): void;
  nextWidth(): void;
  openList(): void;
  openHistory(): void;
  leave(): void;
}

/** Adds a layer in front of everything and turns to it. */
export function addOnTop(bench: Acting, layer: Layer): void {
  bench.commit(`Add ${kindOf(layer).name(layer)}`, addLayer(bench.picture.id, layer));
  bench.select(layer.id);
  bench.ask(4);
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

function nudges(bench: Commanded): Command[] {
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
function arranging(bench: Commanded): Command[] {
  const { selection, selected, picture, slot, site } = bench;
  const objects = selection.filter(isObject);
  const boxes = bench.drawn.getState().boxes;
  const box = selected && boxes[selected.id];
  const wanted = (list: readonly Layer[], least = 1) => list.length >= least;
  return [
    {
      id: 'add-text',
      label: 'Add a text',
      run: () => addOnTop(bench, textFor(site, slot, newId())),
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

export function benchCommands(bench: Commanded, switches: BenchSwitches): Command[] {
  const { selected, selection, picture } = bench;
  const step = (by: number) => {
    const at = picture.layers.findIndex((l) => l.id === selected?.id);
    const first = by > 0 ? 0 : picture.layers.length - 1;
    const next = picture.layers[at < 0 ? first : at + by];
    if (next) {
      bench.select(next.id);
    }
  };
  const withLayers = (
    id: string,
    label: string,
    keys: string[],
    run: (layers: readonly Layer[]) => void,
  ): Command => ({ id, label, keys, enabled: selection.length > 0, run: () => run(selection) });
  return [
    ...questions.map(({ number, title }): Command => ({
      id: `question-${number}`,
      label: title,
      keys: [String(number)],
      run: () => bench.ask(number),
    })),
    { id: 'behind', label: 'Select the layer behind', keys: [','], run: () => step(-1) },
    { id: 'front', label: 'Select the layer in front', keys: ['.'], run: () => step(1) },
    {
      id: 'all',
      label: 'Select all layers on top',
      keys: ['Mod+a'],
      run: () => {
        bench.selectAll(
          picture.layers
            .filter((l) => isObject(l) && l !== backPhoto(picture) && !l.hidden)
            .map((l) => l.id),
        );
        bench.ask(4);
      },
    },
    ...nudges(bench),
    {
      id: 'words',
      label: 'Edit the words',
      keys: ['Enter'],
      enabled: selected?.kind === 'text' && !selected.locked,
      run: () => {
        bench.ask(4);
        bench.take({ kind: 'words', layerId: selected!.id });
      },
    },
    withLayers('remove', 'Remove the layer', ['Delete', 'Backspace'], (l) =>
      layerActions.remove(bench, l),
    ),
    withLayers('hide', 'Hide or show the layer', ['h'], (l) => layerActions.hide(bench, l)),
    withLayers('lock', 'Lock or unlock the layer', ['l'], (l) => layerActions.lock(bench, l)),
    withLayers('duplicate', 'Duplicate the layer', ['d'], (l) => layerActions.duplicate(bench, l)),
    {
      id: 'forward',
      label: 'Bring the layer forward',
      keys: ['Mod+]'],
      enabled: selected !== undefined,
      run: () => layerActions.move(bench, selected!, 1),
    },
    {
      id: 'back',
      label: 'Send the layer back',
      keys: ['Mod+['],
      enabled: selected !== undefined,
      run: () => layerActions.move(bench, selected!, -1),
    },
    {
      id: 'copy',
      label: 'Copy the layers',
      enabled: selection.length > 0,
      run: () => {
        copyLayers(bench);
      },
    },
    {
      id: 'paste',
      label: 'Paste the copied layers',
      enabled: hasCopied(),
      run: () => pasteLayers(bench),
    },
    ...arranging(bench),
    // A file is held up against the picture as it was drawn, a picture against its photo.
    {
      id: 'before',
      label:
        bench.question === 6
          ? 'The picture before it was pressed (hold)'
          : 'The picture before (hold)',
      keys: ['b'],
      run: () => bench.show(bench.question === 6 ? 'picture' : 'before'),
      release: () => bench.show(undefined),
    },
    {
      id: 'difference',
      label: 'What the file has lost, amplified (hold)',
      keys: ['x'],
      enabled: bench.question === 6,
      run: () => bench.show('difference'),
      release: () => bench.show(undefined),
    },
    {
      id: 'plain',
      label: 'The page without marks (hold)',
      keys: ['p'],
      run: () => switches.setMarks(false),
      release: () => switches.setMarks(true),
    },
    { id: 'width', label: 'Next screen width', keys: ['w'], run: switches.nextWidth },
    { id: 'true', label: 'True pixels, 1:1', keys: ['0'], run: () => switches.setZoom('1:1') },
    {
      id: 'in',
      label: 'Zoom in',
      keys: ['+', '='],
      run: () => switches.setZoom((z) => zooms[Math.min(zooms.length - 1, zooms.indexOf(z) + 1)]),
    },
    {
      id: 'out',
      label: 'Zoom out',
      keys: ['-'],
      run: () => switches.setZoom((z) => zooms[Math.max(0, zooms.indexOf(z) - 1)]),
    },
    {
      id: 'undo',
      label: switches.undoLabel ? `Undo: ${switches.undoLabel}` : 'Undo',
      keys: ['Mod+z'],
      enabled: switches.undoLabel !== undefined,
      run: () => bench.session.undo(),
    },
    {
      id: 'redo',
      label: switches.redoLabel ? `Redo: ${switches.redoLabel}` : 'Redo',
      keys: ['Mod+Shift+z'],
      enabled: switches.redoLabel !== undefined,
      run: () => bench.session.redo(),
    },
    { id: 'history', label: 'All steps so far', run: switches.openHistory },
    { id: 'plan', label: 'Back to the page plan', run: switches.leave },
    {
      id: 'list',
      label: 'All commands and their keys',
      keys: ['Mod+k', '?'],
      unlisted: true,
      run: switches.openList,
    },
    {
      id: 'none',
      label: 'Select nothing',
      keys: ['Escape'],
      unlisted: true,
      run: () => {
        if (bench.tool) {
          bench.take(undefined);
        } else {
          bench.select(undefined);
        }
      },
    },
  ];
}
