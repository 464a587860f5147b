'use client';

import { Maximize2, Minimize2 } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { lazy, Suspense, useCallback, useState } from 'react';
import type { Page } from '@/core/site/model/page';
import type { Site } from '@/core/site/model/site';
import type { Slot } from '@/core/site/model/slot';
import { pagesWith } from '@/core/site/pages';
import { slotOf } from '@/core/site/picture';
import '../hooks/tab/warmedBench';
import { useOwnFonts } from '../hooks/useOwnFonts';
import { useHistory, useSite, type Session } from '../hooks/useSession';
import { Boundary } from '../shared/Boundary';
import { Button, IconButton } from '../shared/Button';
import { CommandList } from '../shared/CommandList';
import { useCommandKeys } from '../shared/commands';
import { DropScreen } from '../shared/DropScreen';
import { Choose } from '../shared/Choose';
import { Switch } from '../shared/Switch';
import { screenWidths } from '../shared/screenWidths';
import { EmptyScreen } from '../shared/EmptyScreen';
import { TopBar } from '../shared/TopBar';
import { UndoRedo } from '../shared/UndoRedo';
import { WithSession } from '../shared/WithSession';
import { benchCommands } from './benchCommands';
import { HistoryList } from './HistoryList';
import { QuestionStrip } from './QuestionStrip';
import { Stage } from './stage/Stage';
import { zooms, type Zoom } from './stage/StageBoard';
import { Tray } from './Tray';
import { BenchProvider, useBenchModel } from './useBench';
import { useClipboard } from './useClipboard';

/** Loaded when it is asked for. */
const VersionsDialog = lazy(async () => ({
  default: (await import('./versions/VersionsDialog')).VersionsDialog,
}));

export function BenchScreen({ siteId, slotId }: { siteId: string; slotId: string }) {
  return (
    <WithSession siteId={siteId}>
      {(session) => <WithSlot session={session} slotId={slotId} />}
    </WithSession>
  );
}

function WithSlot({ session, slotId }: { session: Session; slotId: string }) {
  const site = useSite(session);
  const slot = slotOf(site, slotId);
  return slot ? (
    <OpenBench session={session} slot={slot} />
  ) : (
    <EmptyScreen title="This site has no such slot." />
  );
}

/** The pages that a slot lies on, those that are the owner's own first. */
function benchPages(site: Site, slot: Slot): readonly Page[] {
  const pages = pagesWith(site, slot);
  const own = pages.filter((page) => page.own?.places.some((place) => place.slot === slot.id));
  const all = [...own, ...pages.filter((page) => !own.includes(page))];
  return all.length > 0 ? all : site.pages.slice(0, 1);
}

/** A usual screen; for a second arrangement, the widest that shows it. */
function firstWidth(site: Site, slot: Slot): number {
  const below = site.slots.find((s) => s.narrow?.slot === slot.id)?.narrow?.below;
  return below === undefined ? 1280 : (screenWidths.findLast((w) => w < below) ?? screenWidths[0]);
}

function OpenBench({ session, slot }: { session: Session; slot: Slot }) {
  const router = useRouter();
  const siteId = session.state.getState().site.id;
  const openShelf = useCallback(
    () => router.push(`/sites/${siteId}/shelf?for=${slot.id}`),
    [router, siteId, slot.id],
  );
  const bench = useBenchModel(session, slot, openShelf);
  const { editing, selecting, asking, shown, laying, boxes } = bench;
  const { site } = editing;
  const { undoLabel, redoLabel } = useHistory(session);
  const [zoom, setZoom] = useState<Zoom>('1:1');
  const [screenWidth, setScreenWidth] = useState<number>(() =>
    firstWidth(session.state.getState().site, slot),
  );
  const [pageId, setPageId] = useState<string>();
  const pages = benchPages(site, slot);
  const page = pages.find((p) => p.id === pageId) ?? pages[0];
  const [marks, setMarks] = useState(true);
  /** The page has the whole window, while one looks or drags. */
  const [alone, setAlone] = useState(false);
  const [listOpen, setListOpen] = useState(false);
  const [stepsOpen, setStepsOpen] = useState(false);
  const [versionsOpen, setVersionsOpen] = useState(false);
  useOwnFonts(site);

  const commands = benchCommands(
    { ...editing, ...selecting, ...asking, ...shown, ...laying, ...boxes },
    {
      undoLabel,
      redoLabel,
      setZoom,
      setMarks,
      openList: () => setListOpen(true),
      openHistory: () => setStepsOpen(true),
      openVersions: () => setVersionsOpen(true),
      leave: () => router.push(`/sites/${site.id}`),
      go: router.push,
      turnAlone: () => setAlone((is) => !is),
      nextWidth: () =>
        setScreenWidth(
          (w) =>
            screenWidths[
              (screenWidths.indexOf(w as (typeof screenWidths)[number]) + 1) % screenWidths.length
            ],
        ),
    },
  );
  useCommandKeys(commands);

  useClipboard({ ...editing, ...selecting, ...asking, ...boxes });
  return (
    <BenchProvider value={bench}>
      <DropScreen
        siteId={site.id}
        className="select-none"
        onPictures={(files) => void laying.lay(files.map(({ file }) => file))}
      >
        <TopBar
          crumbs={[
            { label: site.name, href: `/sites/${site.id}` },
            { label: slot.name, figure: `${slot.width} × ${slot.height}` },
          ]}
        >
          <Switch<Zoom>
            label="Zoom"
            value={zoom}
            onChange={setZoom}
            choices={zooms.map((value) => ({
              value,
              label: value === 'fit' ? 'Fit' : <span className="figure">{value}</span>,
            }))}
          />
          {pages.length > 1 && (
            <Choose
              label="Page"
              value={page.id}
              onChange={setPageId}
              className="w-[126px]"
              choices={pages.map((p) => ({ value: p.id, label: p.name }))}
            />
          )}
          <Choose
            label="Screen width"
            value={String(screenWidth)}
            onChange={(v) => setScreenWidth(Number(v))}
            className="w-[126px]"
            choices={screenWidths.map((w) => ({ value: String(w), label: `Screen ${w}` }))}
          />
          <IconButton
            label={alone ? 'Show the controls' : 'The page alone'}
            keys="F"
            aria-pressed={alone}
            onClick={() => setAlone(!alone)}
          >
            {alone ? <Minimize2 size={14} /> : <Maximize2 size={14} />}
          </IconButton>
          <UndoRedo session={session} />
          <HistoryList session={session} open={stepsOpen} onOpenChange={setStepsOpen} />
          <Button
            aria-pressed={shown.showing === 'before'}
            onClick={() => shown.show(shown.showing === 'before' ? undefined : 'before')}
          >
            Before / after
          </Button>
          <Button variant="main" onClick={() => asking.ask(7)}>
            Hand over
          </Button>
        </TopBar>
        {!alone && <QuestionStrip />}
        <Boundary what="The page">
          <Stage page={page} zoom={zoom} screenWidth={screenWidth} marks={marks} />
        </Boundary>
        {!alone && (
          <Boundary resetOn={asking.question} what="The tray">
            <Tray onVersions={() => setVersionsOpen(true)} />
          </Boundary>
        )}
      </DropScreen>
      {versionsOpen && (
        <Suspense fallback={null}>
          <VersionsDialog page={page} screen={screenWidth} open onOpenChange={setVersionsOpen} />
        </Suspense>
      )}
      <CommandList open={listOpen} onOpenChange={setListOpen} commands={commands} />
    </BenchProvider>
  );
}
