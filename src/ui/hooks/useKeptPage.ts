'use client';

import { useEffect, useState } from 'react';
import { wordsOf } from '@/core/refusal';
import type { OwnPage, OwnPageOrigin } from '@/core/site/model/ownPage';
import { keepPage, openKeptPage, type ReadPage } from '@/work/ownPages';
import { theEngine } from './tab/engine';
import { storeAsset, storedAsset } from './tab/assets';

export interface KeptPage {
  readonly read: ReadPage | undefined;
  /** Why it cannot be shown. */
  readonly problem: string | undefined;
}

const nothing: KeptPage = { read: undefined, problem: undefined };

/** The owner's page out of the site; undefined until it is read. */
export function useKeptPage(own: OwnPage): KeptPage {
  const key = `${own.document} ${own.survey}`;
  const [kept, setKept] = useState<{ key: string; value: KeptPage }>();
  useEffect(() => {
    let current = true;
    const put = (value: KeptPage) => {
      if (current) {
        setKept({ key, value });
      }
    };
    openKeptPage(own, { read: storedAsset, survey: theEngine().readSurvey }).then(
      (read) => put({ read, problem: undefined }),
      (error: unknown) => put({ read: undefined, problem: wordsOf(error) }),
    );
    return () => {
      current = false;
    };
    // What the page is made of is named by its key; places come and go without it.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key]);
  return kept?.key === key ? kept.value : nothing;
}

/** Stores everything a page is made of. @returns what the site keeps of it */
export const storePage = (from: OwnPageOrigin, file: string, read: ReadPage): Promise<OwnPage> =>
  keepPage(from, file, read, { store: storeAsset });
