'use client';

import Link from 'next/link';
import { useState } from 'react';
import { lastPlace } from '../hooks/lastPlace';
import type { ListedSite } from '../hooks/useSites';
import { benchAhead, planAhead } from './ahead';

/** The way back to the screen of a site that was open last. */
export function GoOn({ sites }: { sites: readonly ListedSite[] }) {
  const [place] = useState(lastPlace);
  const listed = sites.find(({ id }) => id === place?.siteId);
  if (!place || !listed || !('site' in listed)) {
    return null;
  }
  const { site } = listed;
  const slot = site.slots.find(({ id }) => id === place.slotId);
  // A picture that was removed since is nowhere to go on at.
  if (place.slotId !== undefined && !slot) {
    return null;
  }
  const planned = listed.measured ? {} : planAhead;
  return (
    <Link
      href={place.path}
      className="min-w-0 truncate text-act underline"
      prefetch={false}
      {...(slot ? benchAhead : planned)}
    >
      Go on where you were: {slot ? `${slot.name} of ${site.name}` : site.name}
    </Link>
  );
}
