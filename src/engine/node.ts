import { readFile } from 'node:fs/promises';
import { createCanvas, GlobalFonts } from '@napi-rs/canvas';
import { createComposer } from '@/core/compose/compose';
import type { HandOverPorts } from '@/core/handover/produce';
import type { Raster } from '@/core/raster/raster';
import { recolourSet } from '@/core/set/recolourSet';
import type { Site } from '@/core/site/model/site';
import { faceName, fonts, type FontFile } from '@/core/text/fonts';
import { canvasGlyphs, type TextContext } from '@/core/text/glyphs';
import { cssFont } from './fontFaces';
import { keepNewest } from './keepNewest';
import { nodeCodecs } from './nodeCodecs';

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
  const decoded = keepNewest<Raster>(({ width, height }) => width * height, 120e6, 16);
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
    theme: async (set, listener) =>
      (await recolourSet(set, { ...codecs, asset }, listener, true)).files,
    shippedFont: async (file) => new Uint8Array(await readFile(source(file))),
    async draw(drawing) {
      for (const layer of drawing.layers) {
        if (layer.kind === 'photo' && !decoded.get(layer.assetId)) {
          decoded.set(layer.assetId, await codecs.decode(await asset(layer.assetId)));
        }
      }
      return createComposer({ glyphs, photo: (id) => decoded.get(id) }).compose(drawing).raster;
    },
    close,
  };
}
