'use client';

import { useEffect } from 'react';
import type { OwnPage } from '@/core/site/model/ownPage';
import type { Site } from '@/core/site/model/site';
import type { Slot } from '@/core/site/model/slot';
import type { ShownPage } from '../hooks/usePageFrame';
import { useThumb } from '../hooks/useThumb';
import { isAsSaved } from './isAsSaved';

/** The file of an own page that a slot's picture takes the place of. */
export const replacedKey = (own: OwnPage, slot: Slot): string | undefined =>
  own.files.find((file) => file.path === slot.replaces)?.key;

/** A slot's picture as it was last drawn, lying in the page in place of the file it replaces. */
function PictureInPage({
  site,
  slot,
  own,
  selector,
  frame,
}: {
  site: Site;
  slot: Slot;
  own: OwnPage;
  selector: string;
  frame: ShownPage['frame'];
}) {
  const url = useThumb(site, slot);
  const key = replacedKey(own, slot);
  useEffect(() => {
    if (!url) {
      return;
    }
    const target = { key, selector };
    frame.lay(target, url);
    return () => frame.lay(target, undefined);
  }, [url, key, selector, frame]);
  return null;
}

/** The pictures of all slots of a page that something was done to, but for one that is worked on. */
export function PicturesInPage({
  site,
  own,
  frame,
  except,
}: {
  site: Site;
  own: OwnPage;
  frame: ShownPage['frame'];
  except?: string;
}) {
  return own.places.map((place) => {
    const slot = site.slots.find((s) => s.id === place.slot && s.id !== except);
    return slot && !isAsSaved(site, slot) ? (
      <PictureInPage
        key={slot.id}
        site={site}
        slot={slot}
        own={own}
        selector={place.selector}
        frame={frame}
      />
    ) : null;
  });
}
