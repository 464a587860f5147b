import { isObject } from '@/core/layers/registry';
import type { Layer } from '@/core/site/model/layer';
import { backPhoto } from '@/core/readings/cover';
import { undoCommands } from '../shared/undoCommands';
import { helpCommands } from '../help/commands';
import type { Command } from '../shared/commands';
import { layerActions } from './layerActions';
import { copyLayers, hasCopied, pasteLayers } from './layerClipboard';
import { questions } from './answers';
import { zooms, type Zoom } from './stage/StageBoard';
import { nudges, arranging } from './arrangeCommands';
import type { Commanded } from './addOnTop';

export interface BenchSwitches {
  readonly undoLabel: string | undefined;
  readonly redoLabel: string | undefined;
  setZoom(change: Zoom | ((zoom: Zoom) => Zoom)): void;
  setMarks(shown: boolean): void;
  nextWidth(): void;
  openList(): void;
  openHistory(): void;
  openVersions(): void;
  leave(): void;
  go(address: string): void;
  /** The page alone in the window, or with its controls again. */
  turnAlone(): void;
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
    { id: 'versions', label: 'Versions side by side', run: switches.openVersions },
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
        bench.setTool({ kind: 'words', layerId: selected!.id });
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
          ? 'The picture before it was written (hold)'
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
    {
      id: 'alone',
      label: 'The page alone, or with its controls',
      keys: ['f'],
      run: switches.turnAlone,
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
    ...undoCommands(bench.session, switches),
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
          bench.setTool(undefined);
        } else {
          bench.select(undefined);
        }
      },
    },
    ...helpCommands(switches.go),
  ];
}
