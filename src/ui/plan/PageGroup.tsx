'use client';

import type { ReactNode } from 'react';
import { addPage, editPage, removePage } from '@/core/site/pages';
import type { Page } from '@/core/site/model/page';
import type { Site } from '@/core/site/model/site';
import type { Session } from '../hooks/useSession';
import { Button } from '../shared/Button';
import { CommitField } from '../shared/CommitField';
import { Group } from '../shared/Group';
import { newId } from '../shared/newId';
import { Row } from '../shared/Row';

/** A page's name, and the pages there are: one more, or one less. */
export function PageGroup({
  session,
  site,
  page,
  onPage,
  children,
}: {
  session: Session;
  site: Site;
  page: Page;
  onPage(pageId: string): void;
  children?: ReactNode;
}) {
  const add = () => {
    const id = newId();
    session.commit('Add a page', addPage(page.id, id, `Page ${site.pages.length + 1}`));
    onPage(id);
  };
  const remove = () => {
    const next = site.pages.find((p) => p.id !== page.id);
    session.commit(`Remove the page ${page.name}`, removePage(page.id));
    if (next) {
      onPage(next.id);
    }
  };
  const call = (name: string): string | undefined => {
    if (!name.trim()) {
      return 'Give it a name.';
    }
    session.commit(
      `Call the page ${name.trim()}`,
      editPage(page.id, (p) => {
        p.name = name.trim().slice(0, 60);
      }),
    );
    return undefined;
  };
  return (
    <Group
      title="Page"
      aside={
        <span className="flex gap-1.5">
          <Button onClick={add}>+ Page</Button>
          <Button variant="bad" disabled={site.pages.length < 2} onClick={remove}>
            Remove
          </Button>
        </span>
      }
    >
      <Row tight label="Name">
        <CommitField
          label="Name of the page"
          words
          className="grow"
          value={page.name}
          onCommit={call}
        />
      </Row>
      {children}
    </Group>
  );
}
