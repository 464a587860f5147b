import type { ImageFormat } from '../../site/model/picture';

/** One format that pictures are written in: what the rest of the program needs to know of it. */
export interface FormatDefinition<F extends ImageFormat = ImageFormat> {
  readonly format: F;
  readonly title: string;
  /** Endings of its files, the usual one first. */
  readonly endings: readonly string[];
  readonly mediaType: string;
  /** Its files can be see-through. */
  readonly seeThrough: boolean;
  /** Whether every level can be kept: always, unless it has a palette; when asked; never. */
  readonly lossless: 'always' | 'asked' | 'never';
  /** Colour can be written with half of its px, and is by default where the quality is below. */
  readonly chroma:
    | {
        readonly fullFrom: number;
        readonly whenLossless: boolean;
        /** How far decoders smooth what they make of half of its px, 0..1. */
        readonly smoothed: number;
      }
    | undefined;
  /** It can be written in a palette. */
  readonly palette: boolean;
  /** It has encoder tables to choose from. */
  readonly tables: boolean;
  /** Its encoder can be given so much time that it pays. */
  readonly efforts: boolean;
  /** Browsers have known it for so long that no other need stand beside it. */
  readonly plain: boolean;
}
