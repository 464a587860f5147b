import { readFile } from 'node:fs/promises';
import { createCanvas, GlobalFonts } from '@napi-rs/canvas';
import { boundedCache, pixelBytes } from '@/core/boundedCache';
import { createComposer } from '@/core/compose/compose';
import { resizedTo } from '@/core/frame/resized';
import type { HandOverPorts } from '@/core/handover/ports';
import { writeSiteFile } from '@/core/handover/siteFile';
import { readSurvey } from '@/core/ownPage/readSurvey';
import { writeOpenRaster } from '@/core/openRaster/openRaster';
import type { Raster } from '@/core/raster/raster';
import { recolourSet } from '@/core/set/recolourSet';
import type { Site } from '@/core/site/model/site';
import { faceName, fonts, type FontFile } from '@/core/text/fonts';
import { canvasGlyphs, type TextContext } from '@/core/text/glyphs';
import { cssFont } from './fontFaces';
import { mostNodePhotoBytes } from './limits';
import { nodeCodecs } from './nodeCodecs';
import { wholePhotos } from '@/core/frame/photos';

/**
 * Letters of a font's second file stand under a name of their own, since a family here has no
 * ranges.
 */
const secondName = (id: string): string => `${faceName(id)} ext`;

const source = ({ origin }: FontFile): string => `node_modules/${origin}`;

function registerFonts(site: Site, assets: ReadonlyMap<string, Uint8Array>): void {
  for (const { id, upright, slanted } of fonts) {
    for (const files of [upright, ...(slanted ? [slanted] : [])]) {
      GlobalFonts.registerFromPath(source(files.latin), faceName(id));
      GlobalFonts.registerFromPath(source(files.extended), secondName(id));
    }
  }
  for (const { id, assetId } of site.fonts) {
    GlobalFonts.register(Buffer.from(assets.get(assetId)!), faceName(id));
  }
}

export interface NodePorts extends HandOverPorts {
  /** Ends the codecs; nothing can be asked afterwards. */
  close(): void;
}

/** What a hand-over is made with in Node: the codecs of the browser, and Skia for letters. */
export async function nodePorts(
  site: Site,
  assets: ReadonlyMap<string, Uint8Array<ArrayBuffer>>,
): Promise<NodePorts> {
  registerFonts(site, assets);
  const { codecs, close } = await nodeCodecs();
  const glyphs = canvasGlyphs(
    (width, height) => createCanvas(width, height).getContext('2d') as unknown as TextContext,
    (spec) => cssFont(spec).replace(/, sans-serif$/, `, "${secondName(spec.font)}", sans-serif`),
  );
  const decoded = boundedCache<Raster>(mostNodePhotoBytes, pixelBytes);
  const asset = async (id: string): Promise<Uint8Array<ArrayBuffer>> => {
    const bytes = assets.get(id);
    if (!bytes) {
      throw new Error(`Expected the asset ${id} in the site file.`);
    }
    return bytes;
  };
  return {
    asset,
    encode: codecs.encode,
    resize: async (raster, width, height) => resizedTo(raster, width, height),
    packSite: async (packed) => writeSiteFile(packed),
    packPicture: async (picture, merged, thumbnail) => writeOpenRaster(picture, merged, thumbnail),
    theme: async (set, listener) =>
      (await recolourSet(set, { ...codecs, asset }, listener, true)).files,
    survey: async (text) => readSurvey(text),
    shippedFont: async (file) => new Uint8Array(await readFile(source(file))),
    async draw(drawing) {
      const photos = new Map<string, Raster>();
      for (const layer of drawing.layers) {
        if (layer.kind === 'photo') {
          const id = layer.assetId;
          const raster = decoded.get(id) ?? (await codecs.decode(await asset(id)));
          decoded.set(id, raster);
          photos.set(id, raster);
        }
      }
      return createComposer({ glyphs, photos: wholePhotos((id) => photos.get(id)) }).compose(
        drawing,
      ).raster;
    },
    close,
  };
}
