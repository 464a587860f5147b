'use client';

import { newId } from '../shared/newId';
import { createContext, use, useEffect, useMemo, useState, type SetStateAction } from 'react';
import { createStore, type StoreApi } from 'zustand/vanilla';
import { useStore } from 'zustand';
import type { Box } from '@/core/arrange/box';
import { kindOf } from '@/core/layers/registry';
import type { Reading } from '@/core/readings/reading';
import { takeReadings } from '@/core/readings/registry';
import type { Edit } from '@/core/site/edit';
import type { Layer, ObjectLayer } from '@/core/site/model/layer';
import type { Picture } from '@/core/site/model/picture';
import type { ShelfItem } from '@/core/site/model/shelf';
import type { Site } from '@/core/site/model/site';
import type { Slot } from '@/core/site/model/slot';
import { pictureOf } from '@/core/site/picture';
import { useIntake } from '../hooks/useIntake';
import { usePressed, type Press } from '../hooks/usePressed';
import { useSite, type Session } from '../hooks/useSession';
import { addPhotoOnTop, layPhoto } from '@/core/layers/layPhoto';

/**
 * What lies on the page in the slot: the picture, the picture without anything laid over it, the
 * pressed file, or how the file differs from the picture.
 */
export type Showing = 'picture' | 'before' | 'file' | 'difference';

/** Another file that is held up on the page in place of the picture's own. */
export interface HeldFile {
  readonly data: Uint8Array<ArrayBuffer>;
}

interface Drawn {
  readonly boxes: Readonly<Record<string, Box>>;
}

/** Something else than moving that the pointer does on the picture, to one layer. */
export type Tool =
  | { readonly kind: 'words'; readonly layerId: string }
  | { readonly kind: 'sample'; readonly layerId: string }
  | {
      readonly kind: 'brush';
      readonly layerId: string;
      readonly mode: 'away' | 'back';
      readonly size: number;
    };

export interface Bench {
  readonly session: Session;
  readonly site: Site;
  readonly slot: Slot;
  readonly picture: Picture;
  readonly press: Press;
  readonly readings: readonly Reading[];
  readonly question: number;
  ask(question: number): void;
  /** The layer whose controls are shown: the one selected last. */
  readonly selected: Layer | undefined;
  /** All layers selected, back to front. */
  readonly selection: readonly Layer[];
  select(layerId: string | undefined): void;
  /** Takes a layer into the selection or out of it. */
  toggle(layerId: string): void;
  selectAll(layerIds: readonly string[]): void;
  readonly tool: Tool | undefined;
  take(tool: Tool | undefined): void;
  /**
   * Where each layer that has a place lies, as last drawn; kept apart, since it changes with every
   * frame.
   */
  readonly drawn: StoreApi<Drawn>;
  readonly showing: Showing;
  /** Undefined for what the question itself shows. */
  show(showing: Showing | undefined): void;
  readonly held: HeldFile | undefined;
  hold(file: HeldFile | undefined): void;
  preview(edit: Edit): void;
  commit(label: string, edit: Edit): void;
  /**
   * Small steps that follow each other, such as key presses, become one step of history once they
   * pause.
   */
  burst(label: string, edit: Edit): void;
  /** Takes picture files in: as the photo of the slot, or on top while that is the question. */
  lay(files: readonly File[]): Promise<void>;
  layItem(item: ShelfItem): void;
  /** Lays a picture of the shelf on top of everything. */
  putOnTop(item: ShelfItem): void;
  /** Goes to the shelf, to come back with a picture for this slot. */
  openShelf(): void;
  readonly reading: string | undefined;
}

const Context = createContext<Bench | undefined>(undefined);
export const BenchProvider = Context.Provider;

export function useBench(): Bench {
  const bench = use(Context);
  if (!bench) {
    throw new Error('useBench needs a BenchProvider above it.');
  }
  return bench;
}

/**
 * Where a layer lies: a text as last drawn, since only glyphs tell its size; anything else as it is
 * now.
 */
export function useLayerBox(bench: Bench, layer: ObjectLayer): Box | undefined {
  const drawn = useStore(bench.drawn, (d) => d.boxes[layer.id]);
  return kindOf(layer).ownBox?.(layer) ?? drawn;
}

export function useBenchModel(session: Session, slot: Slot, openShelf: () => void): Bench {
  const site = useSite(session);
  const picture = pictureOf(site, slot);
  const press = usePressed(
    site,
    slot,
    picture,
    useStore(session.state, (s) => s.previewing),
  );
  const [question, setQuestion] = useState(2);
  const [selectedIds, setSelectedIds] = useState<readonly string[]>([]);
  const [tool, take] = useState<Tool>();
  const [drawn] = useState(() => createStore<Drawn>(() => ({ boxes: {} })));
  const [asked, show] = useState<Showing>();
  const [held, hold] = useState<HeldFile>();
  useEffect(() => () => session.flush(), [session]);
  const intake = useIntake();
  const file = press.current ? press.file : undefined;
  const readings = useMemo(
    () => takeReadings({ site, slot, picture, file }),
    [site, slot, picture, file],
  );

  const now = () => pictureOf(session.state.getState().site, slot);
  const commit = (label: string, edit: Edit) => session.commit(label, edit);
  // A tool is put down when something else is turned to.
  const selectAll = (change: SetStateAction<readonly string[]>) => {
    take(undefined);
    setSelectedIds(change);
  };
  const select = (layerId: string | undefined) => selectAll(layerId === undefined ? [] : [layerId]);
  const putOnTop = (item: ShelfItem) => {
    const id = newId();
    commit(`Add ${item.name}`, addPhotoOnTop(slot, now(), item, id));
    select(id);
  };
  const layItem = (item: ShelfItem) => {
    if (question === 4) {
      putOnTop(item);
    } else {
      commit(`Lay ${item.name}`, layPhoto(slot, now(), item, newId()));
    }
  };
  const selected = picture.layers.find((l) => l.id === selectedIds.at(-1));

  return {
    session,
    site,
    slot,
    picture,
    press,
    readings,
    question,
    drawn,
    select,
    selectAll,
    commit,
    layItem,
    putOnTop,
    openShelf,
    take,
    // Asking how heavy it is shows the file itself, unless something else is being held up against
    // it.
    showing: asked ?? (question === 6 && (press.current || held) ? 'file' : 'picture'),
    show,
    held: question === 6 ? held : undefined,
    hold,
    ask(next) {
      session.flush();
      setQuestion(next);
      hold(undefined);
    },
    selected,
    selection: picture.layers.filter((l) => selectedIds.includes(l.id)),
    toggle: (id) =>
      selectAll((ids) => (ids.includes(id) ? ids.filter((i) => i !== id) : [...ids, id])),
    tool:
      tool &&
      question === 4 &&
      selectedIds.length === 1 &&
      tool.layerId === selected?.id &&
      !selected.locked
        ? tool
        : undefined,
    preview: (edit) => session.preview(edit),
    burst: (label, edit) => session.burst(label, edit),
    lay: (files) => intake.take(files, layItem),
    reading: intake.busy,
  };
}
