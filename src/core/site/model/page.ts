import type { Hex } from './hex';

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

/** A picture behind the page's title. */
export interface TitleBand {
  readonly height: number;
  readonly colour: Hex;
  readonly ink: Hex;
  readonly heading: string;
  /** As wide as the content, or as the screen. */
  readonly boxed: boolean;
  readonly slot: string | null;
}

export type PageBackground =
  | { readonly type: 'default' }
  | { readonly type: 'own'; readonly slot: string }
  | { readonly type: 'none' };

/**
 * A page from top to bottom: bar, header, title band, body with its sidebars, sections with their
 * dividers. Slots are named by id.
 */
export interface Page {
  readonly id: string;
  readonly name: string;
  /** Width of the content column; the lesser of the two where both are given. At least one is. */
  readonly content: { readonly px: number | null; readonly percent: number | null };
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
}
