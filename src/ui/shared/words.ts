import { createStore } from 'zustand/vanilla';
import type { Command } from './commands';

/** A word of ours, and what it is in a sentence or two. */
export interface Word {
  readonly word: string;
  readonly means: string;
}

/** In the order in which one meets them. */
export const ourWords: readonly Word[] = [
  {
    word: 'Page plan',
    means: 'The page drawn to scale, or your own page itself, with its slots and their sizes.',
  },
  { word: 'Slot', means: 'A place on the page for one picture of an exact size.' },
  { word: 'Bench', means: 'Where one picture is worked on, lying in its slot on the page.' },
  {
    word: 'Ground',
    means: 'What lies under everything in a picture: a colour, a gradient, or nothing at all.',
  },
  {
    word: 'Layer',
    means: 'One thing in a picture: a photo, words, a shape, or a colour over what is below.',
  },
  {
    word: 'Wash',
    means: 'A colour laid over what is below it, at a strength. What is below shines through.',
  },
  {
    word: 'Two-tone',
    means: 'The picture in two colours: one for its dark parts, one for its light ones.',
  },
  {
    word: 'Veil',
    means: 'A wash between picture and words, just strong enough for the words to be read.',
  },
  { word: 'Relief', means: 'A raised or pressed-in look, or a line engraved along the edge.' },
  {
    word: 'Light',
    means: 'One for the whole picture: a sun at its border. Shadows and reliefs follow it.',
  },
  {
    word: 'Cut-out',
    means:
      'A photo of which the thing alone is left: what is around it was made see-through, by its colour or by a loop.',
  },
  {
    word: 'Seam',
    means: 'Where the edge of a picture meets the page. Exact means that nobody can see it.',
  },
  {
    word: 'Reading',
    means:
      'One thing that was measured against what is wanted. It holds, is to be looked at, or fails.',
  },
  {
    word: 'Recipe',
    means: 'The steps that give pictures another colour, kept apart so that many can have them.',
  },
  { word: 'Shelf', means: 'The pictures at hand, each with its maker and its licence.' },
  {
    word: 'Hand-over',
    means: 'All files for your host, with the lines that lay them on the page, in one archive.',
  },
  {
    word: 'Rehearsal',
    means: 'The finished page, served as a host would serve it, before anything is uploaded.',
  },
];

/** The word that is asked about, if the list of them is open. */
export const glossary = createStore<{ readonly asked: string | undefined }>(() => ({
  asked: undefined,
}));

export const askWord = (word: string): void => glossary.setState({ asked: word });
export const closeWords = (): void => glossary.setState({ asked: undefined });

/** One command for each word, so that it is found by asking for it. */
export const wordCommands = (): Command[] =>
  ourWords.map(({ word }) => ({
    id: `word ${word}`,
    label: `What is meant by: ${word.toLowerCase()}`,
    run: () => askWord(word),
  }));
