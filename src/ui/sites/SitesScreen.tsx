'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useEffectEvent, useState } from 'react';
import { useSites } from '../hooks/useSites';
import { Boundary } from '../shared/Boundary';
import { Button } from '../shared/Button';
import { FilePick } from '../shared/FilePick';
import { droppedFiles, isPageFile, type FolderFile } from '../hooks/folderFiles';
import { bring } from '../hooks/tab/arrivals';
import { say } from '../shared/notices';
import { TopBar } from '../shared/TopBar';
import { NewSite } from './NewSite';
import { SiteCard, UnreadableSite } from './SiteCard';
import { newSites } from './newSites';

const firstStart = 'soyez.sample-offered';

/**
 * The owner's sites as small drawings of their first page. The very first start opens the sample.
 */
export function SitesScreen() {
  const sites = useSites();
  const router = useRouter();
  const [busy, setBusy] = useState(false);

  const startSample = async () => {
    setBusy(true);
    try {
      const { installSample } = await newSites();
      router.push(`/sites/${await installSample()}`);
    } catch (error) {
      say(
        'bad',
        `The sample could not be put in place: ${error instanceof Error ? error.message : String(error)}`,
      );
      setBusy(false);
    }
  };

  const openFile = async (file: File) => {
    setBusy(true);
    try {
      const { openSiteFile } = await newSites();
      router.push(`/sites/${await openSiteFile(file)}`);
    } catch (error) {
      say('bad', error instanceof Error ? error.message : String(error));
      setBusy(false);
    }
  };

  /** A site is made once its page could be read. */
  const becomeSite = async (files: readonly FolderFile[]) => {
    setBusy(true);
    try {
      const { readPages } = await import('../hooks/readPages');
      const pages = await readPages(files);
      if (pages) {
        const { createSite } = await newSites();
        const [{ path }] = files;
        const id = await createSite(path.split('/')[0].replace(/\.[^.]*$/, '') || 'My site');
        bring(id, pages);
        router.push(`/sites/${id}`);
        return;
      }
    } catch (error) {
      say('bad', error instanceof Error ? error.message : String(error));
    }
    setBusy(false);
  };

  /** A site file is opened; a page or a theme becomes a site of its own. */
  const dropped = async (data: DataTransfer) => {
    const files = await droppedFiles(data);
    const site = files.find(({ path }) => /\.soyez$/i.test(path));
    if (site) {
      await openFile(site.file);
    } else if (files.some(isPageFile)) {
      await becomeSite(files);
    } else if (files.length > 0) {
      say(
        'bad',
        `Drop a saved page, a theme’s folder or a site file here; ${files[0].path} is none of them.`,
      );
    }
  };

  const first = sites?.length === 0;
  const firstSeen = useEffectEvent(() => {
    if (!localStorage.getItem(firstStart)) {
      localStorage.setItem(firstStart, 'yes');
      void Promise.resolve().then(startSample);
    }
  });
  useEffect(() => {
    if (first) {
      firstSeen();
    }
  }, [first]);

  return (
    <div
      className="flex h-screen flex-col"
      onDragOver={(e) => e.preventDefault()}
      onDrop={(e) => {
        e.preventDefault();
        void dropped(e.dataTransfer).catch((error: unknown) =>
          say('bad', error instanceof Error ? error.message : String(error)),
        );
      }}
    >
      <TopBar crumbs={[{ label: 'Sites' }]}>
        <FilePick
          label="Open a site file"
          accept=".soyez,application/zip"
          disabled={busy}
          onFile={(file) => void openFile(file)}
        />
        <NewSite onMade={(id) => router.push(`/sites/${id}`)} />
        <Button onClick={startSample} disabled={busy}>
          {busy ? 'Putting the sample in place…' : 'Start from the sample'}
        </Button>
      </TopBar>
      <main className="grow overflow-auto p-6">
        <h1 className="sr-only">Your sites</h1>
        {first && !busy && (
          <p className="max-w-md rounded-sm border border-line bg-white px-4 py-3">
            No site here yet. Drop a page of yours here, saved from the browser, or start from the
            sample, a made-up pottery studio with its page and pictures, and change it into yours.
          </p>
        )}
        <ul className="flex flex-wrap gap-5">
          {sites?.map((listed) =>
            'site' in listed ? (
              <Boundary key={listed.id} what={listed.site.name} as="li">
                <SiteCard {...listed} />
              </Boundary>
            ) : (
              <UnreadableSite key={listed.id} id={listed.id} problem={listed.problem} />
            ),
          )}
        </ul>
      </main>
    </div>
  );
}
