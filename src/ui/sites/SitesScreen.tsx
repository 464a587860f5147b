'use client';

import { Dialog } from 'radix-ui';
import { useRouter } from 'next/navigation';
import Link from 'next/link';
import { useEffect, useEffectEvent, useState } from 'react';
import { layoutPage } from '@/core/measure/layoutPage';
import type { Site } from '@/core/site/model/site';
import { deleteSite, unreadText, useSites } from '../hooks/useSites';
import { PageDrawing } from '../page/PageDrawing';
import type { Verdict } from '@/core/readings/reading';
import { Boundary } from '../shared/Boundary';
import { Button } from '../shared/Button';
import { download } from '../shared/download';
import { FilePick } from '../shared/FilePick';
import { inputLook } from '../shared/inputLook';
import { say } from '../shared/notices';
import { TopBar } from '../shared/TopBar';
import { verdictColour, VerdictMark } from '../shared/VerdictMark';

const firstStart = 'soyez.sample-offered';
/** What makes sites is loaded when the first is wanted. */
const newSites = () => import('../hooks/newSites');

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

/** Asks only for a name; everything else is found on the page plan. */
function NewSite({ onMade }: { onMade(id: string): void }) {
  const [name, setName] = useState('');
  const make = async () => {
    try {
      const { createSite } = await newSites();
      onMade(await createSite(name.trim()));
    } catch (error) {
      say(
        'bad',
        `The site could not be made: ${error instanceof Error ? error.message : String(error)}`,
      );
    }
  };
  return (
    <Dialog.Root onOpenChange={() => setName('')}>
      <Dialog.Trigger asChild>
        <Button>New site</Button>
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/25" />
        <Dialog.Content className="fixed top-1/3 left-1/2 z-40 w-[400px] -translate-x-1/2 rounded-sm border border-line bg-white p-5">
          <Dialog.Title className="font-semibold">New site</Dialog.Title>
          <Dialog.Description className="mt-1 text-soft">
            It begins with one page in greys. Drop the theme’s style sheets or its zip on the plan,
            or measure its slots one by one.
          </Dialog.Description>
          <form
            className="mt-3 flex flex-col gap-1"
            onSubmit={(e) => {
              e.preventDefault();
              if (name.trim()) {
                void make();
              }
            }}
          >
            <label htmlFor="site-name">Name</label>
            <input
              id="site-name"
              autoFocus
              maxLength={80}
              value={name}
              onChange={(e) => setName(e.target.value)}
              className={inputLook}
            />
            <div className="mt-3 flex justify-end gap-2">
              <Dialog.Close asChild>
                <Button>Cancel</Button>
              </Dialog.Close>
              <Button type="submit" look="main" disabled={!name.trim()}>
                Make it
              </Button>
            </div>
          </form>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function SiteCard({ site, fails, look }: { site: Site; fails: number; look: number }) {
  const layout = layoutPage(site, site.pages[0], 1440);
  const scale = 320 / layout.width;
  return (
    <li className="w-[322px] rounded-sm border border-line bg-white hover:border-soft">
      <div className="relative h-[200px] overflow-hidden border-b border-hair bg-board">
        <div data-testid="page" style={{ transform: `scale(${scale})`, transformOrigin: '0 0' }}>
          <PageDrawing site={site} layout={layout} />
        </div>
        <Link
          href={`/sites/${site.id}`}
          className="absolute inset-0 focus-visible:-outline-offset-2"
          aria-label={`Open ${site.name}`}
        />
      </div>
      <div className="flex items-center gap-2 px-3 py-2">
        <div className="min-w-0 grow">
          <div className="truncate font-semibold" title={site.name}>
            {site.name}
          </div>
          <Verdicts fails={fails} look={look} />
          <div className="text-soft">
            {site.slots.length} slots on {site.pages.length}{' '}
            {site.pages.length === 1 ? 'page' : 'pages'}
          </div>
        </div>
        <RemoveSite id={site.id} name={site.name} />
      </div>
    </li>
  );
}

/** A site of a newer version, or a damaged one: it is kept, and said why it stays closed. */
function UnreadableSite({ id, problem }: { id: string; problem: string }) {
  const save = async () =>
    download(`site-${id.slice(0, 8)}.json`, await unreadText(id), 'application/json');
  return (
    <li className="w-[322px] rounded-sm border border-bad bg-white px-3 py-2">
      <p>
        <VerdictMark verdict="fails" />
        <span className="font-semibold">A site that cannot be read</span>
      </p>
      <p className="break-words text-soft">{problem}. It is kept as it is.</p>
      <div className="mt-2 flex gap-2">
        <Button onClick={() => void save()}>Save it as it is</Button>
        <RemoveSite id={id} name="the site that cannot be read" />
      </div>
    </li>
  );
}

function standing(fails: number, look: number): [Verdict, string] {
  if (fails > 0) {
    return ['fails', `${fails} fail`];
  }
  return look > 0 ? ['look', `${look} to look at`] : ['holds', 'nothing to look at'];
}

/** How many readings of the site are not as they should be. */
function Verdicts({ fails, look }: { fails: number; look: number }) {
  const [verdict, words] = standing(fails, look);
  return (
    <div className={verdictColour(verdict)}>
      <VerdictMark verdict={verdict} />
      {words}
    </div>
  );
}

function RemoveSite({ id, name }: { id: string; name: string }) {
  return (
    <Dialog.Root>
      <Dialog.Trigger asChild>
        <Button aria-label={`Remove ${name}`}>Remove</Button>
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/25" />
        <Dialog.Content className="fixed top-1/3 left-1/2 z-40 w-[400px] -translate-x-1/2 rounded-sm border border-line bg-white p-5">
          <Dialog.Title className="font-semibold">Remove {name}</Dialog.Title>
          <Dialog.Description className="mt-1 text-soft">
            The site, its pictures and all its steps go from this browser. This cannot be undone.
          </Dialog.Description>
          <div className="mt-4 flex justify-end gap-2">
            <Dialog.Close asChild>
              <Button>Keep it</Button>
            </Dialog.Close>
            <Dialog.Close asChild>
              <Button look="bad" onClick={() => void deleteSite(id)}>
                Remove the site
              </Button>
            </Dialog.Close>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
