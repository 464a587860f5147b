'use client';

import { createContext, use, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { createStore, type StoreApi } from 'zustand/vanilla';
import { useStore } from 'zustand';
import type { Rect } from '@/core/raster/raster';
import type { Reading } from '@/core/readings/reading';
import { takeReadings } from '@/core/readings/registry';
import type { Edit } from '@/core/site/edit';
import type { Layer, Picture, ShelfItem, Site, Slot } from '@/core/site/model';
import { pictureOf } from '@/core/site/picture';
import { useIntake } from '../hooks/useIntake';
import { usePressed, type Press } from '../hooks/usePressed';
import { useSite, type Session } from '../hooks/useSession';
import { addPhotoOnTop, layPhoto } from './edits';

/** What lies on the page in the slot: the picture, the picture without anything laid over it, or the pressed file. */
export type Showing = 'picture' | 'before' | 'file';

interface Bounds {
  readonly bounds: Readonly<Record<string, Rect>>;
}

export interface Bench {
  readonly session: Session;
  readonly site: Site;
  readonly slot: Slot;
  readonly picture: Picture;
  readonly press: Press;
  readonly readings: readonly Reading[];
  readonly question: number;
  ask(question: number): void;
  readonly selected: Layer | undefined;
  select(layerId: string | undefined): void;
  /** Where each visible layer has its pixels, as last drawn; kept apart, since it changes with every frame. */
  readonly drawn: StoreApi<Bounds>;
  readonly showing: Showing;
  show(showing: Showing): void;
  preview(edit: Edit): void;
  commit(label: string, edit: Edit): void;
  /** Small steps that follow each other, such as key presses, become one step of history once they pause. */
  burst(label: string, edit: Edit): void;
  /** Takes picture files in: as the photo of the slot, or on top while that is the question. */
  lay(files: readonly File[]): Promise<void>;
  layItem(item: ShelfItem): void;
  /** Goes to the shelf, to come back with a picture for this slot. */
  openShelf(): void;
  readonly reading: string | undefined;
}

const Context = createContext<Bench | undefined>(undefined);
export const BenchProvider = Context.Provider;

export function useBench(): Bench {
  const bench = use(Context);
  if (!bench) throw new Error('useBench needs a BenchProvider above it.');
  return bench;
}

/** Where a layer has its pixels, as last drawn. */
export const useLayerBounds = (bench: Bench, layerId: string | undefined): Rect | undefined => useStore(bench.drawn, (d) => (layerId ? d.bounds[layerId] : undefined));

const pause = 400;

function useBurst(session: Session) {
  const open = useRef<{ label: string; edits: Edit[]; timer: ReturnType<typeof setTimeout> }>(undefined);
  const flush = useCallback(() => {
    const burst = open.current;
    if (!burst) return;
    clearTimeout(burst.timer);
    open.current = undefined;
    session.commit(burst.label, (site) => { for (const edit of burst.edits) edit(site); });
  }, [session]);
  const push = useCallback((label: string, edit: Edit) => {
    if (open.current && open.current.label !== label) flush();
    const edits = [...(open.current?.edits ?? []), edit];
    clearTimeout(open.current?.timer);
    open.current = { label, edits, timer: setTimeout(flush, pause) };
    session.preview((site) => { for (const e of edits) e(site); });
  }, [session, flush]);
  useEffect(() => {
    // A tab that is hidden or closed may not come back: what is in progress is kept at once.
    const leave = () => flush();
    window.addEventListener('pagehide', leave);
    return () => { window.removeEventListener('pagehide', leave); flush(); };
  }, [flush]);
  return { push, flush };
}

export function useBenchModel(session: Session, slot: Slot, openShelf: () => void): Bench {
  const site = useSite(session), picture = pictureOf(site, slot);
  const press = usePressed(slot, picture, useStore(session.state, (s) => s.previewing));
  const [question, setQuestion] = useState(2);
  const [selectedId, select] = useState<string>();
  const [drawn] = useState(() => createStore<Bounds>(() => ({ bounds: {} })));
  const [asked, show] = useState<Showing>();
  const burst = useBurst(session);
  const { take, busy } = useIntake();
  const file = press.current ? press.file : undefined;
  const readings = useMemo(() => takeReadings({ site, slot, picture, file }), [site, slot, picture, file]);

  const now = () => pictureOf(session.state.getState().site, slot);
  const commit = (label: string, edit: Edit) => { burst.flush(); session.commit(label, edit); };
  const layItem = (item: ShelfItem) => {
    if (question === 4) {
      const { edit, id } = addPhotoOnTop(slot, now(), item);
      commit(`Add ${item.name}`, edit);
      select(id);
    } else commit(`Lay ${item.name}`, layPhoto(slot, now(), item));
  };

  return {
    session, site, slot, picture, press, readings, question, drawn, select, commit, layItem, openShelf,
    // Asking how heavy it is shows the file itself, unless something else is being held up against it.
    showing: asked ?? (question === 6 && press.current ? 'file' : 'picture'),
    show: (s) => show(s === 'picture' ? undefined : s),
    ask(next) { burst.flush(); setQuestion(next); },
    selected: picture.layers.find((l) => l.id === selectedId),
    preview: (edit) => { burst.flush(); session.preview(edit); },
    burst: burst.push,
    lay: (files) => take(files, layItem),
    reading: busy,
  };
}
