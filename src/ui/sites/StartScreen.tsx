'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useEffectEvent, useState } from 'react';
import { wordsOf } from '@/core/refusal';
import type { FolderFile } from '../hooks/folderFiles';
import { samplesNoted } from '../hooks/samples';
import { bring } from '../hooks/tab/arrivals';
import { useLaunchedFiles } from '../hooks/useLaunchedFiles';
import { useSites } from '../hooks/useSites';
import { Boundary } from '../shared/Boundary';
import { Button } from '../shared/Button';
import { DropScreen } from '../shared/DropScreen';
import { FilePick } from '../shared/FilePick';
import { notify } from '../shared/notices';
import { TopBar } from '../shared/TopBar';
import { askWord } from '../shared/words';
import { benchAhead } from './ahead';
import { GoOn } from './GoOn';
import { LookAround } from './LookAround';
import { beginTour } from '../help/tour';
import { newSites } from '../shared/newSites';
import { OwnPageWay } from './OwnPageWay';
import { SiteCard, UnreadableSite } from './SiteCard';
import { SizeAndPhoto, useFirstSlot } from './SizeAndPhoto';

/** A site is called as the folder or the file that its page came in. */
const nameFrom = ({ path }: FolderFile): string =>
  path.split('/')[0].replace(/\.[^.]*$/, '') || 'My site';

/** The addresses that open the sample at once, or show one round it, have this behind them. */
const asked = (): 'sample' | 'tour' | undefined => {
  const behind = new URLSearchParams(window.location.search);
  return (['sample', 'tour'] as const).find((word) => behind.has(word));
};

/** The three ways in, and below them the owner's sites. */
export function StartScreen() {
  const sites = useSites();
  const router = useRouter();
  const [busy, setBusy] = useState<{ readonly what: string; readonly cancel: () => void }>();
  /** Nothing is done before it is known what there is. */
  const known = sites !== undefined;
  const [now] = useState(() => Date.now());
  const samples = samplesNoted();
  const isSample = (id: string): boolean => samples.includes(id);
  const newest = sites?.filter((listed) => 'site' in listed).find(({ id }) => isSample(id));

  /** Going back is not to open the sample again. */
  const go = (address: string) => (asked() ? router.replace(address) : router.push(address));
  /** Does what takes a while and goes on at the address that comes of it. @returns what went wrong */
  const tryOn = async (
    what: string,
    work: (signal: AbortSignal) => Promise<string | undefined>,
  ): Promise<string | undefined> => {
    // One thing at a time: a second drop would make a second site.
    if (busy !== undefined) {
      return undefined;
    }
    const control = new AbortController();
    const { signal } = control;
    setBusy({
      what,
      cancel() {
        control.abort();
        setBusy(undefined);
      },
    });
    try {
      const address = await work(signal);
      if (address && !signal.aborted) {
        go(address);
        return undefined;
      }
    } catch (error) {
      if (!signal.aborted) {
        setBusy(undefined);
        return wordsOf(error);
      }
    }
    // What was given up is not busy any more, and something else may be.
    if (!signal.aborted) {
      setBusy(undefined);
    }
    return undefined;
  };
  const goOn = async (what: string, work: (signal: AbortSignal) => Promise<string | undefined>) => {
    const problem = await tryOn(what, work);
    if (problem) {
      notify('bad', problem);
    }
  };
  const first = useFirstSlot(tryOn);
  const freshSample = () =>
    void goOn(
      'the sample',
      async (signal) => `/sites/${await (await newSites()).installSample(signal)}`,
    );
  const openSample = () => {
    if (newest) {
      go(`/sites/${newest.id}`);
    } else {
      freshSample();
    }
  };
  const showRound = () =>
    void goOn('the sample', async (signal) => {
      const id = newest?.id ?? (await (await newSites()).installSample(signal));
      beginTour(id);
      return `/sites/${id}`;
    });
  const openFile = (file: File) =>
    void goOn(
      file.name,
      async (signal) => `/sites/${await (await newSites()).openSiteFile(file, signal)}`,
    );
  /** A site is made once its page could be read. */
  const openPages = (files: readonly FolderFile[]) =>
    void goOn(files[0]?.path ?? 'the page', async (signal) => {
      const { newPageReading, readPages } = await import('../hooks/readPages');
      signal.throwIfAborted();
      const reading = newPageReading();
      signal.addEventListener('abort', () => reading.cancel());
      const pages = await readPages(files, reading);
      if (!pages || signal.aborted) {
        return undefined;
      }
      const id = await (await newSites()).createSite(nameFrom(files[0]));
      bring(id, { pages });
      return `/sites/${id}`;
    });

  useLaunchedFiles(openFile);
  const sampleWanted = useEffectEvent(() => (asked() === 'tour' ? showRound() : openSample()));
  useEffect(() => {
    if (known && asked()) {
      void Promise.resolve().then(sampleWanted);
    }
  }, [known]);
  return (
    <DropScreen
      onComing={benchAhead.onPointerEnter}
      onPages={openPages}
      onPictures={(files) => first.withPhoto(files.map(({ file }) => file))}
    >
      <TopBar crumbs={[]}>
        <Button onClick={() => askWord('Page plan')}>What our words mean</Button>
        <FilePick
          label="Open a site file"
          accept=".soyez,application/zip"
          disabled={busy !== undefined}
          onFile={openFile}
        />
      </TopBar>
      <main className="grow overflow-auto p-6">
        <h1 className="sr-only">Start</h1>
        <div className="grid grid-cols-[repeat(auto-fit,minmax(min(100%,330px),1fr))] gap-4">
          <SizeAndPhoto busy={busy} ready={known} first={first} />
          <OwnPageWay busy={busy !== undefined || !known} onFiles={openPages} />
          <LookAround
            busy={busy !== undefined || !known}
            there={newest !== undefined}
            measured={newest?.measured ?? false}
            onOpen={openSample}
            onFresh={freshSample}
            onTour={showRound}
          />
        </div>
        {sites && sites.length > 0 && (
          <section aria-labelledby="your-sites" className="mt-6">
            <div className="flex items-baseline gap-3">
              <h2 id="your-sites" className="caption">
                Your sites
              </h2>
              <GoOn sites={sites} />
            </div>
            <ul className="mt-2 grid grid-cols-[repeat(auto-fill,minmax(min(100%,270px),1fr))] gap-4">
              {sites.map((listed) =>
                'site' in listed ? (
                  <Boundary key={listed.id} what={listed.site.name} as="li">
                    <SiteCard {...listed} isSample={isSample(listed.id)} now={now} />
                  </Boundary>
                ) : (
                  <UnreadableSite key={listed.id} id={listed.id} problem={listed.problem} />
                ),
              )}
            </ul>
          </section>
        )}
      </main>
    </DropScreen>
  );
}
