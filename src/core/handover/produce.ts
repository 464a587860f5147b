import { formatOf } from '../press/formats/registry';
import { strFromU8, strToU8 } from 'fflate';
import type { Drawing } from '../compose/compose';
import { drawingOf } from '../compose/drawing';
import { scaledDrawing } from '../compose/scaledDrawing';
import { type Codecs } from '../press/codecs';
import type { OraPicture } from '../openRaster/openRaster';
import { isOpaque, type Raster } from '../raster/raster';
import { Refusal } from '../refusal';
import { siteColours } from '../site/colours';
import { isActive } from '../recolour/activeSteps';
import type { SetHanded } from '../set/produce';
import { SetStopped, type SetListener } from '../set/listener';
import type { PieceSet } from '../site/model/pieceSet';
import type { OwnPage } from '../site/model/ownPage';
import type { Picture, PressSettings } from '../site/model/picture';
import type { Site } from '../site/model/site';
import type { Slot } from '../site/model/slot';
import { asFiled, drawingKey, isBlank, pictureOf } from '../site/picture';
import { creditsPage, creditsOf } from './credits';
import { fontEnding, handedFonts } from './fontFaces';
import { planFiles, type PlannedFile, type SlotFiles } from './filePlan';
import { ownPageChanges, type OwnPageChanges } from './ownPageChanges';
import { ownPageFiles, type Taken } from './ownPageFiles';
import { pageWishes } from './pageWishes';
import type { PageSurvey } from '../ownPage/survey';
import { pageDocument, pageFiles } from './page';
import { assetsOf } from '../site/assets';
import { creditsName, markupName, siteFileName, styleSheetName } from './names';
import type { PackedSite } from './siteFile';
import { snippetsFor } from './snippets';
import type { TypedFile } from './zipFiles';
import { licenceOf, type FontFile } from '../text/fonts';

/** A picture in its slot. */
export interface PressedPicture {
  readonly site: Site;
  readonly slot: Slot;
  readonly picture: Picture;
}

/** What a hand-over is made with; the browser and Node bring their own. */
export interface HandOverPorts extends Pick<Codecs, 'encode'> {
  /** All px of a drawing, with every photo and font it needs. */
  draw(drawing: Drawing): Promise<Raster>;
  asset(assetId: string): Promise<Uint8Array<ArrayBuffer>>;
  /** All files of a theme with its recipe laid on it; asked for a site that has one. */
  theme(set: PieceSet, listener: SetListener): Promise<readonly SetHanded[]>;
  /** All of a raster in another size, px. */
  resize(raster: Raster, width: number, height: number): Promise<Raster>;
  packSite(packed: PackedSite): Promise<Uint8Array<ArrayBuffer>>;
  packPicture(
    picture: OraPicture,
    merged: Uint8Array<ArrayBuffer>,
    thumbnail: Uint8Array<ArrayBuffer>,
  ): Promise<Uint8Array<ArrayBuffer>>;
  shippedFont(file: FontFile): Promise<Uint8Array<ArrayBuffer>>;
  /** What was measured of an own page, out of its text. */
  survey(text: string): Promise<PageSurvey>;
  /** Files that can be written at the same time; one where it is not said. */
  readonly atOnce?: number;
  /**
   * A file as it was written before under that key, or as it is made now.
   * @param pressed the picture whose own file it is, at its size and as it is pressed
   */
  kept?(
    key: string,
    make: () => Promise<Uint8Array<ArrayBuffer>>,
    pressed: PressedPicture | undefined,
  ): Promise<Uint8Array<ArrayBuffer>>;
}

/** A file of the hand-over. */
export interface HandedFile extends TypedFile {
  /** Of pictures: what was planned. */
  readonly planned?: PlannedFile;
  /** Of a theme's own files: whether it was recoloured. */
  readonly theme?: 'changed' | 'as it was';
}

/** Everything a host is given, with what it was made from. */
export interface HandOver {
  readonly plan: readonly SlotFiles[];
  readonly files: readonly HandedFile[];
  /** The lines of each slot alone, by its id. */
  readonly snippets: ReadonlyMap<string, { readonly css: string; readonly html: string }>;
  readonly css: string;
  readonly html: string;
  readonly credits: { readonly text: string; readonly html: string };
  /** Of each page of the owner's own, what changes of its files. */
  readonly own: readonly OwnPageChanges[];
}

export interface HandOverListener {
  /** Files that are written, of how many. */
  onProgress(done: number, of: number, path: string): void;
  /** A picture was written. */
  onFile?(file: HandedFile): void;
  /** Asked before each file. */
  wanted(): boolean;
}

/** It was given up. */
export class HandOverStopped extends Refusal {}

const text = (path: string, type: string, content: string): HandedFile => ({
  path,
  type,
  bytes: strToU8(content) as Uint8Array<ArrayBuffer>,
});

/**
 * Style sheet and markup of all slots, each under the slot's name; slots with the same lines on
 * several pages once.
 */
export function allSnippets(
  site: Site,
  plan: readonly SlotFiles[],
): Pick<HandOver, 'snippets' | 'css' | 'html'> {
  // A second arrangement is laid by the lines of the slot that it stands in for.
  const laid = plan.filter(({ slot }) => !site.slots.some((s) => s.narrow?.slot === slot.id));
  const snippets = new Map(
    laid.map(({ slot }) => [slot.id, snippetsFor(site, plan, slot.id)] as const),
  );
  const clean = (name: string) => name.replaceAll('*/', '').replaceAll('--', '–');
  return {
    snippets,
    css: laid
      .map(({ slot }) => `/* ${clean(slot.name)} */\n${snippets.get(slot.id)!.css}`)
      .join('\n'),
    html: laid
      .map(({ slot }) => `<!-- ${clean(slot.name)} -->\n${snippets.get(slot.id)!.html}`)
      .join('\n'),
  };
}

/**
 * Drawings are held from when it is known whether they are see-through until they are written, as
 * many as have so many px.
 */
const mostHeld = 40e6;

/** A picture of a page shows nothing that is laid in it; its drawing is handed over. */
const isServed = (own: OwnPage | null): own is OwnPage => own !== null && own.from !== 'picture';

/** Where a theme's files go, if any of their names is taken by one of ours. */
export const themeFolder = 'theme';

/**
 * The files of a recoloured theme among the others: a picture that is on the plan is the plan's.
 */
async function themeFiles(
  site: Site,
  ports: HandOverPorts,
  files: readonly HandedFile[],
  listener: HandOverListener,
): Promise<HandedFile[]> {
  const { set } = site;
  if (!set || !isActive(set.recipe)) {
    return [];
  }
  const made = await ports
    .theme(set, { wanted: listener.wanted, onProgress: listener.onProgress })
    .catch((error: unknown) => {
      throw error instanceof SetStopped ? new HandOverStopped(error.message) : error;
    });
  const pictures = new Map(files.flatMap((f) => (f.planned ? [[f.path, f.bytes] as const] : [])));
  const others = new Set(files.flatMap((f) => (f.planned ? [] : [f.path])));
  const apart = made.some((f) => others.has(f.path));
  return made.flatMap(({ path, type, bytes, changed }): HandedFile[] => {
    const planned = pictures.get(path);
    if (planned && !apart) {
      return [];
    }
    return [
      {
        path: apart ? `${themeFolder}/${path}` : path,
        type,
        bytes: planned ?? bytes,
        theme: changed || planned ? 'changed' : 'as it was',
      },
    ];
  });
}

function stopIfUnwanted({ wanted }: HandOverListener): void {
  if (!wanted()) {
    throw new HandOverStopped('The hand-over was stopped.');
  }
}

/** Equal for files that are written alike, whatever their names. */
export const writtenKey = (
  site: Site,
  slot: Slot,
  picture: Picture,
  scale: number,
  settings: PressSettings,
): string =>
  JSON.stringify([
    drawingKey(asFiled(picture), slot),
    scale,
    settings,
    settings.colours === null ? [] : siteColours(site),
  ]);

/**
 * The pictures of a hand-over in the order of the plan, as many at a time as the ports can write.
 * @param drawn drawings of slots that are there already; each is let go of with its last file
 */
async function plannedFiles(
  site: Site,
  plan: readonly SlotFiles[],
  drawn: Map<string, Raster>,
  ports: HandOverPorts,
  listener: HandOverListener,
): Promise<HandedFile[]> {
  const pinned = siteColours(site);
  const jobs = plan.flatMap(({ slot, picture, files }) =>
    files.map((file, i) => ({ slot, picture, file, isLast: i === files.length - 1 })),
  );
  const files = new Map<number, HandedFile>();
  /** Of the slots whose files are being written. */
  const rasters = new Map<string, Promise<Raster>>();
  const once = (key: string, draw: () => Promise<Raster>): Promise<Raster> => {
    const raster = rasters.get(key) ?? draw();
    rasters.set(key, raster);
    return raster;
  };
  let next = 0;
  let failed = false;
  const write = async (at: number): Promise<void> => {
    const { slot, picture, file, isLast } = jobs[at];
    const filed = asFiled(picture);
    const drawing = drawingOf(slot, filed);
    const plain = () =>
      once(slot.id, async () => drawn.get(slot.id) ?? (await ports.draw(drawing)));
    /** What is smaller is what a browser would make of the file; what is larger is drawn anew. */
    const pixels = async ({ scale, width, height }: PlannedFile): Promise<Raster> => {
      if (scale > 1) {
        return once(`${slot.id} ${scale}`, () => ports.draw(scaledDrawing(drawing, scale)));
      }
      return scale === 1 ? plain() : ports.resize(await plain(), width, height);
    };
    const make = async () => ports.encode(await pixels(file), file.settings, pinned);
    const key = writtenKey(site, slot, picture, file.scale, file.settings);
    const asPressed = file.scale === 1 && file.settings === picture.press;
    const anew = () =>
      ports.kept ? ports.kept(key, make, asPressed ? { site, slot, picture } : undefined) : make();
    const written = {
      path: file.path,
      type: formatOf(file.settings.format).mediaType,
      bytes: await (file.asItWas === undefined ? anew() : ports.asset(file.asItWas)),
      planned: file,
    };
    files.set(at, written);
    listener.onFile?.(written);
    if (isLast) {
      drawn.delete(slot.id);
      for (const held of [...rasters.keys()].filter((k) => k.split(' ')[0] === slot.id)) {
        rasters.delete(held);
      }
    }
  };
  const along = async () => {
    while (next < jobs.length && !failed) {
      stopIfUnwanted(listener);
      const at = next++;
      listener.onProgress(files.size, jobs.length, jobs[at].file.path);
      await write(at);
    }
  };
  const lanes = Array.from({ length: ports.atOnce ?? 1 }, () =>
    along().catch((error: unknown) => {
      failed = true;
      throw error;
    }),
  );
  await Promise.all(lanes);
  return jobs.map((_, i) => files.get(i)!);
}

/**
 * Draws and writes everything that is handed over for a site: its files, style sheet, markup,
 * credits, a document for each page that shows them together, and the site file.
 * @throws HandOverStopped when the listener did not want it any more
 */
export async function produceHandOver(
  site: Site,
  ports: HandOverPorts,
  listener: HandOverListener,
): Promise<HandOver> {
  const check = () => stopIfUnwanted(listener);
  const opaque = new Map<string, boolean>();
  const drawn = new Map<string, Raster>();
  let held = 0;
  for (const slot of site.slots) {
    const picture = pictureOf(site, slot);
    if (isBlank(picture)) {
      continue;
    }
    check();
    const raster = await ports.draw(drawingOf(slot, asFiled(picture)));
    held += raster.width * raster.height;
    if (held <= mostHeld) {
      drawn.set(slot.id, raster);
    }
    opaque.set(slot.id, isOpaque(raster));
  }
  const plan = planFiles(site, (id) => opaque.get(id) ?? true);
  const files: HandedFile[] = await plannedFiles(site, plan, drawn, ports, listener);
  check();
  const fontBytes = new Map<string, Uint8Array<ArrayBuffer>>();
  for (const font of site.fonts) {
    fontBytes.set(font.assetId, await ports.asset(font.assetId));
  }
  const fonts = handedFonts(site, (id) => fontEnding(fontBytes.get(id) ?? new Uint8Array()));
  for (const { path, source } of fonts) {
    files.push({
      path,
      type: `font/${path.slice(path.lastIndexOf('.') + 1)}`,
      bytes:
        'shipped' in source
          ? await ports.shippedFont(source.shipped)
          : fontBytes.get(source.assetId)!,
    });
  }
  const licences = new Map(
    fonts.flatMap(({ source }) => {
      const licence = 'shipped' in source ? licenceOf(source.shipped) : undefined;
      return licence ? [[licence.file, licence] as const] : [];
    }),
  );
  for (const licence of licences.values()) {
    files.push({
      path: `fonts/${licence.file}`,
      type: 'text/plain',
      bytes: await ports.shippedFont(licence),
    });
  }
  const lines = allSnippets(site, plan);
  const credits = creditsPage(creditsOf(site).map((c) => c.item));
  const names = pageFiles(site);
  const css = `${fonts.map((f) => f.css).join('')}\n${lines.css}`;
  files.push(text(styleSheetName, 'text/css', css), text(markupName, 'text/html', lines.html));
  for (const page of site.pages.filter((p) => !isServed(p.own))) {
    files.push(
      text(
        names.get(page.id)!,
        'text/html',
        pageDocument(site, page, plan, styleSheetName, credits.html),
      ),
    );
  }
  if (credits.text) {
    files.push(
      text(creditsName, 'text/html', credits.html),
      text('credits.txt', 'text/plain', credits.text),
    );
  }
  files.push(...(await themeFiles(site, ports, files, listener)));
  const taken: Taken = new Map(files.map((f) => [f.path, f.planned ? 'planned' : 'ours']));
  const changes: OwnPageChanges[] = [];
  for (const { id, own } of site.pages) {
    if (isServed(own)) {
      const survey = await ports.survey(strFromU8(await ports.asset(own.survey)));
      const wishes = pageWishes(own, survey, plan);
      files.push(...(await ownPageFiles(own, names.get(id)!, wishes, taken, ports.asset)));
      changes.push(await ownPageChanges({ id, own }, wishes, site.handOver.pageFiles, ports.asset));
    }
  }
  const assets = new Map<string, Uint8Array<ArrayBuffer>>();
  for (const id of assetsOf(site)) {
    assets.set(id, await ports.asset(id));
  }
  files.push({
    path: siteFileName(site),
    type: 'application/zip',
    bytes: await ports.packSite({ site, assets }),
  });
  const pictures = files.filter((f) => f.planned).length;
  listener.onProgress(pictures, pictures, '');
  return { plan, files, ...lines, css, credits, own: changes };
}
