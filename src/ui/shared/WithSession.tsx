'use client';

import type { ReactNode } from 'react';
import { useSession, type Session } from '../hooks/useSession';
import { Standing } from './Standing';

/**
 * What a screen of a site shows once the site is open; until then, or where it cannot be opened,
 * that is said.
 */
export function WithSession({
  siteId,
  children,
}: {
  siteId: string;
  children(session: Session): ReactNode;
}) {
  const opened = useSession(siteId);
  switch (opened.state) {
    case 'opening':
      return <Standing title="Opening" />;
    case 'absent':
      return (
        <Standing title="There is no such site in this browser.">
          It may have been removed, or was made in another browser.
        </Standing>
      );
    case 'failed':
      return <Standing title="This site cannot be read.">{opened.message}</Standing>;
    case 'open':
      return children(opened.session);
  }
}
