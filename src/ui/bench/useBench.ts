'use client';

import { newId } from '../shared/newId';
import {
  createContext,
  createElement,
  use,
  useCallback,
  useEffect,
  useMemo,
  useState,
  type Context,
  type ReactNode,
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
import { useEncodedFile, type EncodedFileState } from '../hooks/useEncodedFile';
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
  setTool(tool: Tool | undefined): void;
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
  readonly encodedFile: EncodedFileState;
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

type Contexts = { readonly [K in keyof BenchParts]: Context<BenchParts[K] | undefined> };

/** One context for each part, so that a change of one wakes only those who use it. */
const contexts: Contexts = {
  editing: createContext<Editing | undefined>(undefined),
  selecting: createContext<Selecting | undefined>(undefined),
  asking: createContext<Asking | undefined>(undefined),
  filed: createContext<Filed | undefined>(undefined),
  pageWords: createContext<PageWordsShown | undefined>(undefined),
  shown: createContext<Shown | undefined>(undefined),
  laying: createContext<Laying | undefined>(undefined),
  boxes: createContext<DrawnBoxes | undefined>(undefined),
};

/** Hands the parts of a bench to everything below it. */
export function BenchProvider({ value, children }: { value: BenchParts; children: ReactNode }) {
  const within = <K extends keyof BenchParts>(part: K, inner: ReactNode): ReactNode =>
    createElement(contexts[part].Provider, { value: value[part] }, inner);
  return (Object.keys(contexts) as (keyof BenchParts)[]).reduce<ReactNode>(
    (inner, part) => within(part, inner),
    children,
  );
}

function usePart<K extends keyof BenchParts>(part: K): BenchParts[K] {
  const value = use<BenchParts[K] | undefined>(contexts[part]);
  if (!value) {
    throw new Error(`Expected a BenchProvider above what asks for its ${part}.`);
  }
  return value;
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

/** The site of the slot, how it is changed, and the picture that the slot shows. */
function useEditingPart(session: Session, slot: Slot): Editing {
  const site = useSite(session);
  const picture = pictureOf(site, slot);
  useEffect(() => () => session.flush(), [session]);
  return useMemo(
    () => ({
      session,
      site,
      slot,
      picture,
      commit: (label, edit) => session.commit(label, edit),
      preview: (edit) => session.preview(edit),
      burst: (label, edit) => session.burst(label, edit),
    }),
    [session, site, slot, picture],
  );
}

/**
 * How often the owner turned to a layer or a question. Work that ends later than such a turn must
 * not take the selection away.
 */
type TurnCount = StoreApi<number>;

const countTurn = (turns: TurnCount) => turns.setState((count) => count + 1, true);

function useSelectingPart(picture: Picture, question: number, turns: TurnCount): Selecting {
  const [selectedIds, setSelectedIds] = useState<readonly string[]>([]);
  const [tool, setTool] = useState<Tool>();
  const actions = useMemo(() => {
    // A tool is put down when something else is turned to.
    const change = (next: SetStateAction<readonly string[]>) => {
      countTurn(turns);
      setTool(undefined);
      setSelectedIds(next);
    };
    return {
      setTool,
      selectAll: (ids: readonly string[]) => change(ids),
      select: (id: string | undefined) => change(id === undefined ? [] : [id]),
      toggle: (id: string) =>
        change((ids) => (ids.includes(id) ? ids.filter((i) => i !== id) : [...ids, id])),
    };
  }, [turns]);
  return useMemo(() => {
    const selected = picture.layers.find((l) => l.id === selectedIds.at(-1));
    const usable =
      tool &&
      question === (tool.kind === 'line' ? 5 : 4) &&
      selectedIds.length === 1 &&
      tool.layerId === selected?.id &&
      !selected.locked;
    return {
      ...actions,
      selected,
      selection: picture.layers.filter((l) => selectedIds.includes(l.id)),
      tool: usable ? tool : undefined,
    };
  }, [actions, picture, selectedIds, tool, question]);
}

function useFiledPart(editing: Editing, over: PageWordsReport | undefined): Filed {
  const { session, site, slot, picture } = editing;
  const previewing = useStore(session.state, (s) => s.previewing);
  const encodedFile = useEncodedFile(site, slot, picture, previewing);
  const [why, askWhy] = useState<string>();
  const file = encodedFile.current ? encodedFile.file : undefined;
  const readings = useMemo(
    () => takeReadings({ site, slot, picture, file, over }),
    [site, slot, picture, file, over],
  );
  return useMemo(() => ({ encodedFile, readings, why, askWhy }), [encodedFile, readings, why]);
}

function usePageWordsPart(picture: Picture): PageWordsShown {
  const [told, setTold] = useState<{ of: Picture; report: PageWordsReport; top: number }>();
  const tell = useCallback(
    (of: Picture, report: PageWordsReport, top: number) => setTold({ of, report, top }),
    [],
  );
  const over = told?.of === picture ? told.report : undefined;
  const top = told?.top ?? 0;
  return useMemo(() => ({ over, top, tell }), [over, top, tell]);
}

function useLayingPart(
  { session, slot }: Editing,
  question: number,
  select: Selecting['select'],
  turns: TurnCount,
  openShelf: () => void,
): Laying {
  const { take, busy } = useIntake();
  return useMemo(() => {
    /** @param since the turns there were when it was asked for */
    const putOnTop = (item: ShelfItem, since: number) => {
      const id = newId();
      const now = pictureOf(session.state.getState().site, slot);
      session.commit(`Add ${item.name}`, addPhotoOnTop(slot, now, item, id));
      if (turns.getState() === since) {
        select(id);
      }
    };
    const layItem = async (item: ShelfItem, since: number) => {
      if (question === 4) {
        putOnTop(item, since);
      } else {
        await layFirst(session, slot, item);
      }
    };
    return {
      lay(files) {
        let since = turns.getState();
        return take(files, (item) => {
          const undisturbed = turns.getState() === since;
          void layItem(item, since);
          if (undisturbed) {
            // Each of several files may select itself, so the last one stays selected.
            since = turns.getState();
          }
        });
      },
      layItem: (item) => void layItem(item, turns.getState()),
      putOnTop: (item) => putOnTop(item, turns.getState()),
      openShelf,
      reading: busy,
    };
  }, [session, slot, question, select, turns, openShelf, take, busy]);
}

/** All parts of a bench; each is a new object only when something in it has changed. */
export function useBenchModel(session: Session, slot: Slot, openShelf: () => void): BenchParts {
  const [turns] = useState<TurnCount>(() => createStore(() => 0));
  const [{ question, times }, setQuestion] = useState({ question: 2, times: 0 });
  const [asked, show] = useState<Showing>();
  const [held, hold] = useState<HeldFile>();
  const [boxes] = useState(() => ({ drawn: createStore<Drawn>(() => ({ boxes: {} })) }));
  const editing = useEditingPart(session, slot);
  const selecting = useSelectingPart(editing.picture, question, turns);
  const pageWords = usePageWordsPart(editing.picture);
  const filed = useFiledPart(editing, pageWords.over);
  const laying = useLayingPart(editing, question, selecting.select, turns, openShelf);
  const asking = useMemo(
    () => ({
      question,
      times,
      ask(next: number) {
        session.flush();
        countTurn(turns);
        setQuestion((before) => ({ question: next, times: before.times + 1 }));
        hold(undefined);
      },
    }),
    [question, times, session, turns],
  );
  const { current } = filed.encodedFile;
  const shown = useMemo(
    () => ({
      // Asking how heavy it is shows the file itself, unless something else is being held up
      // against it.
      showing: asked ?? (question === 6 && (current || held) ? 'file' : 'picture'),
      show,
      held: question === 6 ? held : undefined,
      hold,
    }),
    [asked, question, current, held],
  );
  return { editing, selecting, asking, filed, pageWords, shown, laying, boxes };
}
