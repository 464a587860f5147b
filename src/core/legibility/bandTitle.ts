import { colourOf } from '../colour/parse';
import { mipLevelOf } from '../frame/mipLevels';
import { resample } from '../frame/resample';
import { newText, specOf } from '../layers/text';
import {
  placeBackground,
  type BackgroundRules,
  type PlacedBackground,
} from '../measure/background';
import { bandAt } from '../measure/layoutPage';
import { composite, fillRect } from '../raster/composite';
import { createRaster, intersect, isEmpty, type Raster, type Rect } from '../raster/raster';
import type { Hex } from '../site/model/hex';
import type { Page, TitleBand } from '../site/model/page';
import type { GlyphRaster, TextMask, TextSpec } from '../text/glyphs';
import { firstBase } from '../text/lineHeight';
import { titleLeading } from '../text/titleLook';
import { wantedContrast } from './contrast';
import { around, behindWords, textContrast, type Behind } from './measure';
import type { Veil } from './report';
import { leastVeil, veilReaches } from './veil';

/** A band's title over its picture, as it is to be measured. */
export interface TitleQuestion {
  readonly page: Pick<Page, 'content'>;
  readonly band: TitleBand;
  /** The font it is set in, and the weight that it is shown in. */
  readonly font: string;
  readonly weight: number;
  readonly rules: BackgroundRules;
}

/** A title at one screen width. */
export interface TitleAt {
  readonly screen: number;
  /** Contrast at its worst spot, and where nineteen of twenty px are better. */
  readonly worst: number;
  readonly fifth: number;
  readonly lines: number;
  /** All its lines have room. */
  readonly fits: boolean;
}

export interface TitleReport {
  /** What its contrast is to be: 3 for large words, 4.5 for other. */
  readonly wanted: number;
  /** By screen width, the narrowest first. */
  readonly at: readonly TitleAt[];
  /** Where its worst spot is, px of the picture. */
  readonly spot: { readonly x: number; readonly y: number };
  /** Veils on the picture with which it reads at all of them, weakest first. */
  readonly veils: readonly Veil[];
  /** Colours in which it would. */
  readonly inks: readonly Hex[];
  /** The largest size, whole px, with which its lines have room at every width; none if not one. */
  readonly fitting: number | undefined;
}

/** Screen widths that it is measured at, px: from a small phone to a large screen. */
export const titleScreens: readonly number[] = Array.from({ length: 57 }, (_, i) => 320 + 40 * i);

/** What it is drawn by, in a room that wide. */
const specIn = (
  { band, font, weight }: TitleQuestion,
  wrap: number,
  sizePx = band.sizePx,
): TextSpec => ({
  ...specOf(newText('title', band.heading, font, sizePx, band.ink, 0, 0)),
  weight,
  lineHeight: titleLeading,
  align: band.align,
  wrap,
});

/** How many lines it breaks into. */
function linesOf(spec: TextSpec, glyphs: GlyphRaster): number {
  const one = glyphs.box({ ...spec, words: '', wrap: null }).height;
  return 1 + Math.round((glyphs.box(spec).height - one) / (spec.sizePx * titleLeading));
}

/**
 * Where the first base line of a line box lies below its top, px: as CSS 2.2, section 10.8.1, with
 * the font's reach and half of the leading in whole px, as browsers lay it.
 */
function firstBaseOf(spec: TextSpec, glyphs: GlyphRaster): number {
  const { above, below } = glyphs.reach(spec);
  const whole = Math.round(above) + Math.round(below);
  return Math.floor((spec.sizePx * titleLeading - whole) / 2) + Math.round(above);
}

/** The words as they lie in a band at some width. */
interface Laid {
  readonly mask: TextMask;
  /** The corner of their cover, px of the band's area. */
  readonly x: number;
  readonly y: number;
  readonly lines: number;
  readonly fits: boolean;
}

function layTitle(
  question: TitleQuestion,
  room: Rect,
  glyphs: GlyphRaster,
  masks: Map<number, TextMask>,
): Laid {
  const { align, high, sizePx } = question.band;
  const spec = specIn(question, room.width);
  let mask = masks.get(room.width);
  if (!mask) {
    masks.set(room.width, (mask = glyphs.cover(spec)));
  }
  const lines = linesOf(spec, glyphs);
  const tall = lines * sizePx * titleLeading;
  const share = { left: 0, centre: 0.5, right: 1 }[align];
  const down = { top: 0, middle: 0.5, bottom: 1 }[high];
  // The mask's own first base line stands elsewhere.
  const base = Math.round(firstBaseOf(spec, glyphs) - ownBase(spec));
  return {
    mask,
    x: Math.round(room.x + share * room.width) + mask.x,
    y: Math.round(room.y + down * (room.height - tall)) + base + mask.y,
    lines,
    fits: tall <= room.height,
  };
}

const ownBase = ({ sizePx }: TextSpec): number => Math.round(sizePx * firstBase);

/** What a background picture shows in a part of its area. */
function shownIn(picture: Raster, placed: PlacedBackground, part: Rect, ground: Hex): Raster {
  const out = createRaster(part.width, part.height);
  fillRect(out, colourOf(ground));
  const scale = { x: placed.width / picture.width, y: placed.height / picture.height };
  // What is much reduced is begun from a half, so that each px is made of few.
  const times = Math.max(0, Math.floor(-Math.log2(Math.max(scale.x, scale.y))));
  const source = mipLevelOf(picture, times);
  const along = (at: number, step: number, from: number, length: number, repeats: boolean) => {
    if (!repeats) {
      return [at];
    }
    const first = at + Math.floor((from - at) / step) * step;
    return Array.from(
      { length: Math.ceil((from + length - first) / step) },
      (_, i) => first + i * step,
    );
  };
  for (const x of along(placed.x, placed.width, part.x, part.width, placed.repeatX)) {
    for (const y of along(placed.y, placed.height, part.y, part.height, placed.repeatY)) {
      const raster = resample(
        source,
        {
          x: x - part.x,
          y: y - part.y,
          scaleX: placed.width / source.width,
          scaleY: placed.height / source.height,
        },
        part.width,
        part.height,
      );
      composite(out, { type: 'raster', raster, x: 0, y: 0 });
    }
  }
  return out;
}

/** The colours behind all of them, each once. */
function coloursOf(all: readonly Behind[]): Uint32Array {
  const found = new Set<number>();
  for (const { colours } of all) {
    for (const packed of colours) {
      found.add(packed);
    }
  }
  return Uint32Array.from(found);
}

/** Largest size at which the lines have room at every width. */
function fittingSize(question: TitleQuestion, glyphs: GlyphRaster): number | undefined {
  const rooms = titleScreens.map((s) => bandAt(question.page, question.band, s).room);
  const narrowest = [...new Map(rooms.map((room) => [room.width, room])).values()];
  for (let size = Math.floor(question.band.sizePx); size >= 12; size--) {
    const fits = narrowest.every(
      ({ width, height }) =>
        linesOf(specIn(question, width, size), glyphs) * size * titleLeading <= height,
    );
    if (fits) {
      return size;
    }
  }
  return undefined;
}

/**
 * How a band's title stands off the picture behind it, and whether it has room, at every screen
 * width of `titleScreens`.
 *
 * @param picture of the band, opaque, without the title
 * @param colours for veils and for the title
 * @param rest waited for between the steps, so that what a person does goes first
 * @returns undefined where it has no words, or its font is not there
 */
export async function titleReport(
  picture: Raster,
  question: TitleQuestion,
  colours: readonly Hex[],
  glyphs: GlyphRaster,
  rest: () => Promise<void> = async () => {},
): Promise<TitleReport | undefined> {
  const { page, band, rules, font, weight } = question;
  if (band.heading.trim() === '' || !glyphs.has(font)) {
    return undefined;
  }
  const ink = { colour: colourOf(band.ink), opacity: 1 };
  const wanted = wantedContrast({ sizePx: band.sizePx, weight });
  const masks = new Map<number, TextMask>();
  const at: TitleAt[] = [];
  const behinds: Behind[] = [];
  let worst = Infinity;
  let spot = { x: 0, y: 0 };
  /** Widths at which all lies alike are measured once. */
  const known = new Map<string, Omit<TitleAt, 'screen'>>();
  for (const screen of titleScreens) {
    const { area, room } = bandAt(page, band, screen);
    const placed = placeBackground(rules, area, picture);
    const inArea = { ...room, x: room.x - area.x };
    const key = JSON.stringify([inArea, placed]);
    const before = known.get(key);
    if (before) {
      at.push({ screen, ...before });
      continue;
    }
    await rest();
    const laid = layTitle(question, inArea, glyphs, masks);
    const part = intersect(
      {
        x: laid.x - around,
        y: laid.y - around,
        width: laid.mask.mask.width + 2 * around,
        height: laid.mask.mask.height + 2 * around,
      },
      { x: 0, y: 0, width: area.width, height: area.height },
    );
    const behind = isEmpty(part)
      ? undefined
      : behindWords(
          shownIn(picture, placed, part, band.colour),
          laid.mask.mask,
          laid.x - part.x,
          laid.y - part.y,
        );
    if (!behind) {
      continue;
    }
    const contrast = textContrast(behind, ink);
    behinds.push(behind);
    if (contrast.worst < worst) {
      worst = contrast.worst;
      spot = onPicture(placed, part.x + contrast.at.x, part.y + contrast.at.y, picture);
    }
    const found = {
      worst: contrast.worst,
      fifth: contrast.fifth,
      lines: laid.lines,
      fits: laid.fits,
    };
    known.set(key, found);
    at.push({ screen, ...found });
  }
  if (at.length === 0) {
    return undefined;
  }
  const reached = worst >= wanted;
  const veils: Veil[] = [];
  const inks: Hex[] = [];
  const behind = { colours: coloursOf(reached ? [] : behinds) };
  for (const colour of reached ? [] : colours) {
    await rest();
    const percent = leastVeil(behind, ink, colourOf(colour), wanted);
    if (percent !== undefined && percent < 100) {
      veils.push({ colour, percent });
    }
    // No veil at all, over words of that colour.
    if (veilReaches(behind, { ...ink, colour: colourOf(colour) }, colourOf(colour), 0, wanted)) {
      inks.push(colour);
    }
  }
  await rest();
  return {
    wanted,
    at,
    spot,
    veils: veils.sort((a, b) => a.percent - b.percent),
    inks,
    fitting: at.every((one) => one.fits) ? band.sizePx : fittingSize(question, glyphs),
  };
}

/** A px of the area as a px of the picture that shows there. */
function onPicture(
  { x, y, width, height }: PlacedBackground,
  atX: number,
  atY: number,
  picture: { readonly width: number; readonly height: number },
): { x: number; y: number } {
  const within = (at: number, from: number, length: number, px: number) =>
    Math.floor((((((at - from) % length) + length) % length) / length) * px);
  return {
    x: within(atX, x, width, picture.width),
    y: within(atY, y, height, picture.height),
  };
}
