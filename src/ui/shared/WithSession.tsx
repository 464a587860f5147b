'use client';

import type { ReactNode } from 'react';
import { useSession, type Session } from '../hooks/useSession';
import { EmptyScreen } from './EmptyScreen';

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
      return <EmptyScreen title="Opening" />;
    case 'absent':
      return (
        <EmptyScreen title="There is no such site in this browser.">
          It may have been removed, or was made in another browser.
        </EmptyScreen>
      );
    case 'failed':
      return <EmptyScreen title="This site cannot be read.">{opened.message}</EmptyScreen>;
    case 'open':
      return children(opened.session);
  }
}
