import { tryComputed } from '../colour/computed';
import type { Rgb } from '../raster/raster';
import type { Side } from '../site/model/slot';
import { backgroundsIn, type BackgroundFound, type SheetText } from '../theme/readTheme';
import type { Declared } from './scanSheet';
import { varCall } from './variables';

/**
 * The side at which a strip ends and the colour under it goes on; undefined for what is no strip.
 */
function endSide({ repeat, position }: BackgroundFound): Side | undefined {
  const far = (l: BackgroundFound['position']['x']) => l.unit === '%' && l.value >= 100;
  if (repeat === 'repeat-x') {
    return far(position.y) ? 'top' : 'bottom';
  }
  if (repeat === 'repeat-y') {
    return far(position.x) ? 'left' : 'right';
  }
  return undefined;
}

/**
 * Selectors that a page or a part of it is spoken of by, the nearest first: `body.home` is a `body`,
 * and where that says nothing, what it lies in.
 */
function spokenOfAs(selector: string): string[] {
  const last = selector.split(/[\s>+~]+/).at(-1) ?? selector;
  const element = /^[a-z][\w-]*/i.exec(last)?.[0];
  const page = element === 'body' ? ['html', ':root'] : [];
  return [...new Set([selector, last, ...(element ? [element] : []), ...page])];
}

/** Where a colour is written that is seen behind something. */
interface GroundSpan {
  readonly file: string;
  readonly d: Declared;
  readonly start: number;
  readonly end: number;
  readonly text: string;
  readonly colour: Rgb;
}

/** Where the colour under a strip is written: the last word on it that its selector has. */
function groundSpan(
  selector: string,
  sheets: readonly { path: string; declared: readonly Declared[] }[],
  resolve: (value: string) => string | undefined,
): GroundSpan | undefined {
  let found: GroundSpan | undefined;
  for (const { path: file, declared } of sheets) {
    for (const d of declared) {
      if (
        !/^background(-color)?$/.test(d.property) ||
        !d.selector.split(',').some((s) => s.trim() === selector)
      ) {
        continue;
      }
      for (const c of d.colours) {
        found = { file, d, start: c.start, end: c.end, text: c.text, colour: c.rgb };
      }
      // A variable counts with its fallback, which is only seen where it has no value.
      for (const m of d.value.matchAll(varCall)) {
        const colour = tryComputed(resolve(m[0]) ?? '');
        const start = d.start + m.index;
        const end = start + m[0].length;
        const last = d.colours.at(-1);
        if (colour && (!last || (last.start >= start && last.end <= end))) {
          found = { file, d, start, end, text: m[0], colour };
        }
      }
    }
  }
  return found;
}

/** A picture that ends in one direction, and where the colour is written that goes on there. */
export interface Strip {
  readonly path: string;
  readonly selector: string;
  readonly side: Side;
  readonly ground: GroundSpan;
}

/** The strips that style sheets lay. */
export const stripsIn = (
  sheets: readonly SheetText[],
  scanned: Parameters<typeof groundSpan>[1],
  resolve: (value: string) => string | undefined,
): Strip[] =>
  backgroundsIn(sheets).flatMap((found): Strip[] => {
    const side = endSide(found);
    const { path, selector } = found;
    if (!side || path === null) {
      return [];
    }
    const ground = spokenOfAs(selector)
      .map((spoken) => groundSpan(spoken, scanned, resolve))
      .find((g) => g !== undefined);
    return ground ? [{ path, selector, side, ground }] : [];
  });
