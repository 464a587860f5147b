import { drawingOf } from '../compose/drawing';
import { scaledDrawing } from '../compose/scaledDrawing';
import { formatOf } from '../encode/formats/registry';
import { isOpaque, type Raster } from '../raster/raster';
import { siteColours } from '../site/colours';
import type { Picture, EncodeSettings } from '../site/model/picture';
import type { Site } from '../site/model/site';
import type { Slot } from '../site/model/slot';
import { asFiled, drawingKey, isBlank, pictureOf } from '../site/picture';
import type { PlannedFile, SlotFiles } from './filePlan';
import {
  stopIfUnwanted,
  type HandedFile,
  type HandOverListener,
  type HandOverPorts,
} from './ports';

/**
 * Drawings are held from when it is known whether they are see-through until they are written, as
 * many as have so many px.
 */
const mostHeld = 40e6;

/** Does something for each, so many at a time; what fails ends the others after what they are at. */
async function alongside<T>(
  many: number,
  items: readonly T[],
  each: (item: T, index: number) => Promise<void>,
): Promise<void> {
  let next = 0;
  let failed = false;
  const lane = async () => {
    try {
      while (next < items.length && !failed) {
        const at = next++;
        await each(items[at], at);
      }
    } catch (error) {
      failed = true;
      throw error;
    }
  };
  await Promise.all(Array.from({ length: many }, lane));
}

export interface DrawnSlots {
  /** Drawings of slots, as many as are held; each is let go of with its slot's last file. */
  readonly held: Map<string, Raster>;
  /** Whether a slot's drawing has no see-through px, by the slot's id. */
  readonly opaque: ReadonlyMap<string, boolean>;
}

/** All slots that have a picture, drawn as they are handed over. */
export async function drawSlots(
  site: Site,
  ports: HandOverPorts,
  listener: HandOverListener,
): Promise<DrawnSlots> {
  const held = new Map<string, Raster>();
  const opaque = new Map<string, boolean>();
  let px = 0;
  await alongside(ports.atOnce ?? 1, site.slots, async (slot) => {
    const picture = pictureOf(site, slot);
    if (isBlank(picture)) {
      return;
    }
    stopIfUnwanted(listener);
    const raster = await ports.draw(drawingOf(slot, asFiled(picture)));
    px += raster.width * raster.height;
    if (px <= mostHeld) {
      held.set(slot.id, raster);
    }
    opaque.set(slot.id, isOpaque(raster));
  });
  return { held, opaque };
}

/** Equal for files that are written alike, whatever their names. */
export const writtenKey = (
  site: Site,
  slot: Slot,
  picture: Picture,
  scale: number,
  settings: EncodeSettings,
): string =>
  JSON.stringify([
    drawingKey(asFiled(picture), slot),
    scale,
    settings,
    settings.colours === null ? [] : siteColours(site),
  ]);

/** What writing a file takes, roughly: none where it is handed over as it was. */
const effort = ({ width, height, asItWas }: PlannedFile): number =>
  asItWas === undefined ? width * height : 0;

const effortOfAll = (files: readonly PlannedFile[]): number =>
  files.reduce((sum, file) => sum + effort(file), 0);

interface Job {
  readonly slot: Slot;
  readonly picture: Picture;
  readonly file: PlannedFile;
}

/**
 * The files of a plan in the order in which they are written: slot by slot, so that the drawing of one
 * is let go of before the next, those that take longest first, so that none is left for one writer at
 * the end while others have nothing to do.
 */
const jobsOf = (plan: readonly SlotFiles[]): Job[] =>
  plan
    .toSorted((a, b) => effortOfAll(b.files) - effortOfAll(a.files))
    .flatMap(({ slot, picture, files }) =>
      files.toSorted((a, b) => effort(b) - effort(a)).map((file) => ({ slot, picture, file })),
    );

/** The pictures of a plan as they are to be written, each drawn once for all of its files. */
class Drawings {
  private readonly rasters = new Map<string, Promise<Raster>>();

  constructor(
    private readonly ports: HandOverPorts,
    private readonly held: Map<string, Raster>,
  ) {}

  /** What is smaller is what a browser would make of the file; what is larger is drawn anew. */
  of({ slot, picture, file }: Job): Promise<Raster> {
    const drawing = drawingOf(slot, asFiled(picture));
    const plain = () =>
      this.once(slot, 1, async () => this.held.get(slot.id) ?? (await this.ports.draw(drawing)));
    const { scale, width, height } = file;
    if (scale === 1) {
      return plain();
    }
    return this.once(slot, scale, async () =>
      scale > 1
        ? this.ports.draw(scaledDrawing(drawing, scale))
        : this.ports.resize(await plain(), width, height),
    );
  }

  /** Nothing more is written of a slot. */
  letGo(slot: Slot): void {
    this.held.delete(slot.id);
    for (const key of [...this.rasters.keys()].filter((k) => k.split(' ')[0] === slot.id)) {
      this.rasters.delete(key);
    }
  }

  private once(slot: Slot, scale: number, draw: () => Promise<Raster>): Promise<Raster> {
    const key = `${slot.id} ${scale}`;
    const raster = this.rasters.get(key) ?? draw();
    this.rasters.set(key, raster);
    return raster;
  }
}

/**
 * The pictures of a hand-over in the order of the plan, as many written at a time as the ports can.
 * @param held drawings of slots that are there already; each is let go of with its last file
 */
export async function plannedFiles(
  site: Site,
  plan: readonly SlotFiles[],
  held: Map<string, Raster>,
  ports: HandOverPorts,
  listener: HandOverListener,
): Promise<HandedFile[]> {
  const pinned = siteColours(site);
  const jobs = jobsOf(plan);
  const drawings = new Drawings(ports, held);
  const written = new Map<PlannedFile, HandedFile>();
  const left = new Map(plan.map(({ slot, files }) => [slot.id, files.length]));
  /** The picture of the next file is drawn while this one is written. */
  const drawAhead = (at: number) => {
    const next = jobs.at(at);
    if (next && next.file.asItWas === undefined) {
      // What goes wrong is said where it is written.
      void drawings.of(next).catch(() => {});
    }
  };
  let begun = 0;
  await alongside(ports.atOnce ?? 1, jobs, async (job) => {
    stopIfUnwanted(listener);
    begun++;
    const { slot, picture, file } = job;
    listener.onProgress(written.size, jobs.length, file.path);
    const make = async () => {
      const raster = await drawings.of(job);
      drawAhead(begun);
      return ports.encode(raster, file.settings, pinned);
    };
    const key = writtenKey(site, slot, picture, file.scale, file.settings);
    const asEncoded = file.scale === 1 && file.settings === picture.press;
    const anew = () =>
      ports.kept ? ports.kept(key, make, asEncoded ? { site, slot, picture } : undefined) : make();
    const made: HandedFile = {
      path: file.path,
      type: formatOf(file.settings.format).mediaType,
      bytes: await (file.asItWas === undefined ? anew() : ports.asset(file.asItWas)),
      planned: file,
    };
    written.set(file, made);
    listener.onFile?.(made);
    left.set(slot.id, left.get(slot.id)! - 1);
    if (left.get(slot.id) === 0) {
      drawings.letGo(slot);
    }
  });
  return plan.flatMap(({ files }) => files.map((file) => written.get(file)!));
}
