import { formatOf, imageFormats } from '../encode/formats/registry';
import { hexOf } from '../colour/hex';
import { newFade } from '../layers/fade';
import { isLossless, encodeSettings } from '../encode/settings';
import type { Mend, ReadingContext, Way } from '../readings/reading';
import { chain, editPicture, editSlot, insertLayer, type Edit } from '../site/edit';
import { editPage } from '../site/pages';
import { freeLayerId } from '../site/picture';
import type { Picture, ImageFormat, EncodeSettings } from '../site/model/picture';
import type { Side, Slot } from '../site/model/slot';
import { adjacentColours, type PageArea } from './adjacentColours';
import { edgeDifference, evenEdge, sides } from './edges';

/* Ways to put a seam right. None is taken for good before its file was pressed and measured. */

const setEncodeSettings = (picture: Picture, press: Partial<EncodeSettings>): Edit =>
  editPicture(picture.id, (p) => {
    Object.assign(p.press, press);
  });

/** The same pixels without loss; nothing where they are already. */
export function withoutLoss(
  picture: Picture,
  { accepts }: Pick<Slot, 'accepts'>,
): Mend | undefined {
  const { press } = picture;
  const format = (['png', 'webp', ...imageFormats] as const).find(
    (f) => accepts.includes(f) && f !== press.format && formatOf(f).lossless !== 'never',
  );
  if (isLossless(press)) {
    return undefined;
  }
  if (press.format === 'webp') {
    return { label: 'Write it without loss', edit: setEncodeSettings(picture, { lossless: true }) };
  }
  return (
    format && {
      label: 'Write it without loss',
      edit: setEncodeSettings(picture, {
        ...encodeSettings(format, press.quality),
        lossless: formatOf(format).lossless === 'asked',
      }),
    }
  );
}

/**
 * Px over which an edge fades: far enough to be soft, and a quarter of the picture at most (ours,
 * by looking).
 */
export const fadePx = (slot: Slot, side: Side): number =>
  Math.max(
    2,
    Math.min(48, Math.round((side === 'top' || side === 'bottom' ? slot.height : slot.width) / 4)),
  );

/** Lets sides of a picture run out into see-through, in a format that keeps it. */
export function fadeOut(
  { slot, picture }: Pick<ReadingContext, 'slot' | 'picture'>,
  which: readonly Side[],
): Mend {
  // It begins late, so that where a phone shows one px for three the outermost is as see-through as
  // it was.
  const fade = {
    ...newFade(
      freeLayerId(picture, 'fade'),
      null,
      Object.fromEntries(which.map((side) => [side, fadePx(slot, side)])),
    ),
    curve: 'late' as const,
  };
  const { press } = picture;
  const kept = formatOf(press.format).seeThrough
    ? press.format
    : (seeThrough(slot) ?? press.format);
  const changed = kept !== press.format;
  return {
    label: `Fade into see-through, ${Math.max(...Object.values(fade.sides))} px${changed ? `, as ${formatOf(kept).title}` : ''}`,
    edit: editPicture(picture.id, (p) => {
      const front = p.layers.at(-1);
      if (
        front?.kind === 'fade' &&
        !front.hidden &&
        front.into === null &&
        front.curve === 'late'
      ) {
        // Sides that are put right together fade together.
        const longer = (side: Side) => Math.max(front.sides[side], fade.sides[side]);
        front.sides = {
          top: longer('top'),
          right: longer('right'),
          bottom: longer('bottom'),
          left: longer('left'),
        };
      } else {
        insertLayer(p, p.layers.length, fade);
      }
      if (changed) {
        p.press = encodeSettings(kept, p.press.quality);
      }
    }),
  };
}

/** A format that is see-through and that the host takes: the one most browsers know first. */
const seeThrough = ({ accepts }: Pick<Slot, 'accepts'>): ImageFormat | undefined =>
  (['webp', ...imageFormats] as const).find((f) => accepts.includes(f) && formatOf(f).seeThrough);

/** Gives an area of a page a colour. */
export function colourArea({ pageId, role, index }: PageArea, colour: string): Edit {
  return editPage(pageId, (page) => {
    if (role === 'ground') {
      page.ground = colour;
    } else if (role === 'section') {
      page.sections[index].colour = colour;
    } else if (role === 'band') {
      if (page.band) {
        page.band.colour = colour;
      }
    } else {
      page[role].colour = colour;
    }
  });
}

/**
 * The page takes the colour that the file's edge has; where the edge has one, and the page's plan
 * an area there.
 */
export function pageTakesColour(
  { site, slot, file }: ReadingContext,
  side: Side,
): Mend | undefined {
  const beside = adjacentColours(site, slot, side);
  const colour = file && beside && evenEdge(file.decoded, side, beside.at);
  if (!colour || !beside.area) {
    return undefined;
  }
  const hex = hexOf(colour);
  return {
    label: `The page takes ${hex}`,
    edit: chain(
      colourArea(beside.area, hex),
      editSlot(slot.id, (s) => {
        s.lends = side;
      }),
    ),
  };
}

/** Formats with a quality to choose, the one most browsers know first. */
const others: readonly ImageFormat[] = [...new Set<ImageFormat>(['webp', ...imageFormats])].filter(
  (f) => formatOf(f).lossless !== 'always',
);

/**
 * Differences up to this come from the compression; larger ones are in the picture, and no other
 * file mends them, levels.
 */
const compressionLeaves = 8;

const way = (id: string, ...tries: (Mend | undefined)[]): Way => ({
  id,
  tries: tries.filter((t) => t !== undefined),
});

/**
 * The same picture in another file: in a palette, without loss, at a neighbouring quality, in
 * another format.
 */
function fileWays(picture: Picture, slot: Pick<Slot, 'accepts'>): Way[] {
  const { format, quality } = picture.press;
  const as = (f: ImageFormat, q: number): Mend => ({
    label: `${formatOf(f).title} at quality ${q}`,
    edit: setEncodeSettings(picture, encodeSettings(f, q)),
  });
  const near = [1, -1, 2, -2, 3, -3, 5, -5, 8]
    .map((d) => quality + d)
    .filter((q) => q >= 30 && q <= 100);
  return [
    way(
      'palette',
      ...(slot.accepts.includes('png') ? [64, 128, 256] : []).map((colours): Mend => ({
        label: `PNG with ${colours} colours, the page’s kept`,
        edit: setEncodeSettings(picture, { ...encodeSettings('png', quality), colours }),
      })),
    ),
    way('lossless', withoutLoss(picture, slot)),
    way('quality', ...(formatOf(format).palette ? [] : near.map((q) => as(format, q)))),
    ...others
      .filter((f) => f !== format && slot.accepts.includes(f))
      .map((f) =>
        way(
          `format-${f}`,
          ...[quality, Math.min(100, quality + 5), Math.max(1, quality - 5)].map((q) => as(f, q)),
        ),
      ),
  ];
}

/** Ways to make a side exact, in the order they are best tried. */
export function seamWays(context: ReadingContext, side: Side): Way[] {
  const { picture, slot, site, file } = context;
  const beside = adjacentColours(site, slot, side);
  const meets = sides.filter((s) => slot.beside[s] !== null);
  const drawnSo =
    file &&
    beside &&
    picture.press.colours === null &&
    edgeDifference(file.decoded, side, beside.at).levels > compressionLeaves;
  return [
    way('fade', fadeOut(context, [side])),
    way(
      'fade-all',
      meets.length > 1
        ? { ...fadeOut(context, meets), label: 'Fade all sides that meet the page' }
        : undefined,
    ),
    ...(drawnSo ? [] : fileWays(picture, slot)),
    way('page', pageTakesColour(context, side)),
  ].filter((w) => w.tries.length > 0);
}
