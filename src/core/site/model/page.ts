import type { Hex } from './hex';
import type { TextAlign } from './objectLayers';
import type { OwnPage } from './ownPage';

/** A column beside the text. */
export interface Sidebar {
  readonly side: 'left' | 'right';
  readonly width: number;
  readonly slot: string | null;
}

/** A part of the page over its whole width. */
export interface Section {
  readonly height: number;
  readonly colour: Hex;
  readonly ink: Hex;
  readonly heading: string;
  readonly dividerSlot: string | null;
}

/** How high a title stands in its band. */
export type TitleHigh = 'top' | 'middle' | 'bottom';

/** A picture behind the page's title. */
export interface TitleBand {
  readonly height: number;
  readonly colour: Hex;
  readonly ink: Hex;
  /** The title's words. */
  readonly heading: string;
  readonly align: TextAlign;
  readonly high: TitleHigh;
  readonly sizePx: number;
  /** Identifier of a font in the font list; null for the one of the site's headings. */
  readonly font: string | null;
  /** As wide as the content, or as the screen. */
  readonly boxed: boolean;
  readonly slot: string | null;
}

export type PageBackground =
  | { readonly type: 'default' }
  | { readonly type: 'own'; readonly slot: string }
  | { readonly type: 'none' };

/** Width of the content at a screen width, as a browser laid it, px. */
export interface MeasuredContent {
  readonly screen: number;
  readonly width: number;
}

/** Width of the content column: the least of those that are given. Px or percent always is. */
export interface ContentWidth {
  readonly px: number | null;
  readonly percent: number | null;
  /** Of the owner's own page, by screen, narrowest first. */
  readonly measured: readonly MeasuredContent[] | null;
}

/**
 * A page from top to bottom: bar, header, title band, body with its sidebars, sections with their
 * dividers. Slots are named by id.
 */
export interface Page {
  readonly id: string;
  readonly name: string;
  readonly content: ContentWidth;
  readonly ground: Hex;
  readonly background: PageBackground;
  readonly bar: {
    readonly height: number;
    readonly colour: Hex;
    readonly ink: Hex;
    readonly links: readonly string[];
    readonly markSlot: string | null;
  };
  readonly headerSlot: string | null;
  readonly band: TitleBand | null;
  readonly body: {
    readonly height: number;
    readonly colour: Hex;
    readonly ink: Hex;
    readonly heading: string;
    readonly sidebars: readonly Sidebar[];
  };
  readonly sections: readonly Section[];
  /** Slots that lie freely on the page: buttons, menu ends and other pieces of the theme. */
  readonly pieces: readonly string[];
  /** The owner's own page, which then stands in the drawing's place. */
  readonly own: OwnPage | null;
}
