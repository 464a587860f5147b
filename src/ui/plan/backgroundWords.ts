import type { BackgroundFound } from '@/core/theme/readTheme';
import type { BackgroundSize, Length } from '@/core/site/model/slot';

const length = (l: Length | 'auto'): string =>
  l === 'auto' ? l : `${Number(l.value.toFixed(2))}${l.unit}`;

const sizeWords = (size: BackgroundSize): string => {
  if (typeof size === 'string') {
    return size;
  }
  if (size.x === 'auto' && size.y === 'auto') {
    return '';
  }
  return `/ ${length(size.x)} ${length(size.y)}`;
};

/** How a style sheet lays a picture, in its own words. */
export const lies = (b: BackgroundFound): string =>
  [
    b.repeat,
    `${length(b.position.x)} ${length(b.position.y)}`,
    sizeWords(b.size),
    b.attachment === 'fixed' && 'fixed',
    b.colour,
  ]
    .filter(Boolean)
    .join(' ');
