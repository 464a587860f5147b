'use client';

import { newId } from '../shared/newId';
import {
  createContext,
  use,
  useCallback,
  useEffect,
  useMemo,
  useState,
  type SetStateAction,
} from 'react';
import { createStore, type StoreApi } from 'zustand/vanilla';
import { useStore } from 'zustand';
import type { Box } from '@/core/arrange/box';
import { kindOf } from '@/core/layers/registry';
import type { PageWordsReport } from '@/core/legibility/pageWords';
import type { Reading } from '@/core/readings/reading';
import { takeReadings } from '@/core/readings/registry';
import type { Edit } from '@/core/site/edit';
import type { Layer, ObjectLayer } from '@/core/site/model/layer';
import type { Picture } from '@/core/site/model/picture';
import type { ShelfItem } from '@/core/site/model/shelf';
import type { Site } from '@/core/site/model/site';
import type { Slot } from '@/core/site/model/slot';
import { pictureOf } from '@/core/site/picture';
import { layFirst } from '../hooks/firstPlaces';
import { useIntake } from '../hooks/useIntake';
import { usePressed, type Press } from '../hooks/usePressed';
import { useSite, type Session } from '../hooks/useSession';
import { addPhotoOnTop } from '@/core/layers/layPhoto';

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
  /** A thing in a photo is cut out by a loop around it. */
  | { readonly kind: 'loop'; readonly layerId: string }
  /** A line of the owner's own is drawn. */
  | { readonly kind: 'line'; readonly layerId: string }
  | {
      readonly kind: 'brush';
      readonly layerId: string;
      readonly mode: 'away' | 'back';
      readonly size: number;
    };

/** The picture that is worked on, where it lies, and how it is changed. */
export interface Editing {
  readonly session: Session;
  readonly site: Site;
  readonly slot: Slot;
  readonly picture: Picture;
  preview(edit: Edit): void;
  commit(label: string, edit: Edit): void;
  /**
   * Small steps that follow each other, such as key presses, become one step of history once they
   * pause.
   */
  burst(label: string, edit: Edit): void;
}

/** Which layers are selected, and what the pointer does to one. */
export interface Selecting {
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
}

/** Which of the seven questions is asked. */
export interface Asking {
  readonly question: number;
  /** How often one was asked; the bench opens with one that nobody asked. */
  readonly times: number;
  ask(question: number): void;
}

/** The picture's file, and what was measured of it. */
export interface Filed {
  readonly press: Press;
  readonly readings: readonly Reading[];
  /** The reading that is asked why. */
  readonly why: string | undefined;
  askWhy(readingId: string | undefined): void;
}

/** Words of the owner's own page that lie over the picture. */
export interface PageWordsShown {
  /** Of this very state of the picture; undefined while it is not measured. */
  readonly over: PageWordsReport | undefined;
  /** Px of the page that the report counts from. */
  readonly top: number;
  tell(of: Picture, report: PageWordsReport, top: number): void;
}

/** What is seen on the page in the slot. */
export interface Shown {
  readonly showing: Showing;
  /** Undefined for what the question itself shows. */
  show(showing: Showing | undefined): void;
  readonly held: HeldFile | undefined;
  hold(file: HeldFile | undefined): void;
}

/** Pictures on their way into the slot. */
export interface Laying {
  /** Takes picture files in: as the photo of the slot, or on top while that is the question. */
  lay(files: readonly File[]): Promise<void>;
  layItem(item: ShelfItem): void;
  /** Lays a picture of the shelf on top of everything. */
  putOnTop(item: ShelfItem): void;
  /** Goes to the shelf, to come back with a picture for this slot. */
  openShelf(): void;
  /** What is being read. */
  readonly reading: string | undefined;
}

export interface DrawnBoxes {
  /**
   * Where each layer that has a place lies, as last drawn; kept apart, since it changes with every
   * frame.
   */
  readonly drawn: StoreApi<Drawn>;
}

/** What commands and buttons that act on layers need. */
export type Acting = Editing & Selecting & Asking & DrawnBoxes;

/** A whole bench, for those who make one. */
export interface BenchParts {
  readonly editing: Editing;
  readonly selecting: Selecting;
  readonly asking: Asking;
  readonly filed: Filed;
  readonly pageWords: PageWordsShown;
  readonly shown: Shown;
  readonly laying: Laying;
  readonly boxes: DrawnBoxes;
}

const Context = createContext<BenchParts | undefined>(undefined);
export const BenchProvider = Context.Provider;

function usePart<K extends keyof BenchParts>(part: K): BenchParts[K] {
  const bench = use(Context);
  if (!bench) {
    throw new Error(`Expected a BenchProvider above what asks for its ${part}.`);
  }
  return bench[part];
}

export const useEditing = (): Editing => usePart('editing');
export const useSelecting = (): Selecting => usePart('selecting');
export const useAsking = (): Asking => usePart('asking');
export const useFiled = (): Filed => usePart('filed');
export const usePageWords = (): PageWordsShown => usePart('pageWords');
export const useShowing = (): Shown => usePart('shown');
export const useLaying = (): Laying => usePart('laying');
export const useDrawn = (): DrawnBoxes => usePart('boxes');

export const useActing = (): Acting => ({
  ...useEditing(),
  ...useSelecting(),
  ...useAsking(),
  ...useDrawn(),
});

/**
 * Where a layer lies: a text as last drawn, since only glyphs tell its size; anything else as it is
 * now.
 */
export function useLayerBox(layer: ObjectLayer): Box | undefined {
  const { drawn } = useDrawn();
  const box = useStore(drawn, (d) => d.boxes[layer.id]);
  return kindOf(layer).ownBox?.(layer) ?? box;
}

export function useBenchModel(session: Session, slot: Slot, openShelf: () => void): BenchParts {
  const site = useSite(session);
  const picture = pictureOf(site, slot);
  const press = usePressed(
    site,
    slot,
    picture,
    useStore(session.state, (s) => s.previewing),
  );
  const [{ question, times }, setQuestion] = useState({ question: 2, times: 0 });
  const [why, askWhy] = useState<string>();
  const [selectedIds, setSelectedIds] = useState<readonly string[]>([]);
  const [tool, take] = useState<Tool>();
  const [drawn] = useState(() => createStore<Drawn>(() => ({ boxes: {} })));
  // How often one turned to a layer or a question: what comes later than that does not take it away.
  const [turns] = useState(() => createStore(() => 0));
  const [asked, show] = useState<Showing>();
  const [held, hold] = useState<HeldFile>();
  useEffect(() => () => session.flush(), [session]);
  const intake = useIntake();
  const file = press.current ? press.file : undefined;
  const [told, setTold] = useState<{ of: Picture; report: PageWordsReport; top: number }>();
  const over = told?.of === picture ? told.report : undefined;
  const readings = useMemo(
    () => takeReadings({ site, slot, picture, file, over }),
    [site, slot, picture, file, over],
  );

  const tell = useCallback(
    (of: Picture, report: PageWordsReport, top: number) => setTold({ of, report, top }),
    [],
  );

  const now = () => pictureOf(session.state.getState().site, slot);
  const commit = (label: string, edit: Edit) => session.commit(label, edit);
  const turn = () => turns.setState((count) => count + 1, true);
  // A tool is put down when something else is turned to.
  const selectAll = (change: SetStateAction<readonly string[]>) => {
    turn();
    take(undefined);
    setSelectedIds(change);
  };
  const select = (layerId: string | undefined) => selectAll(layerId === undefined ? [] : [layerId]);
  const putOnTop = (item: ShelfItem, since = turns.getState()) => {
    const id = newId();
    commit(`Add ${item.name}`, addPhotoOnTop(slot, now(), item, id));
    if (turns.getState() === since) {
      select(id);
    }
  };
  /** @param since `turns` when it was asked for */
  const layItem = async (item: ShelfItem, since: number) => {
    if (question === 4) {
      putOnTop(item, since);
    } else {
      await layFirst(session, slot, item);
    }
  };
  const lay = (files: readonly File[]) => {
    let since = turns.getState();
    return intake.take(files, (item) => {
      const undisturbed = turns.getState() === since;
      void layItem(item, since);
      if (undisturbed) {
        // Of several the last is turned to.
        since = turns.getState();
      }
    });
  };
  const selected = picture.layers.find((l) => l.id === selectedIds.at(-1));

  const usable =
    tool &&
    question === (tool.kind === 'line' ? 5 : 4) &&
    selectedIds.length === 1 &&
    tool.layerId === selected?.id &&
    !selected.locked;
  return {
    editing: {
      session,
      site,
      slot,
      picture,
      commit,
      preview: (edit) => session.preview(edit),
      burst: (label, edit) => session.burst(label, edit),
    },
    selecting: {
      selected,
      selection: picture.layers.filter((l) => selectedIds.includes(l.id)),
      select,
      selectAll,
      toggle: (id) =>
        selectAll((ids) => (ids.includes(id) ? ids.filter((i) => i !== id) : [...ids, id])),
      tool: usable ? tool : undefined,
      take,
    },
    asking: {
      question,
      times,
      ask(next) {
        session.flush();
        turn();
        setQuestion((before) => ({ question: next, times: before.times + 1 }));
        hold(undefined);
      },
    },
    filed: { press, readings, why, askWhy },
    pageWords: {
      over,
      top: told?.top ?? 0,
      tell,
    },
    shown: {
      // Asking how heavy it is shows the file itself, unless something else is being held up
      // against it.
      showing: asked ?? (question === 6 && (press.current || held) ? 'file' : 'picture'),
      show,
      held: question === 6 ? held : undefined,
      hold,
    },
    laying: {
      lay,
      layItem: (item) => void layItem(item, turns.getState()),
      putOnTop: (item) => putOnTop(item),
      openShelf,
      reading: intake.busy,
    },
    boxes: { drawn },
  };
}
