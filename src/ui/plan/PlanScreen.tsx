'use client';

import { newId } from '../shared/newId';
import { useRouter } from 'next/navigation';
import { lazy, Suspense, useCallback, useMemo, useState, type DragEvent } from 'react';
import { slotsOn } from '@/core/site/pages';
import type { OwnPage } from '@/core/site/model/ownPage';
import type { Page } from '@/core/site/model/page';
import type { Slot } from '@/core/site/model/slot';
import { pictureOf } from '@/core/site/picture';
import { layPhoto } from '@/core/layers/layPhoto';
import { droppedFiles, isPageFile, type FolderFile } from '../hooks/folderFiles';
import { takeArrived } from '../hooks/tab/arrivals';
import { filesOf, useIntake } from '../hooks/useIntake';
import { useHistory, useSite, type Session } from '../hooks/useSession';
import { useSiteReadings } from '../hooks/useSiteReadings';
import { Boundary } from '../shared/Boundary';
import { Button } from '../shared/Button';
import { CommandList } from '../shared/CommandList';
import { useCommandKeys, type Command } from '../shared/commands';
import { Choose } from '../shared/Choose';
import { CommitField } from '../shared/CommitField';
import { Switch } from '../shared/Switch';
import { say } from '../shared/notices';
import { TopBar } from '../shared/TopBar';
import { UndoRedo } from '../shared/UndoRedo';
import { WithSession } from '../shared/WithSession';
import { Sheet } from './Sheet';
import { SitePanel } from './SitePanel';
import { leastScreen, mostScreen, WidthChart } from './WidthChart';

/** Screens that the keys step through where nothing is known of the visitors. */
const usualScreens = [360, 768, 1280, 1440, 1920, 2560];

export function PlanScreen({ siteId }: { siteId: string }) {
  return <WithSession siteId={siteId}>{(session) => <Plan session={session} />}</WithSession>;
}

/** Loaded when they are asked for. */
const NewSlotPanel = lazy(async () => ({ default: (await import('./NewSlotPanel')).NewSlotPanel }));
const PagePanel = lazy(async () => ({ default: (await import('./PagePanel')).PagePanel }));
const OwnSheet = lazy(async () => ({ default: (await import('./OwnSheet')).OwnSheet }));
const OwnPagePanel = lazy(async () => ({ default: (await import('./OwnPagePanel')).OwnPagePanel }));
const OwnPageDialog = lazy(async () => ({
  default: (await import('./OwnPageDialog')).OwnPageDialog,
}));
const VisitorsPanel = lazy(async () => ({
  default: (await import('./VisitorsPanel')).VisitorsPanel,
}));

type View = 'site' | 'page' | 'visitors' | 'measure';

/** The owner's own page stands in the drawing's place. */
const hasOwn = (page: Page): page is Page & { own: OwnPage } => page.own !== null;

function Plan({ session }: { session: Session }) {
  const site = useSite(session);
  const router = useRouter();
  const { undoLabel, redoLabel } = useHistory(session);
  const readings = useSiteReadings(site);
  const [pageId, setPageId] = useState(site.pages[0].id);
  const [width, setWidth] = useState(1440);
  const [supposed, setSupposed] = useState<number>();
  const [view, setView] = useState<View>('site');
  const [selected, setSelected] = useState<string>();
  const [listOpen, setListOpen] = useState(false);
  const [brought] = useState(() => takeArrived(site.id));
  const [ownOpen, setOwnOpen] = useState(brought !== undefined);
  const [ownFiles, setOwnFiles] = useState<readonly FolderFile[] | undefined>(brought && []);
  const page = site.pages.find((p) => p.id === pageId) ?? site.pages[0];
  const slots = useMemo(() => slotsOn(site, page), [site, page]);
  const href = useCallback((slot: Slot) => `/sites/${site.id}/slots/${slot.id}`, [site.id]);
  const { take, busy } = useIntake();

  const openPage = (files: readonly FolderFile[]) => {
    setOwnFiles(files);
    setOwnOpen(true);
  };
  const lay = async (slot: Slot, files: readonly File[]) => {
    const placed = files.map((file) => ({ path: file.name, file }));
    if (placed.some(isPageFile)) {
      openPage(placed);
      return;
    }
    void take(files.slice(0, 1), (item) => {
      session.commit(
        `Lay ${item.name}`,
        layPhoto(slot, pictureOf(session.state.getState().site, slot), item, newId()),
      );
      router.push(href(slot));
    });
  };
  const dropped = async (event: DragEvent) => {
    const files = filesOf(event.dataTransfer);
    if (!files.length) {
      return;
    }
    event.preventDefault();
    // A page's folder comes with it.
    const all = await droppedFiles(event.dataTransfer);
    if (all.some(isPageFile)) {
      openPage(all);
    } else {
      say(
        'bad',
        `Drop ${files[0].name} on a numbered slot of the page, or a saved page, a theme’s style sheets and zips anywhere.`,
      );
    }
  };

  const screens = site.visitors.length ? site.visitors.map((v) => v.width) : usualScreens;
  const nextScreen = () => setWidth((w) => screens.find((s) => s > w) ?? screens[0]);
  const nextPage = () =>
    setPageId(site.pages[(site.pages.indexOf(page) + 1) % site.pages.length].id);
  const commands: Command[] = [
    {
      id: 'undo',
      label: undoLabel ? `Undo: ${undoLabel}` : 'Undo',
      keys: ['Mod+z'],
      enabled: undoLabel !== undefined,
      run: () => session.undo(),
    },
    {
      id: 'redo',
      label: redoLabel ? `Redo: ${redoLabel}` : 'Redo',
      keys: ['Mod+Shift+z'],
      enabled: redoLabel !== undefined,
      run: () => session.redo(),
    },
    { id: 'width', label: 'Next screen width', keys: ['w'], run: nextScreen },
    {
      id: 'next-page',
      label: 'Next page of the site',
      run: nextPage,
      enabled: site.pages.length > 1,
    },
    { id: 'measure', label: 'Measure a slot', run: () => setView('measure') },
    { id: 'own-page', label: 'My own page, or my theme’s style sheets', run: () => openPage([]) },
    {
      id: 'recolour',
      label: 'Recolour a set of theme pieces',
      run: () => router.push(`/sites/${site.id}/recolour`),
    },
    ...slots.map((slot): Command => ({
      id: `bench ${slot.id}`,
      label: `Open the bench of ${slot.name}`,
      run: () => router.push(href(slot)),
    })),
    { id: 'site', label: 'Slots and findings', run: () => setView('site') },
    { id: 'page', label: 'Page layout', run: () => setView('page') },
    { id: 'visitors', label: 'Visitors', run: () => setView('visitors') },
    {
      id: 'shelf',
      label: 'Shelf and picture library',
      run: () => router.push(`/sites/${site.id}/shelf`),
    },
    {
      id: 'hand-over',
      label: 'Hand over: files, lines, archive, rehearsal',
      run: () => router.push(`/sites/${site.id}/hand-over`),
    },
    { id: 'leave', label: 'Back to your sites', run: () => router.push('/') },
    {
      id: 'list',
      label: 'All commands and their keys',
      keys: ['Mod+k', '?'],
      unlisted: true,
      run: () => setListOpen(true),
    },
  ];
  useCommandKeys(commands);
  const sheet = {
    session,
    site,
    width,
    slots,
    selected,
    busy,
    href,
    onSelect: setSelected,
    onFiles: lay,
  };

  return (
    <div
      className="flex h-screen flex-col"
      onDragOver={(e) => e.preventDefault()}
      onDrop={(e) =>
        void dropped(e).catch((error: unknown) =>
          say('bad', error instanceof Error ? error.message : String(error)),
        )
      }
    >
      <TopBar crumbs={[{ label: 'Sites', href: '/' }, { label: site.name }]}>
        {site.pages.length <= 3 ? (
          <Switch
            label="Page"
            value={page.id}
            onChange={setPageId}
            choices={site.pages.map((p) => ({
              value: p.id,
              label: (
                <span className="max-w-28 truncate" title={p.name}>
                  {p.name}
                </span>
              ),
            }))}
          />
        ) : (
          <Choose
            label="Page"
            className="w-44"
            value={page.id}
            onChange={setPageId}
            choices={site.pages.map((p) => ({ value: p.id, label: p.name }))}
          />
        )}
        <span className="flex items-center gap-1.5">
          <label htmlFor="screen" className="text-soft">
            Screen
          </label>
          <CommitField
            id="screen"
            label="Screen"
            className="w-[84px]"
            suffix="px"
            value={String(width)}
            onCommit={(text) => {
              const px = Number(text.replace(/px$/, '').trim());
              if (!Number.isInteger(px) || px < leastScreen || px > mostScreen) {
                return `Expected ${leastScreen} to ${mostScreen} px, found “${text}”.`;
              }
              setWidth(px);
            }}
          />
        </span>
        <UndoRedo session={session} />
        <Button onClick={() => router.push(`/sites/${site.id}/shelf`)}>Shelf</Button>
        <Button onClick={() => openPage([])}>My own page</Button>
        <Button onClick={() => router.push(`/sites/${site.id}/recolour`)}>Recolour a set</Button>
        <Button look="main" onClick={() => router.push(`/sites/${site.id}/hand-over`)}>
          Hand over
        </Button>
      </TopBar>
      <div className="flex min-h-0 grow">
        <div className="flex min-w-0 grow flex-col">
          <Boundary what="The chart of screen widths">
            <WidthChart
              site={site}
              page={page}
              width={width}
              supposed={supposed}
              onWidth={setWidth}
            >
              <Button
                onClick={() => setView(view === 'visitors' ? 'site' : 'visitors')}
                aria-pressed={view === 'visitors'}
              >
                Visitors
              </Button>
            </WidthChart>
          </Boundary>
          <Boundary what="The page">
            {hasOwn(page) ? (
              <Suspense fallback={<main className="grow bg-board" />}>
                <OwnSheet key={page.id} {...sheet} page={page} />
              </Suspense>
            ) : (
              <Sheet {...sheet} page={page} />
            )}
          </Boundary>
        </div>
        <aside className="flex w-[400px] shrink-0 flex-col border-l border-line bg-white">
          <nav aria-label="Panel" className="flex shrink-0 border-b border-line">
            {(
              [
                ['site', 'Slots'],
                ['page', 'Page layout'],
                ['visitors', 'Visitors'],
              ] as const
            ).map(([value, label]) => (
              <button
                key={value}
                type="button"
                aria-pressed={view === value || (view === 'measure' && value === 'site')}
                onClick={() => setView(value)}
                className="h-[33px] grow border-b-2 border-transparent font-semibold text-soft hover:text-ink focus-visible:-outline-offset-2 aria-pressed:border-act aria-pressed:text-ink"
              >
                {label}
              </button>
            ))}
          </nav>
          <div className="min-h-0 grow overflow-auto">
            <Boundary resetOn={view} what="This panel">
              <Suspense fallback={null}>
                {view === 'site' && (
                  <SitePanel
                    session={session}
                    site={site}
                    page={page}
                    slots={slots}
                    readings={readings}
                    selected={selected}
                    onSelect={setSelected}
                    onMeasure={() => setView('measure')}
                    onWidths={() => setView('visitors')}
                    href={href}
                  />
                )}
                {view === 'page' && hasOwn(page) && (
                  <OwnPagePanel
                    session={session}
                    site={site}
                    page={page}
                    onPage={setPageId}
                    onAgain={() => openPage([])}
                  />
                )}
                {view === 'page' && !hasOwn(page) && (
                  <PagePanel session={session} site={site} page={page} onPage={setPageId} />
                )}
                {view === 'visitors' && (
                  <VisitorsPanel
                    session={session}
                    site={site}
                    page={page}
                    onSuppose={setSupposed}
                  />
                )}
                {view === 'measure' && (
                  <NewSlotPanel
                    session={session}
                    site={site}
                    page={page}
                    onDone={(slotId) => {
                      if (slotId) {
                        setSelected(slotId);
                      }
                      setView('site');
                    }}
                  />
                )}
              </Suspense>
            </Boundary>
          </div>
        </aside>
      </div>
      {ownFiles && (
        <Suspense fallback={null}>
          <OwnPageDialog
            session={session}
            page={page}
            open={ownOpen}
            files={ownFiles}
            brought={brought}
            onOpenChange={setOwnOpen}
            onPage={setPageId}
          />
        </Suspense>
      )}
      <CommandList open={listOpen} onOpenChange={setListOpen} commands={commands} />
    </div>
  );
}
