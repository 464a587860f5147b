import { commaParts } from '../theme/commaParts';
import type { PageLook } from './look';

/** A rectangle on the page, px from its upper left corner; fractions as the browser laid it. */
export interface PageRect {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** How a picture comes to lie where it does. */
export type PaintedAs =
  'background' | 'image' | 'drawing' | 'poster' | 'border' | 'list mark' | 'content';

/** How a background layer is laid, as the browser computed it. */
export interface LaidBackground {
  readonly repeat: string;
  readonly position: string;
  readonly size: string;
  readonly attachment: string;
  readonly origin: string;
  readonly clip: string;
}

/** A picture that a page paints, or one layer of several. */
export interface PaintedPicture {
  /** What tells it from others: the element, its part before or after its content, the layer. */
  readonly id: string;
  readonly as: PaintedAs;
  /** The shortest selector that only this element has. */
  readonly selector: string;
  readonly pseudo: '' | '::before' | '::after' | '::marker';
  /** Of several backgrounds, 0 for the one on top. */
  readonly layer: number;
  /** It lies on the whole page, as the background of `html` or `body`. */
  readonly root: boolean;
  /** Words of the page lie in its box. */
  readonly words: boolean;
}

/** What lies over a picture so that it is not seen there. */
export interface Occlusion {
  /** Of the part that is painted, above 0 and at most 1; by points of it. */
  readonly share: number;
  /** Selector of what covers most of it. */
  readonly by: string;
}

/** What lays a picture: a rule of a style sheet, or declarations inside a tag. */
export interface LayingRule {
  /** Key of the sheet's file; empty where it stands in the page itself. */
  readonly sheet: string;
  /** As the browser writes it; empty for declarations inside a tag. */
  readonly selector: string;
  /** What it stands within, outermost first, such as `@media (min-width: 800px)`. */
  readonly within: readonly string[];
  /** Of the sheet, or of the page's own style element, on which it begins; 1 is the first. */
  readonly line: number | undefined;
}

/** A picture as it lies at one width of the screen; style sheets may change all of it. */
export interface PlacedPicture {
  readonly rect: PageRect;
  /** What names the picture: a key of the frozen page, or how it is written where it is no file. */
  readonly source: string;
  /** Of the picture itself, px; undefined where it has no size of its own. */
  readonly natural: { readonly width: number; readonly height: number } | undefined;
  readonly laid: LaidBackground | undefined;
  /** Which of the survey's rules lays it; undefined for what no rule does, as an `img`. */
  readonly rule: number | undefined;
}

/** What a box of the page is for its layout. */
export type PartRole = 'content' | 'bar' | 'section' | 'column';

/** A box that the page is laid out by. */
export interface PagePart {
  readonly id: string;
  readonly as: PartRole;
  /** The shortest selector that only this element has. */
  readonly selector: string;
  /** Its border box is meant, or what lies inside its padding. */
  readonly box: 'border' | 'content';
}

/** Where everything lies at one width of the screen. */
export interface PageAtWidth {
  readonly width: number;
  /** Of the whole page. */
  readonly height: number;
  /** By the picture's id; absent where it is not shown at this width. */
  readonly placed: ReadonlyMap<string, PlacedPicture>;
  /** By the part's id; absent where it is not shown at this width. */
  readonly parts: ReadonlyMap<string, PageRect>;
}

/** What a browser that laid the page out says of it. */
export interface PageSurvey {
  /** Every picture that is painted at any of the widths, in the page's own order. */
  readonly pictures: readonly PaintedPicture[];
  /** The first is the content column. */
  readonly parts: readonly PagePart[];
  readonly at: readonly PageAtWidth[];
  readonly rules: readonly LayingRule[];
  /** By the picture's id, at the width that `look` is of; absent where nothing covers it. */
  readonly occlusions: ReadonlyMap<string, Occlusion>;
  readonly look: PageLook;
}

/**
 * The value of a list for a layer: lists shorter than the layers are begun again (CSS Backgrounds
 * Level 3, section 2.1).
 */
export const forLayer = (list: string, layer: number): string => {
  const parts = commaParts(list);
  return parts[layer % parts.length] ?? '';
};

/** The address of a file in a value as a browser computes it; undefined where it names none. */
export const addressIn = (value: string): string | undefined =>
  /(?:^|[\s,(])url\("?((?:[^"\\)]|\\.)*)"?\)/.exec(value)?.[1];
