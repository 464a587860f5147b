'use client';

import { useRouter } from 'next/navigation';
import type { Page } from '@/core/site/model/page';
import type { Site } from '@/core/site/model/site';
import type { Session } from '../hooks/useSession';
import { Button } from '../shared/Button';
import { Choose } from '../shared/Choose';
import { CommitField } from '../shared/CommitField';
import { Switch } from '../shared/Switch';
import { TopBar } from '../shared/TopBar';
import { UndoRedo } from '../shared/UndoRedo';
import { leastScreen, mostScreen } from './WidthChart';

interface Props {
  session: Session;
  site: Site;
  page: Page;
  onPage(pageId: string): void;
  /** Of the screen, px. */
  width: number;
  onWidth(width: number): void;
  onOwnPage(): void;
}

/** Which page is seen on which screen, and the ways from the plan to everything else. */
export function PlanBar({ session, site, page, onPage, width, onWidth, onOwnPage }: Props) {
  const router = useRouter();
  const go = (to: string) => router.push(`/sites/${site.id}/${to}`);
  return (
    <TopBar crumbs={[{ label: 'Sites', href: '/' }, { label: site.name }]}>
      {site.pages.length <= 3 ? (
        <Switch
          label="Page"
          value={page.id}
          onChange={onPage}
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
          onChange={onPage}
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
            onWidth(px);
          }}
        />
      </span>
      <UndoRedo session={session} />
      <Button onClick={() => go('shelf')}>Shelf</Button>
      <Button onClick={onOwnPage}>My own page</Button>
      <Button onClick={() => go('recolour')}>Recolour a set</Button>
      <Button variant="main" onClick={() => go('hand-over')}>
        Hand over
      </Button>
    </TopBar>
  );
}
