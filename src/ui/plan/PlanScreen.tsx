'use client';

import { useRouter } from 'next/navigation';
import { lazy, Suspense, useCallback, useMemo, useState } from 'react';
import { isPageFile } from '@/core/files/dropped';
import { shelve } from '@/core/site/edit';
import { slotsOn } from '@/core/site/pages';
import type { Slot } from '@/core/site/model/slot';
import type { FolderFile } from '../hooks/folderFiles';
import '../hooks/tab/warmedPlan';
import { takeArrived } from '../hooks/tab/arrivals';
import { layFirst } from '../hooks/firstPlaces';
import { useIntake } from '../hooks/useIntake';
import { useHistory, useSite, type Session } from '../hooks/useSession';
import { useSiteReadings } from '../hooks/useSiteReadings';
import { Boundary } from '../shared/Boundary';
import { Button } from '../shared/Button';
import { DropScreen } from '../shared/DropScreen';
import { CommandList } from '../shared/CommandList';
import { useCommandKeys, type Command } from '../shared/commands';
import { undoCommands } from '../shared/undoCommands';
import { helpCommands } from '../help/commands';
import { notify } from '../shared/notices';
import { WithSession } from '../shared/WithSession';
import { hasOwn } from './hasOwn';
import { PlanBar } from './PlanBar';
import { PlanPanel, type PlanView } from './PlanPanel';
import { Sheet } from './Sheet';
import { WidthChart } from './WidthChart';

/** Screens that the keys step through where nothing is known of the visitors. */
const usualScreens = [360, 768, 1280, 1440, 1920, 2560];

export function PlanScreen({ siteId }: { siteId: string }) {
  return <WithSession siteId={siteId}>{(session) => <Plan session={session} />}</WithSession>;
}

/** Loaded when they are asked for. */
const OwnSheet = lazy(async () => ({ default: (await import('./OwnSheet')).OwnSheet }));
const OwnPageDialog = lazy(async () => ({
  default: (await import('./OwnPageDialog')).OwnPageDialog,
}));

function Plan({ session }: { session: Session }) {
  const site = useSite(session);
  const router = useRouter();
  const history = useHistory(session);
  const readings = useSiteReadings(site);
  const [pageId, setPageId] = useState(site.pages[0].id);
  const [width, setWidth] = useState(1440);
  const [supposed, setSupposed] = useState<number>();
  const [view, setView] = useState<PlanView>('site');
  const [selected, setSelected] = useState<string>();
  const [listOpen, setListOpen] = useState(false);
  const [brought] = useState(() => takeArrived(site.id, 'pages'));
  const [ownFiles, setOwnFiles] = useState<readonly FolderFile[] | undefined>(
    () => (brought && []) ?? takeArrived(site.id, 'files'),
  );
  const [ownOpen, setOwnOpen] = useState(ownFiles !== undefined);
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
    if (placed.some(({ path }) => isPageFile(path))) {
      openPage(placed);
      return;
    }
    void take(files.slice(0, 1), (item) => {
      void layFirst(session, slot, item).then(() => router.push(href(slot)));
    });
  };
  /** Beside the slots nothing says where pictures are to lie: they wait on the shelf. */
  const shelvePictures = (files: readonly FolderFile[]) =>
    void take(
      files.map(({ file }) => file),
      (item) => {
        session.commit(`Shelve ${item.name}`, shelve(item));
        notify('done', `${item.name} is on the shelf. To lay it, drop it on a numbered place.`);
      },
    );

  const screens = site.visitors.length ? site.visitors.map((v) => v.width) : usualScreens;
  const nextScreen = () => setWidth((w) => screens.find((s) => s > w) ?? screens[0]);
  const nextPage = () =>
    setPageId(site.pages[(site.pages.indexOf(page) + 1) % site.pages.length].id);
  const commands: Command[] = [
    ...undoCommands(session, history),
    { id: 'width', label: 'Next screen width', keys: ['w'], run: nextScreen },
    {
      id: 'next-page',
      label: 'Next page of the site',
      run: nextPage,
      enabled: site.pages.length > 1,
    },
    { id: 'measure', label: 'Measure a slot', run: () => setView('measure') },
    {
      id: 'harmony',
      label: 'Colours and fonts that go together',
      run: () => setView('harmony'),
    },
    { id: 'own-page', label: 'My own page, or my theme’s style sheets', run: () => openPage([]) },
    {
      id: 'recolour',
      label: 'Recolour a set of theme pieces',
      run: () => router.push(`/sites/${site.id}/recolour`),
    },
    ...slots.map((slot, i): Command => ({
      id: `bench ${slot.id}`,
      label: `Open the bench of ${slot.name}`,
      // By the number that it has on the page.
      keys: i < 9 ? [String(i + 1)] : undefined,
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
    ...helpCommands(router.push),
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
    <DropScreen siteId={site.id} onPages={openPage} onPictures={shelvePictures}>
      <PlanBar
        session={session}
        site={site}
        page={page}
        onPage={setPageId}
        width={width}
        onWidth={setWidth}
        onOwnPage={() => openPage([])}
      />
      <div className="flex min-h-0 grow max-md:flex-col max-md:overflow-y-auto">
        <div className="flex min-w-0 grow flex-col max-md:h-[85vh] max-md:shrink-0 max-md:grow-0">
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
        <PlanPanel
          session={session}
          site={site}
          page={page}
          slots={slots}
          readings={readings}
          selected={selected}
          onSelect={setSelected}
          href={href}
          view={view}
          onView={setView}
          onPage={setPageId}
          onOwnPage={() => openPage([])}
          onSuppose={setSupposed}
        />
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
    </DropScreen>
  );
}
