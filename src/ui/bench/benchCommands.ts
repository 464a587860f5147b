import { kindOf } from '@/core/layers/registry';
import { addLayer, editLayer, moveLayer, removeLayer } from '@/core/site/edit';
import type { Layer } from '@/core/site/model';
import { backPhoto } from '@/core/readings/cover';
import type { Command } from '../shared/commands';
import { newId } from './edits';
import { questions } from './answers';
import type { Zoom } from './Stage';
import type { Bench } from './useBench';

export interface BenchSwitches {
  readonly undoLabel: string | undefined;
  readonly redoLabel: string | undefined;
  setZoom(change: Zoom | ((zoom: Zoom) => Zoom)): void;
  setMarks(shown: boolean): void;
  nextWidth(): void;
  openList(): void;
  leave(): void;
}

/** Edits of one layer that both buttons and keys reach. */
export const layerActions = {
  hide: (bench: Bench, layer: Layer) => bench.commit(layer.hidden ? `Show ${kindOf(layer).name(layer)}` : `Hide ${kindOf(layer).name(layer)}`, editLayer(bench.picture.id, layer.id, { hidden: !layer.hidden })),
  remove(bench: Bench, layer: Layer) {
    bench.commit(`Remove ${kindOf(layer).name(layer)}`, removeLayer(bench.picture.id, layer.id));
    bench.select(undefined);
  },
  duplicate(bench: Bench, layer: Layer) {
    const copy = { ...layer, ...kindOf(layer).moved?.(layer, 12, 12), id: newId() } as Layer;
    bench.commit(`Duplicate ${kindOf(layer).name(layer)}`, addLayer(bench.picture.id, copy, layer.id));
    bench.select(copy.id);
  },
  move: (bench: Bench, layer: Layer, by: number) => bench.commit(by > 0 ? 'Bring forward' : 'Send back', moveLayer(bench.picture.id, layer.id, by)),
};

/** What arrows move: the selected layer if it can be moved, else the photo while it is being framed. */
const movable = ({ selected, picture, question }: Bench): Layer | undefined => (selected && kindOf(selected).moved ? selected : question === 2 ? backPhoto(picture) : undefined);

const arrows: Readonly<Record<string, readonly [number, number]>> = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] };

function nudges(bench: Bench): Command[] {
  const layer = movable(bench);
  return Object.entries(arrows).flatMap(([key, [dx, dy]]) => [1, 10].map((px): Command => ({
    id: `nudge-${key}-${px}`, label: `Move ${px} px ${key.slice(5).toLowerCase()}`, keys: [px === 10 ? `Shift+${key}` : key], unlisted: px === 10, enabled: layer !== undefined,
    run() {
      if (!layer) return;
      const { id, kind } = layer;
      bench.burst(`Move ${kindOf(layer).name(layer)}`, (site) => {
        const there = site.pictures[bench.picture.id]?.layers.find((l) => l.id === id);
        if (there?.kind === kind) Object.assign(there, kindOf(there as Layer).moved?.(there as Layer, dx * px, dy * px));
      });
    },
  })));
}

export function benchCommands(bench: Bench, switches: BenchSwitches): Command[] {
  const { selected, picture } = bench;
  const step = (by: number) => {
    const at = picture.layers.findIndex((l) => l.id === selected?.id);
    const next = picture.layers[at < 0 ? (by > 0 ? 0 : picture.layers.length - 1) : at + by];
    if (next) bench.select(next.id);
  };
  const withLayer = (id: string, label: string, keys: string[], run: (layer: Layer) => void): Command =>
    ({ id, label, keys, enabled: selected !== undefined, run: () => { if (selected) run(selected); } });
  return [
    ...questions.map(({ number, title }): Command => ({ id: `question-${number}`, label: title, keys: [String(number)], run: () => bench.ask(number) })),
    { id: 'behind', label: 'Select the layer behind', keys: [','], run: () => step(-1) },
    { id: 'front', label: 'Select the layer in front', keys: ['.'], run: () => step(1) },
    ...nudges(bench),
    { id: 'words', label: 'Edit the words', keys: ['Enter'], enabled: selected?.kind === 'text', run: () => { bench.ask(4); setTimeout(() => document.getElementById('words')?.focus(), 0); } },
    withLayer('remove', 'Remove the layer', ['Delete', 'Backspace'], (l) => layerActions.remove(bench, l)),
    withLayer('hide', 'Hide or show the layer', ['h'], (l) => layerActions.hide(bench, l)),
    withLayer('duplicate', 'Duplicate the layer', ['d'], (l) => layerActions.duplicate(bench, l)),
    withLayer('forward', 'Bring the layer forward', ['Mod+]'], (l) => layerActions.move(bench, l, 1)),
    withLayer('back', 'Send the layer back', ['Mod+['], (l) => layerActions.move(bench, l, -1)),
    { id: 'before', label: 'The picture before (hold)', keys: ['b'], run: () => bench.show('before'), release: () => bench.show('picture') },
    { id: 'plain', label: 'The page without marks (hold)', keys: ['p'], run: () => switches.setMarks(false), release: () => switches.setMarks(true) },
    { id: 'width', label: 'Next screen width', keys: ['w'], run: switches.nextWidth },
    { id: 'in', label: 'True pixels, 1:1', keys: ['0', '+', '='], run: () => switches.setZoom('1:1') },
    { id: 'out', label: 'Fit the page', keys: ['-'], run: () => switches.setZoom('fit') },
    { id: 'undo', label: switches.undoLabel ? `Undo: ${switches.undoLabel}` : 'Undo', keys: ['Mod+z'], enabled: switches.undoLabel !== undefined, run: () => bench.session.undo() },
    { id: 'redo', label: switches.redoLabel ? `Redo: ${switches.redoLabel}` : 'Redo', keys: ['Mod+Shift+z'], enabled: switches.redoLabel !== undefined, run: () => bench.session.redo() },
    { id: 'plan', label: 'Back to the page plan', run: switches.leave },
    { id: 'list', label: 'All commands and their keys', keys: ['Mod+k', '?'], unlisted: true, run: switches.openList },
    { id: 'none', label: 'Select nothing', keys: ['Escape'], unlisted: true, run: () => bench.select(undefined) },
  ];
}
