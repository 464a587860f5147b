import { encodeSettings } from '../encode/settings';
import type { ImageFormat, EncodeSettings } from '../site/model/picture';

/** No format is written more often than this in full size. */
export const mostWhole = 4;

/**
 * Files of one format that differ by one whole number: their quality, or the size of their palette.
 */
export interface Family {
  readonly least: number;
  readonly most: number;
  /** Where to begin. */
  readonly guess: number;
  at(value: number): EncodeSettings;
  /** The number of a file's settings. */
  of(settings: EncodeSettings): number;
}

export interface SearchedFormat {
  /** Looked at on a sample; one of them is written whole. */
  readonly families: readonly Family[];
  /** Its file with every level as it was drawn, where it has one. */
  readonly lossless: EncodeSettings | undefined;
  /** How often it is written in full size: one less where a file without loss may come to it. */
  readonly wholes: number;
  /** How much more a file with little effort loses, as a margin, about; 0 where it is the same. */
  readonly draftOff: number;
  /**
   * A margin so near to 0 is about that of the next step: a lighter file is not looked for. More
   * where each takes long.
   */
  readonly near: number;
  /** Written whatever the others come to: there is no browser that does not show it. */
  readonly always?: boolean;
  /** Share of a search's time that it takes. */
  readonly time: number;
}

const byQuality = (guess: number, part: Partial<EncodeSettings>, format: ImageFormat): Family => ({
  least: 20,
  most: 98,
  guess,
  at: (quality) => ({ ...encodeSettings(format, quality), ...part }),
  of: ({ quality }) => quality,
});

/** Steps of the quantiser of AV1, as the encoder takes them: several qualities are one step. */
const steps = 63;

/** By steps of the quantiser, from the coarsest. */
const bySteps = (part: Partial<EncodeSettings>): Family => ({
  least: 13,
  most: 62,
  guess: 42,
  at: (value) => ({ ...encodeSettings('avif', Math.round((100 * value) / steps)), ...part }),
  of: ({ quality }) => Math.round((quality * steps) / 100),
});

/** In steps of eight colours: a palette's size tells little more finely. */
const byColours = (dithered: boolean): Family => ({
  least: 1,
  most: 32,
  guess: 16,
  at: (n) => ({ ...encodeSettings('png'), colours: n * 8, dithered }),
  of: ({ colours }) => (colours ?? 256) / 8,
});

/**
 * In the encoder's numbering: flat, that of Annex K of ITU-T T.81, one that spares smooth pictures
 * and one between. Each was the lightest for one photograph or another.
 */
const tables = [1, 0, 4, 7];

export const searched: Readonly<Record<ImageFormat, SearchedFormat>> = {
  avif: {
    // Hue and chroma for every px are lighter where colours meet in sharp edges.
    families: [bySteps({ chroma: 'half' }), bySteps({ chroma: 'full' })],
    lossless: undefined,
    wholes: mostWhole,
    draftOff: 0.1,
    near: 0.05,
    time: 0.6,
  },
  jpeg: {
    families: [
      ...tables.map((table) => byQuality(75, { table, chroma: 'half' }, 'jpeg')),
      byQuality(75, { table: 3, chroma: 'full' }, 'jpeg'),
    ],
    lossless: undefined,
    wholes: mostWhole,
    draftOff: 0,
    near: 0.03,
    always: true,
    time: 0.15,
  },
  webp: {
    families: [byQuality(84, {}, 'webp')],
    lossless: { ...encodeSettings('webp', 100), lossless: true },
    wholes: mostWhole - 1,
    draftOff: 0.02,
    near: 0.03,
    time: 0.15,
  },
  png: {
    families: [byColours(false), byColours(true)],
    lossless: encodeSettings('png'),
    wholes: mostWhole - 1,
    draftOff: 0,
    near: 0.03,
    time: 0.1,
  },
};
