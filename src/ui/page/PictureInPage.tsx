'use client';

import { useEffect } from 'react';
import type { OwnPage } from '@/core/site/model/ownPage';
import type { Site } from '@/core/site/model/site';
import type { Slot } from '@/core/site/model/slot';
import type { ShownPage } from '../hooks/usePageFrame';
import { useThumb } from '../hooks/useThumb';

/** The file of an own page that a slot's picture takes the place of. */
export const replacedKey = (own: OwnPage, slot: Slot): string | undefined =>
  own.files.find((file) => file.path === slot.replaces)?.key;

/** A slot's picture as it was last drawn, lying in the page in place of the file it replaces. */
export function PictureInPage({
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
