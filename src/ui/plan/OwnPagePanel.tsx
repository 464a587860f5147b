'use client';

import { leftWords, type LeftKind } from '@/core/ownPage/frozen';
import { editPage } from '@/core/site/pages';
import type { OwnPage, OwnPageOrigin } from '@/core/site/model/ownPage';
import type { Page } from '@/core/site/model/page';
import type { Site } from '@/core/site/model/site';
import type { Session } from '../hooks/useSession';
import { Button } from '../shared/Button';
import { Group } from '../shared/Group';
import { PageGroup } from './PageGroup';

interface Props {
  session: Session;
  site: Site;
  page: Page & { own: OwnPage };
  onPage(pageId: string): void;
  /** Opens the door for what is missing, or for the page saved anew. */
  onAgain(): void;
}

const origin: Readonly<Record<OwnPageOrigin, string>> = {
  page: 'Your page as the browser saved it.',
  'style sheets': 'Built from what your style sheets select, since no page came with them.',
  picture: 'A picture of your page. It holds for the width it was taken at.',
};

/** What the owner's page is made of, and what did not come with it. */
export function OwnPagePanel({ session, site, page, onPage, onAgain }: Props) {
  const { own } = page;
  const left = own.left.map(({ what, name }) => ({ what: what as LeftKind, name }));
  return (
    <div className="flex flex-col gap-3 p-3">
      <PageGroup session={session} site={site} page={page} onPage={onPage} />
      <Group title="Your own page">
        <p className="truncate" title={own.file}>
          {own.file}
        </p>
        <p className="text-soft">{origin[own.from]}</p>
        {left.length > 0 && <p className="text-soft">Left out: {leftWords(left)}.</p>}
        <div className="flex flex-wrap gap-2">
          <Button onClick={onAgain}>Bring it again</Button>
          <Button
            onClick={() =>
              session.commit(
                `Draw the page ${page.name} again`,
                editPage(page.id, (p) => {
                  p.own = null;
                  p.content.measured = null;
                }),
              )
            }
          >
            Show the drawing instead
          </Button>
        </div>
      </Group>
      {own.missing.length > 0 && (
        <Group title={`Missing ${own.missing.length}`}>
          <p className="text-soft">
            These files did not come with the page. Bring it again with its folder, and they are
            shown.
          </p>
          <ul className="max-h-60 overflow-auto">
            {own.missing.map((name) => (
              <li key={name} className="truncate" title={name}>
                {name}
              </li>
            ))}
          </ul>
        </Group>
      )}
    </div>
  );
}
