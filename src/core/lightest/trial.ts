import { hasOverlap, overlapOf, slotInFile } from '../frame/overlap';
import { lossTo, referenceOf, type Loss } from '../likeness/loss';
import { onlyWithin, worstArea } from '../likeness/worstArea';
import { lossWeights } from '../likeness/weights';
import { lazily } from '../lazily';
import type { Codecs } from '../encode/codecs';
import { encodeSettings, encodeSettingsWords } from '../encode/settings';
import { crop, type Raster, type Rect } from '../raster/raster';
import type { EncodedFile } from '../readings/reading';
import { takeReadings } from '../readings/registry';
import { Refusal } from '../refusal';
import { adjacentColours } from '../seam/adjacentColours';
import { edgeDifference, sides } from '../seam/edges';
import type { Hex } from '../site/model/hex';
import type { EncodeSettings } from '../site/model/picture';
import type { Site } from '../site/model/site';
import { pictureOf, slotOf } from '../site/picture';
import { borderStrip, sampleArea, sampleOf } from './sample';

/** What is tried: a picture as it was drawn, where it lies. */
export interface TrialSubject {
  readonly raster: Raster;
  /** Its px on one of the slot; 1 where it is not said. */
  readonly scale?: number;
  readonly site: Site;
  readonly slotId: string;
  /** Colour of the page, seen where the picture is see-through. */
  readonly under: Hex;
  /** Colours that palettes keep. */
  readonly pinned: readonly Hex[];
  /** Where its words lie, px of the raster; loss is looked for there first. */
  readonly words?: readonly Rect[];
}

/**
 * What is written: a sample of the picture, with little effort or with that of the whole; strips
 * along its sides; or all of it.
 */
export type TrialPart = 'sample' | 'sampleAsWhole' | 'borders' | 'whole';

export interface Judgement {
  readonly settings: EncodeSettings;
  readonly bytes: number;
  /** Of border strips none is told. */
  readonly loss: Loss;
  /**
   * Readings that hold of what was drawn and do not of the file; of border strips, and of a file of
   * another size than the slot's, the sides that are not exact any more.
   */
  readonly lost: readonly string[];
}

export interface TrialResult {
  readonly judgement: Judgement;
  /** Of all of it only: the file. */
  readonly file?: Uint8Array<ArrayBuffer>;
}

/** Writes a picture in one way after the other and judges what came of it. */
export interface Trial {
  /** Px of the sample and of the whole. */
  readonly area: Readonly<Record<'sample' | 'whole', number>>;
  /**
   * @throws Error when the format cannot hold the picture, with a message for people
   */
  tryOut(settings: EncodeSettings, part: TrialPart): Promise<TrialResult>;
  /**
   * A small part of the picture where loss is seen first, as it was drawn or as it comes out with those
   * settings.
   */
  patch(settings: EncodeSettings | null): Promise<Raster>;
}

/** Px of a part that is looked at, and of what is written around it. */
const patchSize = { width: 64, height: 48 };
const patchMargin = 32;
/** Of a JPEG whose loss anybody sees. */
const poorly = 50;

export function createTrial(subject: TrialSubject, codecs: Codecs): Trial {
  const { raster, scale = 1, site, slotId, under, pinned, words = [] } = subject;
  const slot = slotOf(site, slotId);
  if (!slot) {
    throw new RangeError(`Expected a slot ${slotId} in the site`);
  }
  const picture = pictureOf(site, slot);
  const overlap = overlapOf(slot);
  const whole = lazily(() => referenceOf(raster, under));
  /** The part where a file of little quality shows it most. */
  const worst = lazily(async () => {
    const poor = await codecs.encode(raster, encodeSettings('jpeg', poorly), pinned, {
      draft: true,
    });
    const seen = whole().seen(await codecs.decode(poor), under, lossWeights);
    return worstArea(onlyWithin(seen, raster, words), raster, patchSize);
  });
  const sample = lazily(async () => {
    const part = sampleOf(raster, await worst());
    return { raster: part, reference: referenceOf(part, under) };
  });
  const fileOf = (decoded: Raster, format: string, bytes: number): EncodedFile => ({
    bytes,
    format,
    width: decoded.width,
    height: decoded.height,
    ...(hasOverlap(overlap)
      ? { decoded: crop(decoded, slotInFile(slot, overlap)), whole: decoded }
      : { decoded }),
  });
  /** Readings of how it blends that hold of a file. */
  const holding = (file: EncodedFile): string[] =>
    takeReadings({ site, slot, picture, file })
      .filter((r) => r.question === 5 && r.verdict === 'holds')
      .map((r) => r.id);
  let drawn: string[] | undefined;
  /** Sides that are exact as they are drawn, with what lies next to them. */
  const exactSides = () =>
    sides.flatMap((side) => {
      const beside = hasOverlap(overlap) ? undefined : adjacentColours(site, slot, side);
      const besideAt = (i: number) => beside!.at(Math.floor(i / scale));
      return beside && edgeDifference(raster, side, besideAt).levels === 0
        ? [{ side, besideAt }]
        : [];
    });
  /** What holds of the drawing and not of its file. */
  function lostIn(decoded: Raster, format: string, bytes: number): string[] {
    if (scale !== 1) {
      return exactSides()
        .filter(({ side, besideAt }) => edgeDifference(decoded, side, besideAt).levels > 0)
        .map(({ side }) => `seam-${side}`);
    }
    drawn ??= holding(fileOf(raster, format, 0));
    const holds = holding(fileOf(decoded, format, bytes));
    return drawn.filter((id) => !holds.includes(id));
  }

  return {
    async patch(settings) {
      const area = await worst();
      if (!settings) {
        return crop(raster, area);
      }
      // With what lies around it, so that it is written as it is within the whole.
      const { x, y, width, height } = area;
      const left = Math.max(0, x - patchMargin);
      const top = Math.max(0, y - patchMargin);
      const around = crop(raster, {
        x: left,
        y: top,
        width: Math.min(raster.width, x + width + patchMargin) - left,
        height: Math.min(raster.height, y + height + patchMargin) - top,
      });
      return crop(await codecs.decode(await codecs.encode(around, settings, pinned)), {
        x: x - left,
        y: y - top,
        width,
        height,
      });
    },
    area: { sample: sampleArea(raster), whole: raster.width * raster.height },
    async tryOut(settings, part) {
      if (part === 'borders') {
        const lost: string[] = [];
        let bytes = 0;
        for (const { side, besideAt } of exactSides()) {
          const written = await codecs.encode(borderStrip(raster, side), settings, pinned);
          const decoded = await codecs.decode(written);
          bytes += written.length;
          if (edgeDifference(decoded, side, besideAt).levels > 0) {
            lost.push(`seam-${side}`);
          }
        }
        return { judgement: { settings, bytes, loss: { overall: 0, worst: 0 }, lost } };
      }
      const looked = part === 'whole' ? { raster, reference: whole() } : await sample();
      const source = looked.raster;
      const file = await codecs.encode(source, settings, pinned, { draft: part === 'sample' });
      const decoded = await codecs.decode(file);
      if (decoded.width !== source.width || decoded.height !== source.height) {
        throw new Refusal(
          `${encodeSettingsWords(settings)}: expected a file of ${source.width}×${source.height} px, found ${decoded.width}×${decoded.height}.`,
        );
      }
      const loss = lossTo(looked.reference, decoded, under);
      if (part !== 'whole') {
        return { judgement: { settings, bytes: file.length, loss, lost: [] } };
      }
      const lost = lostIn(decoded, settings.format, file.length);
      return { judgement: { settings, bytes: file.length, loss, lost }, file };
    },
  };
}
