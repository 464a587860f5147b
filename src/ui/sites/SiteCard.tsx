'use client';

import { Dialog } from 'radix-ui';
import Link from 'next/link';
import { layoutPage } from '@/core/measure/layoutPage';
import type { Site } from '@/core/site/model/site';
import { deleteSite, unreadText } from '../hooks/useSites';
import { PageDrawing } from '../page/PageDrawing';
import type { Verdict } from '@/core/readings/reading';
import { Button } from '../shared/Button';
import { download } from '../shared/download';
import { verdictColour, VerdictMark } from '../shared/VerdictMark';

export function SiteCard({ site, fails, look }: { site: Site; fails: number; look: number }) {
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
export function UnreadableSite({ id, problem }: { id: string; problem: string }) {
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
              <Button variant="bad" onClick={() => void deleteSite(id)}>
                Remove the site
              </Button>
            </Dialog.Close>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
