import { wantedContrast } from './contrast';
import type { TextLayer } from '../site/model/objectLayers';

/**
 * Words that are handed over as text shrink with their picture, but not below a least size: where
 * the picture is small they are larger against it than they were drawn.
 */
export interface LiveScales {
  /** The least size that they are shown in, CSS px. */
  readonly least: number;
  /** By screen width: how large the picture is shown there, as a multiple of its own px. */
  readonly at: readonly { readonly screen: number; readonly scale: number }[];
}

/** Words in one of the sizes they are shown in. */
export interface SizeShown {
  /** The contrast that is wanted of them, by their size on the page. */
  readonly wanted: number;
  /** How much larger they are against the picture than they were drawn. */
  readonly enlarged: number;
  /** A screen width it is so at; undefined for the picture at its own size. */
  readonly screen: number | undefined;
}

/** Enlargements that differ by less are measured once. */
const step = 0.02;

/**
 * The sizes that a text is shown in against its picture, its own first; one for each that differs.
 * @param live undefined where the text is part of the picture and always scaled with it
 */
export function sizesShown(
  { sizePx, weight }: Pick<TextLayer, 'sizePx' | 'weight'>,
  live: LiveScales | undefined,
): SizeShown[] {
  const sizes = new Map<string, SizeShown>();
  const add = (shownPx: number, enlarged: number, screen: number | undefined) => {
    const wanted = wantedContrast({ sizePx: shownPx, weight });
    const key = `${Math.round((enlarged - 1) / step)} ${wanted}`;
    if (!sizes.has(key)) {
      sizes.set(key, { wanted, enlarged, screen });
    }
  };
  add(sizePx, 1, undefined);
  for (const { screen, scale } of live?.at ?? []) {
    const shownPx = Math.max(live!.least, sizePx * scale);
    add(shownPx, shownPx / (sizePx * scale), screen);
  }
  return [...sizes.values()];
}
