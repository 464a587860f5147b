/** What can be searched: a picture on the shelf or in a library. */
export interface Searchable {
  readonly title: string;
  readonly words: string;
  readonly subject: string;
  readonly width: number;
  readonly height: number;
}

export const shapes = ['wide', 'square', 'tall'] as const;
export type Shape = (typeof shapes)[number];

/** A picture within a tenth of its shorter side of being square counts as square (ours). */
export function shapeOf({
  width,
  height,
}: {
  readonly width: number;
  readonly height: number;
}): Shape {
  const ratio = width / height;
  if (ratio > 1.1) {
    return 'wide';
  }
  if (ratio < 1 / 1.1) {
    return 'tall';
  }
  return 'square';
}

export interface Query {
  /**
   * Every word must begin a word of the picture's title, words or subject; case and accents do not
   * matter.
   */
  readonly words?: string;
  readonly subject?: string;
  readonly shape?: Shape;
  /** Px. */
  readonly leastWidth?: number;
}

const plain = (text: string): string =>
  text
    .normalize('NFKD')
    .replace(/[\u0300-\u036f]/g, '')
    .toLowerCase();

export function matches(
  picture: Searchable,
  { words = '', subject, shape, leastWidth = 0 }: Query,
): boolean {
  if (subject && picture.subject !== subject) {
    return false;
  }
  if (shape && shapeOf(picture) !== shape) {
    return false;
  }
  if (picture.width < leastWidth) {
    return false;
  }
  const known = plain(`${picture.title} ${picture.words} ${picture.subject}`).split(/[^a-z0-9]+/);
  return plain(words)
    .split(/[^a-z0-9]+/)
    .filter(Boolean)
    .every((word) => known.some((k) => k.startsWith(word)));
}
