'use client';

import { useEffect, useState } from 'react';
import type { OwnPageChanges } from '@/core/handover/ownPageChanges';
import { askedOf, patchedFrozen } from '@/core/handover/patchedFrozen';
import type { HandOver } from '@/core/handover/produce';
import { wordsOf } from '@/core/refusal';
import type { OwnPage } from '@/core/site/model/ownPage';
import { openKeptPage } from '@/work/ownPages';
import type { PageCheck } from '@/engine/page/checkPage';
import { hiddenHost } from './hiddenHost';
import { inkRules } from './useLying';
import { storedAsset } from './tab/assets';
import { theEngine } from './tab/engine';

export type { PageCheck, PageFault } from '@/engine/page/checkPage';

/** How far the check of a patched page is. */
export interface Checking {
  readonly running: { readonly done: number; readonly of: number } | undefined;
  readonly check: PageCheck | undefined;
  readonly problem: string | undefined;
}

const nothing: Checking = { running: undefined, check: undefined, problem: undefined };

async function checkOf(
  own: OwnPage,
  { wishes }: OwnPageChanges,
  files: HandOver['files'],
  onScreen: (done: number, of: number) => boolean,
): Promise<PageCheck | undefined> {
  const [{ page, survey }, { checkPage }] = await Promise.all([
    openKeptPage(own, { read: storedAsset, survey: theEngine().readSurvey }),
    import('@/engine/page/checkPage'),
  ]);
  const host = hiddenHost();
  try {
    return await checkPage(
      host,
      {
        before: page,
        after: patchedFrozen(page, wishes, files),
        survey,
        asked: askedOf(own, wishes),
        words: wishes.inks.map(({ selector }) => selector),
        lying: [
          ...inkRules(own),
          ...wishes.places.flatMap(({ slot, was, declared }) => {
            const place = own.places.find((p) => p.slot === slot.id);
            return was && place && declared.length > 0
              ? [{ selector: place.selector, pseudo: place.pseudo, declared }]
              : [];
          }),
        ],
      },
      onScreen,
    );
  } finally {
    host.remove();
  }
}

const isEmpty = ({ wishes }: OwnPageChanges): boolean =>
  wishes.places.length === 0 && wishes.inks.length === 0;

/** Opens the patched page beside what it was, at every width that it was surveyed at. */
export function usePageCheck(
  own: OwnPage,
  changes: OwnPageChanges | undefined,
  made: HandOver | undefined,
): Checking {
  const [state, setState] = useState<{ of: OwnPageChanges; value: Checking }>();
  useEffect(() => {
    if (!changes || !made || isEmpty(changes)) {
      return;
    }
    let current = true;
    const put = (value: Checking) => {
      if (current) {
        setState({ of: changes, value });
      }
    };
    checkOf(own, changes, made.files, (done, of) => {
      put({ ...nothing, running: { done, of } });
      return current;
    }).then(
      (check) => put({ ...nothing, check }),
      (error: unknown) => put({ ...nothing, problem: wordsOf(error) }),
    );
    return () => {
      current = false;
    };
  }, [own, changes, made]);
  return state && state.of === changes ? state.value : nothing;
}
