'use client';

import { Ellipsis } from 'lucide-react';
import { Dialog, DropdownMenu } from 'radix-ui';
import Link from 'next/link';
import { useState, type ReactNode } from 'react';
import { layoutPage } from '@/core/measure/layoutPage';
import { wordsOf } from '@/core/refusal';
import type { Site } from '@/core/site/model/site';
import { deleteSite, unreadText, type ListedSite } from '../hooks/useSites';
import { PageDrawing } from '../page/PageDrawing';
import type { Counted } from '@/core/readings/counted';
import type { Verdict } from '@/core/readings/reading';
import { Button } from '../shared/Button';
import { MenuContent } from '../shared/MenuContent';
import { dayWords } from '../shared/dayWords';
import { download } from '../shared/download';
import { inputLook } from '../shared/inputLook';
import { notify } from '../shared/notices';
import { useMeasure } from '../shared/useMeasure';
import { verdictColour, VerdictMark } from '../shared/VerdictMark';
import { newSites } from '../shared/newSites';
import { planAhead } from './ahead';

type ReadableSite = Extract<ListedSite, { readonly site: Site }>;

const menuItem =
  'cursor-pointer px-3 py-1 outline-none data-[highlighted]:bg-act-wash data-[highlighted]:text-ink';

/** A site as a small drawing of its first page; the whole card opens it. */
export function SiteCard({
  site,
  fails,
  look,
  measured,
  changedAt,
  isSample,
  now,
}: ReadableSite & {
  isSample: boolean;
  /** Ms since 1970. */
  now: number;
}) {
  const [ref, room] = useMeasure();
  const layout = layoutPage(site, site.pages[0], 1440);
  const scale = room.width / layout.width;
  const pictures = site.slots.length;
  return (
    <li className="relative rounded-sm border border-line bg-white focus-within:border-act hover:border-soft">
      <div ref={ref} className="h-[150px] overflow-hidden border-b border-hair bg-board">
        {room.width > 0 && (
          <div data-testid="page" style={{ transform: `scale(${scale})`, transformOrigin: '0 0' }}>
            <PageDrawing site={site} layout={layout} />
          </div>
        )}
      </div>
      <div className="flex items-start gap-2 px-3 py-2">
        <div className="min-w-0 grow">
          <p className="flex min-w-0 items-baseline gap-1.5">
            <span className="truncate font-semibold" title={site.name}>
              {site.name}
            </span>
            {isSample && <span className="text-soft">sample</span>}
          </p>
          <p className="truncate text-soft">
            {pictures} {pictures === 1 ? 'picture' : 'pictures'} on {site.pages.length}{' '}
            {site.pages.length === 1 ? 'page' : 'pages'}, {dayWords(changedAt, now)}
          </p>
          <Verdicts fails={fails} look={look} measured={measured} />
        </div>
        <SiteMenu site={site} />
      </div>
      <Link
        href={`/sites/${site.id}`}
        className="absolute inset-0 focus-visible:-outline-offset-2"
        aria-label={`Open ${site.name}`}
        {...(measured ? {} : planAhead)}
      />
    </li>
  );
}

/** What else can be done with a site than opening it. */
function SiteMenu({ site }: { site: Site }) {
  const [asked, ask] = useState<'rename' | 'remove'>();
  const close = () => ask(undefined);
  const copy = async () => {
    await (await newSites()).duplicateSite(site);
    notify('done', `There are two of ${site.name} now.`);
  };
  return (
    <>
      <DropdownMenu.Root>
        <DropdownMenu.Trigger asChild>
          <Button
            variant="bare"
            aria-label={`More for ${site.name}`}
            className="relative z-10 w-7 px-0!"
          >
            <Ellipsis size={15} aria-hidden />
          </Button>
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <MenuContent className="min-w-36">
            <DropdownMenu.Item className={menuItem} onSelect={() => ask('rename')}>
              Rename…
            </DropdownMenu.Item>
            <DropdownMenu.Item
              className={menuItem}
              onSelect={() => void copy().catch((error: unknown) => notify('bad', wordsOf(error)))}
            >
              Duplicate
            </DropdownMenu.Item>
            <DropdownMenu.Item className={`${menuItem} text-bad`} onSelect={() => ask('remove')}>
              Remove…
            </DropdownMenu.Item>
          </MenuContent>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
      <RenameSite site={site} open={asked === 'rename'} onClose={close} />
      <RemoveSite id={site.id} name={site.name} open={asked === 'remove'} onClose={close} />
    </>
  );
}

/** A site of a newer version, or a damaged one: it is kept, and said why it stays closed. */
export function UnreadableSite({ id, problem }: { id: string; problem: string }) {
  const [asked, ask] = useState(false);
  const save = async () =>
    download(`site-${id.slice(0, 8)}.json`, await unreadText(id), 'application/json');
  return (
    <li className="rounded-sm border border-bad bg-white px-3 py-2">
      <p>
        <VerdictMark verdict="fails" />
        <span className="font-semibold">A site that cannot be read</span>
      </p>
      <p className="break-words text-soft">{problem}. It is kept as it is.</p>
      <div className="mt-2 flex gap-2">
        <Button onClick={() => void save()}>Save it as it is</Button>
        <Button onClick={() => ask(true)}>Remove it</Button>
      </div>
      <RemoveSite
        id={id}
        name="the site that cannot be read"
        open={asked}
        onClose={() => ask(false)}
      />
    </li>
  );
}

function standing({ fails, look, measured }: Counted & { measured: boolean }): [Verdict, string] {
  // Without its files a site may have more to put right than is known.
  const more = measured ? '' : ' so far';
  if (fails > 0) {
    return ['fails', `${fails} to put right${look > 0 ? `, ${look} to look at` : ''}${more}`];
  }
  if (look > 0) {
    return ['look', `${look} to look at${more}`];
  }
  return measured ? ['holds', 'nothing to put right'] : ['unknown', 'not measured yet'];
}

/** How many readings of the site are not as they should be. */
function Verdicts(counts: Counted & { measured: boolean }) {
  const [verdict, words] = standing(counts);
  return (
    <p className={verdictColour(verdict)}>
      <VerdictMark verdict={verdict} />
      {words}
    </p>
  );
}

function Ask({
  title,
  words,
  open,
  onClose,
  children,
}: {
  title: string;
  words?: string;
  open: boolean;
  onClose(): void;
  children: ReactNode;
}) {
  return (
    <Dialog.Root open={open} onOpenChange={(wanted) => !wanted && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/25" />
        <Dialog.Content
          {...(words ? {} : { 'aria-describedby': undefined })}
          className="fixed top-1/3 left-1/2 z-40 w-[min(400px,calc(100vw-2rem))] -translate-x-1/2 rounded-sm border border-line bg-white p-5"
        >
          <Dialog.Title className="font-semibold break-words">{title}</Dialog.Title>
          {words && <Dialog.Description className="mt-1 text-soft">{words}</Dialog.Description>}
          {children}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function RenameSite({ site, open, onClose }: { site: Site; open: boolean; onClose(): void }) {
  const [name, setName] = useState<string>();
  const wanted = (name ?? site.name).trim();
  const rename = async () => {
    await (await newSites()).renameSiteTo(site.id, wanted);
    setName(undefined);
    onClose();
  };
  return (
    <Ask title={`Rename ${site.name}`} open={open} onClose={onClose}>
      <form
        className="mt-3 flex flex-col gap-3"
        onSubmit={(e) => {
          e.preventDefault();
          if (wanted) {
            void rename().catch((error: unknown) => notify('bad', wordsOf(error)));
          }
        }}
      >
        <input
          aria-label="Name of the site"
          autoFocus
          maxLength={80}
          value={name ?? site.name}
          onFocus={(e) => e.target.select()}
          onChange={(e) => setName(e.target.value)}
          className={inputLook}
        />
        <span className="flex items-center justify-end gap-2">
          {!wanted && <span className="mr-auto text-bad">Give it a name.</span>}
          <Dialog.Close asChild>
            <Button>Cancel</Button>
          </Dialog.Close>
          <Button type="submit" variant="main" disabled={!wanted}>
            Rename
          </Button>
        </span>
      </form>
    </Ask>
  );
}

function RemoveSite({
  id,
  name,
  open,
  onClose,
}: {
  id: string;
  name: string;
  open: boolean;
  onClose(): void;
}) {
  return (
    <Ask
      title={`Remove ${name}`}
      words="The site, its pictures and all its steps go from this browser. This cannot be undone."
      open={open}
      onClose={onClose}
    >
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
    </Ask>
  );
}
