import { deltaE } from '../colour/difference';
import { hexOf, rgbOf } from '../colour/hex';
import { tryTranslucent, type Translucent } from '../colour/parse';
import { contrastRatio } from '../legibility/contrast';
import type { Raster, Rgb } from '../raster/raster';
import type { Hex } from '../site/model/hex';
import type { PageRect } from './survey';

/** A box that paints a colour of its own behind its content, as the browser computed it. */
export interface PaintedBox {
  readonly rect: PageRect;
  readonly colour: string;
  /** Of the boxes, the nearest one around it; undefined where it lies on the page itself. */
  readonly on: number | undefined;
  /** It lies in a bar of links. */
  readonly bar: boolean;
}

/** Words that stand together in one element. */
export interface PageText {
  readonly rect: PageRect;
  /** The first of them. */
  readonly words: string;
  readonly letters: number;
  readonly colour: string;
  /** Of the boxes, the nearest one that it stands in. */
  readonly on: number | undefined;
  /** Px, and a weight from 1 to 1000. */
  readonly size: number;
  readonly weight: number;
  /** The first family of its list that there is a name for. */
  readonly family: string;
  readonly as: 'text' | 'heading' | 'link';
  readonly bar: boolean;
}

/** A border, by its colour and how much of it there is. */
export interface PageBorder {
  readonly colour: string;
  /** Px. */
  readonly length: number;
}

/** What a page looks like at one width, as its browser says. */
export interface PageLook {
  readonly width: number;
  readonly height: number;
  /** Colour of the page itself, under everything. */
  readonly page: string;
  /** From back to front. */
  readonly boxes: readonly PaintedBox[];
  readonly texts: readonly PageText[];
  readonly borders: readonly PageBorder[];
}

/** What a colour is for. */
export type ColourRole = 'page' | 'content' | 'bar' | 'text' | 'headings' | 'links' | 'borders';

export interface PageColour {
  readonly hex: Hex;
  /** What it is the first choice for. */
  readonly roles: readonly ColourRole[];
  /** Of the page's area, 0..1: ground that it covers, and words and borders in it. */
  readonly share: number;
}

export interface PageFont {
  readonly family: string;
  readonly uses: readonly ('headings' | 'text' | 'links' | 'bar')[];
  readonly letters: number;
}

const white: Rgb = { r: 255, g: 255, b: 255 };

/** Source over (W3C Compositing and Blending Level 1), as levels. */
function over({ colour, alpha }: Translucent, ground: Rgb): Rgb {
  const mixed = (a: number, b: number): number => Math.round(a * alpha + b * (1 - alpha));
  return {
    r: mixed(colour.r, ground.r),
    g: mixed(colour.g, ground.g),
    b: mixed(colour.b, ground.b),
  };
}

const pageOf = (look: PageLook): Rgb => {
  const own = tryTranslucent(look.page);
  return own ? over(own, white) : white;
};

/** What each box looks like, see-through ones over what they lie on. */
function groundsOf(look: PageLook): Rgb[] {
  const page = pageOf(look);
  const grounds: Rgb[] = [];
  look.boxes.forEach(({ colour, on }, i) => {
    const below = on === undefined || on >= i ? page : grounds[on];
    const own = tryTranslucent(colour);
    grounds.push(own ? over(own, below) : below);
  });
  return grounds;
}

/** Side of the squares that a page is looked at by, px; of the page, the most that is looked at. */
const cell = 8;
const mostHeight = 16_000;

/**
 * How much of the page each box shows, px: what lies later covers what lies before.
 * @returns by box, and last the page itself
 */
function areasOf({ width, height, boxes }: PageLook): number[] {
  const columns = Math.ceil(width / cell);
  const rows = Math.ceil(Math.min(height, mostHeight) / cell);
  const seen = new Int32Array(columns * rows).fill(boxes.length);
  const at = (px: number, most: number): number =>
    Math.min(most, Math.max(0, Math.round(px / cell)));
  boxes.forEach(({ rect }, i) => {
    const [left, right] = [at(rect.x, columns), at(rect.x + rect.width, columns)];
    const bottom = at(rect.y + rect.height, rows);
    for (let y = at(rect.y, rows); y < bottom; y++) {
      seen.fill(i, y * columns + left, y * columns + right);
    }
  });
  const areas = new Array<number>(boxes.length + 1).fill(0);
  for (const i of seen) {
    areas[i] += cell * cell;
  }
  return areas;
}

/** Amounts by colour. */
class Tally {
  private readonly amounts = new Map<Hex, number>();

  add(colour: Rgb, amount: number): void {
    const hex = hexOf(colour);
    this.amounts.set(hex, (this.amounts.get(hex) ?? 0) + amount);
  }

  get most(): Hex | undefined {
    return [...this.amounts].sort((a, b) => b[1] - a[1])[0]?.[0];
  }

  [Symbol.iterator](): IterableIterator<[Hex, number]> {
    return this.amounts.entries();
  }
}

/** Ink of letters, as a share of the box around them (by looking). */
const inkShare = 0.15;

const inkOf = ({ rect }: PageText): number => rect.width * rect.height * inkShare;

/** Words with less contrast are not meant for the ground that they seem to stand on (by looking). */
const leastContrast = 1.4;

interface Standing {
  readonly text: PageText;
  readonly ink: Rgb;
  readonly ground: Rgb;
}

const roleOf = { text: 'text', heading: 'headings', link: 'links' } as const;

/** The colour that most words of a page's bars have; undefined where no bar has words. */
export function barInkOf(look: PageLook): Hex | undefined {
  const grounds = groundsOf(look);
  const page = pageOf(look);
  const inks = new Tally();
  for (const { bar, on, colour, letters } of look.texts) {
    const own = tryTranslucent(colour);
    if (bar && own && own.alpha > 0) {
      inks.add(over(own, on === undefined ? page : grounds[on]), letters);
    }
  }
  return inks.most;
}

/**
 * The colours of a page by the area they cover, and what the first of them are for.
 * @returns those with a role first, then by area
 */
export function coloursOf(look: PageLook): PageColour[] {
  const grounds = groundsOf(look);
  const page = pageOf(look);
  const areas = areasOf(look);
  const behind = (on: number | undefined): Rgb => (on === undefined ? page : grounds[on]);
  const tallies: Record<ColourRole, Tally> = {
    page: new Tally(),
    content: new Tally(),
    bar: new Tally(),
    text: new Tally(),
    headings: new Tally(),
    links: new Tally(),
    borders: new Tally(),
  };
  const all = new Tally();
  tallies.page.add(page, 1);
  all.add(page, areas[grounds.length]);
  grounds.forEach((ground, i) => {
    all.add(ground, areas[i]);
    if (look.boxes[i].bar) {
      tallies.bar.add(ground, areas[i]);
    }
  });
  const standing: Standing[] = [];
  for (const text of look.texts) {
    const ground = behind(text.on);
    const own = tryTranslucent(text.colour);
    if (!own || own.alpha === 0) {
      continue;
    }
    const ink = over(own, ground);
    all.add(ink, inkOf(text));
    // Words that could not be read there stand on a picture.
    if (text.bar || contrastRatio(ink, ground) < leastContrast) {
      continue;
    }
    standing.push({ text, ink, ground });
  }
  const plain = standing.filter(({ text }) => text.as === 'text');
  for (const { text, ground } of plain.length > 0 ? plain : standing) {
    tallies.content.add(ground, text.letters);
  }
  const main = [hexOf(page), tallies.content.most];
  for (const as of ['text', 'heading', 'link'] as const) {
    const like = standing.filter(({ text }) => text.as === as);
    const onMain = like.filter(({ ground }) => main.includes(hexOf(ground)));
    // Those of buttons and bands are exceptions.
    for (const { text, ink } of onMain.length > 0 ? onMain : like) {
      // By letters: one large title is not what all headings are.
      tallies[roleOf[as]].add(ink, text.letters);
    }
  }
  for (const { colour, length } of look.borders) {
    const own = tryTranslucent(colour);
    if (own) {
      tallies.borders.add(over(own, page), length);
      all.add(over(own, page), length);
    }
  }
  const roles = new Map<Hex, ColourRole[]>();
  for (const [role, tally] of Object.entries(tallies) as [ColourRole, Tally][]) {
    const hex = tally.most;
    if (hex) {
      roles.set(hex, [...(roles.get(hex) ?? []), role]);
    }
  }
  const whole = look.width * Math.min(look.height, mostHeight);
  return [...all]
    .map(([hex, area]) => ({ hex, roles: roles.get(hex) ?? [], share: area / whole }))
    .sort((a, b) => Number(b.roles.length > 0) - Number(a.roles.length > 0) || b.share - a.share);
}

/** The families of a page, with what they are used for, most letters first. */
export function fontsOf({ texts }: Pick<PageLook, 'texts'>): PageFont[] {
  const families = new Map<string, { uses: Set<PageFont['uses'][number]>; letters: number }>();
  const uses = { text: 'text', heading: 'headings', link: 'links' } as const;
  for (const { family, letters, as, bar } of texts) {
    const of = families.get(family) ?? { uses: new Set(), letters: 0 };
    of.uses.add(bar ? 'bar' : uses[as]);
    of.letters += letters;
    families.set(family, of);
  }
  return [...families]
    .map(([family, { uses: used, letters }]) => ({ family, uses: [...used], letters }))
    .sort((a, b) => b.letters - a.letters);
}

/** Colours of a picture of a page that cover less are of letters' edges and photographs. */
const leastOfPicture = 0.003;

/**
 * The colours of a picture of a page, each exactly as it is there, by the area they cover; what they
 * are for cannot be seen in it.
 */
export function coloursOfPicture({ data }: Pick<Raster, 'data'>): PageColour[] {
  const counts = new Map<number, number>();
  for (let i = 0; i < data.length; i += 4) {
    const key = (data[i] << 16) | (data[i + 1] << 8) | data[i + 2];
    counts.set(key, (counts.get(key) ?? 0) + 1);
  }
  const pixels = data.length / 4;
  return [...counts]
    .filter(([, count]) => count / pixels >= leastOfPicture)
    .sort((a, b) => b[1] - a[1])
    .map(([key, count]) => ({
      hex: hexOf({ r: key >> 16, g: (key >> 8) & 255, b: key & 255 }),
      roles: [],
      share: count / pixels,
    }));
}

/** Two colours that nobody tells apart beside each other, CIEDE2000 (common practice, no source). */
const alike = 2;

/**
 * Those of a page's colours that a theme is made of: what has a role, and what else covers much.
 * @param least share of the page that a colour without a role covers
 */
export function mattering(colours: readonly PageColour[], least = 0.01): PageColour[] {
  const out: PageColour[] = [];
  for (const colour of colours) {
    const near = (other: PageColour): boolean =>
      deltaE(rgbOf(colour.hex), rgbOf(other.hex)) < alike;
    if (colour.roles.length > 0 || (colour.share >= least && !out.some(near))) {
      out.push(colour);
    }
  }
  return out;
}
