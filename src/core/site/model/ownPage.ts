import type { Hex } from './hex';
import type { Side } from './slot';

/** A file of a saved page, under the name that its document and style sheets have for it. */
export interface OwnPageFile {
  readonly key: string;
  /** As it was called where it came from. */
  readonly name: string;
  /** Where it lay below what was dropped. */
  readonly path: string;
  readonly type: string;
  readonly assetId: string;
  /** Of a picture, px. */
  readonly size: { readonly width: number; readonly height: number } | null;
  /** Asset: a style sheet as it came, byte by byte; null for all else, and where that is not known. */
  readonly original: string | null;
}

/** Something that was left out of a saved page. */
export interface OwnPageLeft {
  readonly what: string;
  readonly name: string;
}

/** So many px of one colour. */
export interface ColourRun {
  readonly px: number;
  readonly colour: Hex;
}

/**
 * What a browser paints beside a picture of the page, along each side from its top or left end, in px
 * of the picture; null where the page cuts the picture, or it goes on in another copy.
 */
export type Surround = Readonly<Record<Side, readonly ColourRun[] | null>>;

/** What a screen shows of a picture of the page, px of the picture; without edges that are covered. */
export interface SeenAt {
  readonly screen: number;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  /** Px of the page for each of the picture, sideways. */
  readonly scale: number;
  /** Share of what the page shows of it that lies under something opaque, below 1. */
  readonly covered: number;
}

/** What a browser paints beside a picture of the page at a screen that scales it, in px of the page. */
export interface SurroundAt {
  readonly screen: number;
  /** Px of the page that the picture takes there. */
  readonly width: number;
  readonly height: number;
  readonly surround: Surround;
}

/** What lies over the edges of a picture of the page. */
export interface EdgesOver {
  /** How far its corners are rounded off, px of the page; 0 where they are not. */
  readonly rounded: number;
  /** Light that shadows take at each side, percent. */
  readonly shade: Readonly<Record<Side, number>>;
}

/** What a browser measured of a picture's place. */
export interface MeasuredPlace {
  readonly surround: Surround | null;
  /** Screens that scale it, narrowest first; null where they were not looked at. */
  readonly scaled: readonly SurroundAt[] | null;
  /** Sides at which what lies there now goes over into the page; elsewhere its edge is to be seen. */
  readonly meets: readonly Side[];
  /** Null where it was not looked at. */
  readonly over: EdgesOver | null;
  /** By screen, narrowest first; screens that do not show it are left out. */
  readonly seen: readonly SeenAt[] | null;
  /** Words of the page lie on it with nothing opaque between; null where that was not looked at. */
  readonly words: boolean | null;
}

/**
 * How a place is told what it shows: by the page's own rule or tag, by a rule of its own, or by one that
 * outdoes the page's.
 */
export type RuledBy = 'page' | 'own' | 'important';

/** A slot and the place on the page that it is: whose picture, of which part, and which of several. */
export interface OwnPlace {
  readonly slot: string;
  readonly as: string;
  readonly selector: string;
  readonly pseudo: string;
  readonly layer: number;
  /** Where it lies in a picture of the page, which knows no elements; px. */
  readonly rect: {
    readonly x: number;
    readonly y: number;
    readonly width: number;
    readonly height: number;
  } | null;
  /** Null where it was not. */
  readonly measured: MeasuredPlace | null;
  readonly ruled: RuledBy;
}

/** How the page came. */
export type OwnPageOrigin = 'page' | 'style sheets' | 'picture';

/** Words of a page in another colour. */
export interface WordsInk {
  readonly selector: string;
  readonly colour: Hex;
}

/** The owner's own page, everything that it is made of by its asset. */
export interface OwnPage {
  readonly from: OwnPageOrigin;
  /** Path of the file that it came as. */
  readonly file: string;
  readonly title: string;
  /** Asset: the document that asks for nothing, in UTF-8. */
  readonly document: string;
  /** Asset: the document as it came, byte by byte; null where it did not come as one of its own. */
  readonly original: string | null;
  readonly files: readonly OwnPageFile[];
  readonly left: readonly OwnPageLeft[];
  readonly missing: readonly string[];
  /** Asset: what a browser said of it, as JSON. */
  readonly survey: string;
  readonly places: readonly OwnPlace[];
  /** Words of the page that are to have another colour. */
  readonly inks: readonly WordsInk[];
}
