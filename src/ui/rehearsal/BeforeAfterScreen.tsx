'use client';

import Link from 'next/link';
import { useSearchParams } from 'next/navigation';
import { useState } from 'react';
import { pageFiles } from '@/core/handover/page';
import type { OwnPage } from '@/core/site/model/ownPage';
import type { Page } from '@/core/site/model/page';
import { rehearsalAddress, useRehearsal } from '../hooks/useRehearsal';
import { useSite, type Session } from '../hooks/useSession';
import { Choose } from '../shared/Choose';
import { screenWidths } from '../shared/screenWidths';
import { EmptyScreen } from '../shared/EmptyScreen';
import { DropScreen } from '../shared/DropScreen';
import { TopBar } from '../shared/TopBar';
import { WithSession } from '../shared/WithSession';
import { Curtain } from './Curtain';

/** A page of the owner's as it was saved and as it is rehearsed, one over the other. */
export function BeforeAfterScreen({ siteId }: { siteId: string }) {
  return <WithSession siteId={siteId}>{(session) => <Opened session={session} />}</WithSession>;
}

const isOwn = (page: Page): page is Page & { own: OwnPage } =>
  page.own !== null && page.own.from !== 'picture';

function Opened({ session }: { session: Session }) {
  const asked = useSearchParams();
  const site = useSite(session);
  const { host } = useRehearsal(site);
  const pages = site.pages.filter(isOwn);
  const [pageId, setPageId] = useState(asked.get('page'));
  const [screen, setScreen] = useState(1280);
  const page = pages.find((p) => p.id === pageId) ?? pages[0];
  if (!page) {
    return <EmptyScreen title="No page of your own stands in this site." />;
  }
  const path = pageFiles(site).get(page.id)!;
  const served = host?.pages.some((p) => p.path === path);
  const title = `Before and after of ${page.own.title || page.name}`;
  return (
    <DropScreen siteId={site.id}>
      <TopBar
        crumbs={[
          { label: site.name, href: `/sites/${site.id}` },
          { label: 'Hand over', href: `/sites/${site.id}/hand-over` },
          { label: 'Before and after' },
        ]}
      >
        {pages.length > 1 && (
          <Choose
            label="Page"
            className="w-[200px]"
            value={page.id}
            onChange={setPageId}
            choices={pages.map((p) => ({ value: p.id, label: p.own.title || p.name }))}
          />
        )}
        <Choose
          label="Screen width"
          className="w-[126px]"
          value={String(screen)}
          onChange={(value) => setScreen(Number(value))}
          choices={screenWidths.map((w) => ({ value: String(w), label: `Screen ${w}` }))}
        />
      </TopBar>
      {served ? (
        <Curtain
          key={page.id}
          own={page.own}
          after={rehearsalAddress(site.id, path)}
          screen={screen}
          title={title}
        />
      ) : (
        <main className="grow bg-board p-6">
          <h1 className="sr-only">{title}</h1>
          <p className="text-soft">
            This page was not rehearsed yet, or the host was emptied.{' '}
            <Link href={`/sites/${site.id}/hand-over`} className="text-act underline">
              Rehearse it
            </Link>{' '}
            and come back.
          </p>
        </main>
      )}
    </DropScreen>
  );
}
