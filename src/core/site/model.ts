import type { BlendMode } from '../raster/blend';

/** #rrggbb, lower case. */
export type Hex = string;

interface LayerBase {
  readonly id: string;
  /** The owner's own name for it; empty means the kind's name is shown. */
  readonly name: string;
  readonly hidden: boolean;
  /** 0..1, the strength of a wash. */
  readonly opacity: number;
  readonly blend: BlendMode;
}

/** A photograph lying at a place, whole; the slot's edges cut it. */
export interface PhotoLayer extends LayerBase {
  readonly kind: 'photo';
  readonly assetId: string;
  readonly sourceWidth: number;
  readonly sourceHeight: number;
  /** Upper left corner of the whole photograph, in slot px. */
  readonly x: number;
  readonly y: number;
  /** Slot px per photograph px. */
  readonly scale: number;
}

/** One colour over everything below: a wash. */
export interface FillLayer extends LayerBase {
  readonly kind: 'fill';
  readonly colour: Hex;
}

export type TextAlign = 'left' | 'centre' | 'right';

export interface TextLayer extends LayerBase {
  readonly kind: 'text';
  /** Lines are parted by \n. */
  readonly words: string;
  /** Identifier of a font in the font list. */
  readonly font: string;
  readonly sizePx: number;
  readonly weight: number;
  readonly colour: Hex;
  readonly align: TextAlign;
  /** The point the lines are aligned to, and the top of the first line; whole slot px. */
  readonly x: number;
  readonly y: number;
}

export type Layer = PhotoLayer | FillLayer | TextLayer;
export type LayerKindName = Layer['kind'];

export type Ground = { readonly type: 'colour'; readonly colour: Hex } | { readonly type: 'none' };

export type PressFormat = 'jpeg' | 'png' | 'webp';

export interface PressSettings {
  readonly format: PressFormat;
  /** 1..100; PNG is lossless and takes no notice of it. */
  readonly quality: number;
}

export interface Picture {
  readonly id: string;
  readonly ground: Ground;
  /** From back to front. */
  readonly layers: readonly Layer[];
  readonly press: PressSettings;
  /** Alternative text; empty for a picture that only decorates. */
  readonly alt: string;
}

export type SlotKind = 'header' | 'background' | 'sidebar' | 'divider' | 'mark';
export type Repeat = 'no-repeat' | 'repeat' | 'repeat-x' | 'repeat-y';
/** A CSS length: px, or a percentage of what the property refers to. */
export interface Length {
  readonly value: number;
  readonly unit: 'px' | '%';
}

/** `background-position`: from the left and the top. */
export interface Position {
  readonly x: Length;
  readonly y: Length;
}

/** `background-size`. */
export type BackgroundSize = 'cover' | 'contain' | { readonly x: Length | 'auto'; readonly y: Length | 'auto' };

export type Attachment = 'scroll' | 'fixed';

export type Side = 'top' | 'right' | 'bottom' | 'left';

export interface Slot {
  readonly id: string;
  readonly name: string;
  readonly kind: SlotKind;
  readonly width: number;
  readonly height: number;
  readonly repeat: Repeat;
  readonly position: Position;
  readonly size: BackgroundSize;
  readonly attachment: Attachment;
  /** The colour that lies next to each side on the page; null where the picture itself goes on or nothing meets it. */
  readonly beside: Readonly<Record<Side, Hex | null>>;
  /** File name without its ending. */
  readonly fileName: string;
  /** The most bytes the owner wants to spend. */
  readonly budgetBytes: number;
  readonly pictureId: string;
}

export interface ThemeColour {
  readonly name: string;
  readonly hex: Hex;
}

export interface Theme {
  readonly colours: readonly ThemeColour[];
  readonly headingFont: string;
  readonly bodyFont: string;
}

/** A page from top to bottom: bar, header, body beside a sidebar, a section with its divider. Slots are named by id. */
export interface Page {
  readonly id: string;
  readonly name: string;
  readonly contentWidth: number;
  readonly ground: Hex;
  readonly backgroundSlot: string | null;
  readonly bar: { readonly height: number; readonly colour: Hex; readonly ink: Hex; readonly links: readonly string[]; readonly markSlot: string | null };
  readonly headerSlot: string | null;
  readonly body: { readonly height: number; readonly colour: Hex; readonly ink: Hex; readonly heading: string; readonly sidebarSlot: string | null };
  readonly section: { readonly height: number; readonly colour: Hex; readonly ink: Hex; readonly heading: string; readonly dividerSlot: string | null } | null;
}

/** A picture at hand; `assetId` is the SHA-256 of its bytes. */
export interface ShelfItem {
  readonly assetId: string;
  readonly name: string;
  readonly width: number;
  readonly height: number;
  readonly format: string;
  readonly bytes: number;
  readonly maker: string;
  readonly source: string;
  readonly licence: string;
}

/** A screen width and how many of the owner's visitors have it; only the proportions of the shares count. */
export interface VisitorWidth {
  readonly width: number;
  readonly share: number;
}

/** Version of the model that this program writes. */
export const schemaVersion = 2;

export interface Site {
  readonly schemaVersion: typeof schemaVersion;
  readonly id: string;
  readonly name: string;
  readonly theme: Theme;
  readonly pages: readonly Page[];
  readonly slots: readonly Slot[];
  readonly pictures: Readonly<Record<string, Picture>>;
  readonly shelf: readonly ShelfItem[];
  /** By width, each width once. Invented where `visitorsInvented` says so. */
  readonly visitors: readonly VisitorWidth[];
  readonly visitorsInvented: boolean;
}
