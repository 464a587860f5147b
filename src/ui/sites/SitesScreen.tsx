'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useEffectEvent, useState } from 'react';
import { useSites } from '../hooks/useSites';
import { Boundary } from '../shared/Boundary';
import { Button } from '../shared/Button';
import { FilePick } from '../shared/FilePick';
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
    <div className="flex h-screen flex-col">
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
            No site here yet. Start from the sample, a made-up pottery studio with its page and
            pictures, and change it into yours.
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
