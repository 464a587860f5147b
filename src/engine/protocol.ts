import type { Box } from '@/core/arrange/box';
import type { Drawing } from '@/core/compose/compose';
import type { CalmReport } from '@/core/calm/calm';
import type { MainColour } from '@/core/colour/palette';
import type { Size } from '@/core/frame/placement';
import type { Suggestion } from '@/core/frame/suggest';
import type { SampleSize } from '@/core/colour/sample';
import type { Raster, Rect, Rgb } from '@/core/raster/raster';
import type { TextReport } from '@/core/legibility/report';
import type { Axes, Hex, PressSettings } from '@/core/site/model';
import type { OpenedTheme, ThemeFile } from '@/core/theme/openTheme';

/** A piece of a picture to put on the screen. */
export interface Frame {
  readonly width: number;
  readonly height: number;
  /** The part that changed, and its pixels; an empty one when nothing did. */
  readonly changed: Rect;
  readonly pixels: Uint8ClampedArray<ArrayBuffer>;
  /** Nothing outside the focus still waits to be drawn. */
  readonly complete: boolean;
  readonly boxes: Readonly<Record<string, Box>>;
  readonly missing: readonly string[];
  /** Time the worker spent on it. */
  readonly ms: number;
}

export interface SurveyQuestions {
  /** What shows through where the picture does not cover the page. */
  readonly backdrop: Hex;
  /** Colours for veils and for words. */
  readonly colours: readonly Hex[];
  /** Wanted where words of the page lie over the picture: the largest local contrast, the veil's colour, and how it is repeated. */
  readonly calm: { readonly limit: number; readonly veil: Hex; readonly wraps: Axes | 'none' } | null;
}

export interface Survey {
  /** How each text stands off what lies behind it. */
  readonly texts: Readonly<Record<string, TextReport>>;
  readonly calm: CalmReport | undefined;
}

export interface PhotoLook {
  readonly frames: readonly Suggestion[];
  readonly colours: readonly MainColour[];
}

/** What the render worker can be asked. A view is one place on the screen that shows a picture. */
export type RenderCalls = {
  frame: { ask: { view: string; drawing: Drawing; whole: boolean; focus?: Rect }; answer: Frame };
  asset: { ask: { assetId: string; raster: Raster }; answer: null };
  font: { ask: { assetId: string; bytes: Uint8Array<ArrayBuffer> }; answer: null };
  pixels: { ask: { drawing: Drawing }; answer: { raster: Raster; missing: readonly string[] } };
  /** What a photo shows of itself: its best parts for a frame's shape, and its main colours; null while the photo is not there. */
  look: { ask: { assetId: string; frame: Size }; answer: PhotoLook | null };
  /** Mean colour of a square of a photo's own px; null outside of it, and while it is not there. */
  sample: { ask: { assetId: string; x: number; y: number; size: SampleSize }; answer: Rgb | null };
  /** What is measured of the drawing and not of its file; what is missing is not waited for. */
  survey: { ask: { drawing: Drawing; questions: SurveyQuestions }; answer: Survey };
  close: { ask: { view: string }; answer: null };
};

export interface Pressed {
  readonly bytes: Uint8Array<ArrayBuffer>;
  readonly decoded: Raster;
}

/** What the codec worker can be asked. */
export type CodecCalls = {
  decode: { ask: { bytes: Uint8Array }; answer: Raster };
  press: { ask: { raster: Raster; settings: PressSettings; pinned: readonly Hex[] }; answer: Pressed };
  ready: { ask: null; answer: null };
};

/** What the theme worker can be asked. */
export type ThemeCalls = {
  open: { ask: { files: readonly ThemeFile[] }; answer: OpenedTheme };
};

export type Calls = Record<string, { ask: unknown; answer: unknown }>;

export type Request<C extends Calls> = { [K in keyof C]: { readonly id: number; readonly call: K; readonly ask: C[K]['ask'] } }[keyof C];

export type Reply =
  | { readonly id: number; readonly ok: true; readonly answer: unknown }
  | { readonly id: number; readonly ok: false; readonly message: string };
