import type { HarmonyFigure, HarmonyKind } from '@/core/harmony/harmony';

export const harmonyTitles: Readonly<Record<HarmonyKind, string>> = {
  own: 'Shades of one colour',
  deep: 'On a deep ground',
  neighbour: 'With its neighbour',
  opposite: 'With its opposite',
  second: 'With the photo’s other colour',
  dark: 'Light on dark',
};

/** What is seen on what, for a person. */
export const pairWords: Readonly<Record<HarmonyFigure['of'], string>> = {
  page: 'page',
  content: 'content',
  bar: 'bar',
  text: 'text',
  link: 'links',
  accent: 'accent',
  onPage: 'words',
  onBar: 'words',
  onAccent: 'words',
};
