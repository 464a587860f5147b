import type { TextLayer } from '../site/model/objectLayers';
import type { Slot } from '../site/model/slot';
import { firstBase } from '../text/lineHeight';
import { cssString } from './escape';

/* Words that leave the picture and lie over it as text of the page: same place, font and size. */

const tidy = (v: number): string => String(Math.round(v * 10000) / 10000);

export interface LiveWords {
  readonly lines: readonly string[];
  /** Of the text, in a box as wide and high as the picture that is a container for sizes. */
  readonly declarations: readonly (readonly [string, string])[];
  /**
   * Of each line, and of what stands before it: a strut that holds the base line whatever the
   * font's own ascent is.
   */
  readonly line: readonly (readonly [string, string])[];
  readonly strut: readonly (readonly [string, string])[];
}

/**
 * A text as CSS. Wrapped lines are left to the browser. It shrinks with the picture, but never
 * below a size that can be read.
 * @param family name of its font on the page
 * @param least px
 */
export function liveWords(slot: Slot, text: TextLayer, family: string, least: number): LiveWords {
  const share = (v: number, of: number) => `${tidy((v / of) * 100)}%`;
  const wrapped = text.wrap !== null;
  const back = { left: '0', centre: '-50%', right: '-100%' }[text.align];
  const moves = [
    text.turn !== 0 && `rotate(${tidy(text.turn)}deg)`,
    (text.stretchX !== 1 || text.stretchY !== 1) &&
      `scale(${tidy(text.stretchX)}, ${tidy(text.stretchY)})`,
    back !== '0' && `translateX(${back})`,
  ].filter(Boolean);
  return {
    lines: wrapped ? [text.words.replace(/\n/g, ' ')] : text.words.split('\n'),
    declarations: [
      ['position', 'absolute'],
      ['left', share(text.x, slot.width)],
      ['top', share(text.y, slot.height)],
      ['margin', '0'],
      ...(wrapped
        ? [['width', share(text.wrap!, slot.width)] as const]
        : [['width', 'max-content'] as const]),
      ...(moves.length > 0
        ? [['transform', moves.join(' ')] as const, ['transform-origin', '0 0'] as const]
        : []),
      ['color', text.colour],
      ['font-family', cssString(family)],
      ['font-weight', String(text.weight)],
      ...(text.italic ? [['font-style', 'italic'] as const] : []),
      ['font-size', `max(${tidy(least)}px, ${tidy((text.sizePx / slot.width) * 100)}cqi)`],
      ...(text.spacing !== 0 ? [['letter-spacing', `${tidy(text.spacing)}em`] as const] : []),
      ['text-align', text.align === 'centre' ? 'center' : text.align],
      ...(text.opacity < 1 ? [['opacity', tidy(text.opacity)] as const] : []),
    ],
    line: wrapped
      ? [
          ['display', 'block'],
          ['line-height', tidy(text.lineHeight)],
        ]
      : [
          ['display', 'block'],
          ['height', `${tidy(text.lineHeight)}em`],
          ['line-height', '0'],
          ['white-space', 'pre'],
        ],
    strut: wrapped
      ? []
      : [
          ['content', '""'],
          ['display', 'inline-block'],
          ['height', `${firstBase}em`],
        ],
  };
}

/** Words of a picture that are handed over as text. */
export const liveTexts = (layers: readonly { readonly kind: string }[]): TextLayer[] =>
  (layers as readonly TextLayer[]).filter(
    (l) => l.kind === 'text' && l.live && !l.hidden && l.words.trim() !== '',
  );
