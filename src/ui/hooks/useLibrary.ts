'use client';

import { useEffect, useState } from 'react';
import type { ShelfItem } from '@/core/site/model/shelf';
import type { Query } from '@/core/shelf/search';
import type { LibraryAnswer, LibraryPicture } from '@/standins/library/library';
import { shelveBytes } from './useIntake';

export type { LibraryPicture } from '@/standins/library/library';

export type Found =
  | { readonly state: 'looking' }
  | { readonly state: 'failed'; readonly message: string }
  | { readonly state: 'found'; readonly answer: LibraryAnswer };

/** A pause in typing after which is searched, ms. */
const pause = 250;

/** Searches the library while `active`; a newer question gives the older one up. */
export function useLibrary(
  query: Query & { readonly page: number },
  active: boolean,
): Found & { again(): void } {
  const [found, setFound] = useState<{ key: string; value: Found }>();
  const [turn, setTurn] = useState(0);
  const params = new URLSearchParams({
    words: query.words ?? '',
    subject: query.subject ?? '',
    shape: query.shape ?? '',
    leastWidth: String(query.leastWidth ?? ''),
    page: String(query.page),
  }).toString();
  const key = `${params} ${turn}`;
  useEffect(() => {
    if (!active) {
      return;
    }
    const stop = new AbortController();
    const timer = setTimeout(async () => {
      try {
        const response = await fetch(`/api/library?${params}`, { signal: stop.signal });
        const body = (await response.json()) as LibraryAnswer & { message?: string };
        setFound({
          key,
          value: response.ok
            ? { state: 'found', answer: body }
            : {
                state: 'failed',
                message: body.message ?? `The library answered with status ${response.status}.`,
              },
        });
      } catch {
        if (!stop.signal.aborted) {
          setFound({
            key,
            value: {
              state: 'failed',
              message: 'The library did not answer. Look whether you are connected, and try again.',
            },
          });
        }
      }
    }, pause);
    return () => {
      clearTimeout(timer);
      stop.abort();
    };
  }, [params, active, key]);
  return {
    ...(found?.key === key ? found.value : { state: 'looking' }),
    again: () => setTurn((t) => t + 1),
  };
}

/** Takes a picture of the library onto the shelf, with all that is known of it. */
export async function takeFromLibrary(picture: LibraryPicture): Promise<ShelfItem> {
  const response = await fetch(`/library/${picture.id}.jpg`);
  if (!response.ok) {
    throw new Error(
      `${picture.title}: expected the picture, the library answered with status ${response.status}.`,
    );
  }
  const item = await shelveBytes(
    `${picture.title}.jpg`,
    new Uint8Array(await response.arrayBuffer()),
    'the picture library',
  );
  return {
    ...item,
    maker: picture.maker,
    licence: picture.licence,
    date: picture.date,
    subject: picture.subject,
  };
}
