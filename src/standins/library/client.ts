import type { Query } from '@/core/shelf/search';
import { served } from '@/served/address';
import { servedFile } from '@/served/file';
import type { LibraryAnswer, LibraryPicture } from './library';

export type LibraryFound =
  | { readonly state: 'looking' }
  | { readonly state: 'failed'; readonly message: string }
  | { readonly state: 'found'; readonly answer: LibraryAnswer };

/** A question as the library's address carries it. */
export const libraryQuestion = (query: Query & { readonly page: number }): string =>
  new URLSearchParams({
    words: query.words ?? '',
    subject: query.subject ?? '',
    shape: query.shape ?? '',
    leastWidth: String(query.leastWidth ?? ''),
    page: String(query.page),
  }).toString();

/** @param question as `libraryQuestion` writes it */
export async function askLibrary(question: string): Promise<LibraryFound> {
  try {
    const response = await fetch(served(`/api/library?${question}`));
    const body = (await response.json()) as LibraryAnswer & { message?: string };
    if (response.ok) {
      return { state: 'found', answer: body };
    }
    const message = body.message ?? `The library answered with status ${response.status}.`;
    return { state: 'failed', message };
  } catch {
    return {
      state: 'failed',
      message: 'The library did not answer. Look whether you are connected, and try again.',
    };
  }
}

/** Where the library has a picture of its own. */
export const libraryAddress = ({ id }: Pick<LibraryPicture, 'id'>): string =>
  served(`/library/${id}.jpg`);

/** @throws Refusal where it does not come */
export const libraryPicture = (picture: LibraryPicture): Promise<Uint8Array<ArrayBuffer>> =>
  servedFile(libraryAddress(picture), picture.title);
