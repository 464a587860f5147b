'use client';

import { useEffect } from 'react';
import { laidOtherwise } from '@/core/ownPage/laidOtherwise';
import type { OwnPage } from '@/core/site/model/ownPage';
import type { Site } from '@/core/site/model/site';
import type { LyingRule } from '@/engine/page/frame';
import type { ShownPage } from './usePageFrame';

/** Words that have another colour, as they are shown in the page. */
export const inkRules = ({ inks }: OwnPage): LyingRule[] =>
  inks.map(({ selector, colour }) => ({
    selector,
    pseudo: '',
    declared: [{ property: 'color', value: colour }],
  }));

/**
 * Lays the pictures of a page that is shown as its slots say, where that differs from the page.
 * @returns what is laid so, as a text that changes with it
 */
export function useLying(shown: ShownPage | undefined, own: OwnPage, site: Site): string {
  const rules = shown
    ? own.places.flatMap((place): LyingRule[] => {
        const slot = site.slots.find((s) => s.id === place.slot);
        const declared = slot ? laidOtherwise(shown.survey, place, slot) : [];
        const { selector, pseudo } = place;
        return declared.length > 0 ? [{ selector, pseudo, declared }] : [];
      })
    : [];
  const text = JSON.stringify([...rules, ...inkRules(own)]);
  useEffect(() => shown?.frame.lie(JSON.parse(text) as LyingRule[]), [shown, text]);
  return text;
}
