import { imageFormats } from '@/core/encode/formats/registry';
import type Vips from 'wasm-vips';
import type { Trial } from '@/core/lightest/trial';
import { mipLevelToKeep } from '@/core/frame/mipLevels';
import { lazily } from '@/core/lazily';
import { encodeSettings } from '@/core/encode/settings';
import { releasePixels } from '@/core/raster/releasePixels';
import { createRaster } from '@/core/raster/raster';
import { served } from '@/served/address';
import { serve, type ServerScope } from './channel';
import type { CodecCalls } from './protocol';
import { vipsFolder } from './vendor';
import { vipsCodecs } from './vipsCodecs';

const folder = `${location.origin}${served(vipsFolder)}`;

async function start() {
  const url = `${folder}/vips-es6.js`;
  const { default: load } = (await import(
    /* webpackIgnore: true */ /* turbopackIgnore: true */ url
  )) as { default: typeof Vips };
  return vipsCodecs(
    await load({
      dynamicLibraries: ['vips-heif.wasm', 'vips-resvg.wasm'],
      locateFile: (name: string) => `${folder}/${name}`,
      mainScriptUrlOrBlob: url,
      // What goes wrong comes as an error; the library's own lines on the console say nothing more.
      printErr: () => {},
    }),
  );
}

const codecs = start();

/** What only some workers are asked for is loaded when they are: nobody waits for it at the start. */
const recolouring = lazily(async () => {
  const [{ recolourFile }, { lastRecipe }] = await Promise.all([
    import('@/core/set/recolourFile'),
    import('./lastRecipe'),
  ]);
  return { recolourFile, recipes: lastRecipe() };
});

/** The picture that is tried out, one at a time. */
let trial: Trial | undefined;
function opened(): Trial {
  if (!trial) {
    throw new Error('Expected a trial to be open.');
  }
  return trial;
}

serve<CodecCalls>(self as unknown as ServerScope, {
  async ready({ forWriting }) {
    const { encode } = await codecs;
    if (!forWriting) {
      return { answer: null };
    }
    // A browser compiles an encoder better the more it has run: the first files of a format take
    // several times as long as later ones.
    const picture = createRaster(360, 220);
    for (let k = 0; k < picture.data.length; k++) {
      picture.data[k] = k % 4 === 3 ? 255 : 128 + 60 * Math.sin(k / 900) + ((k * 7919) % 31);
    }
    for (const quality of [50, 70]) {
      for (const format of imageFormats) {
        await encode(picture, encodeSettings(format, quality), []);
      }
    }
    return { answer: null };
  },
  async read({ bytes }) {
    const read = (await codecs).decodeToMipLevel(bytes, mipLevelToKeep);
    return { answer: read, transfer: [read.photo.raster.data.buffer] };
  },
  async decode({ bytes, mipLevel = 0 }) {
    const { raster } = (await codecs).decodeToMipLevel(bytes, () => mipLevel).photo;
    return { answer: raster, transfer: [raster.data.buffer] };
  },
  async shrink({ bytes, room }) {
    const raster = (await codecs).shrink(bytes, room);
    return { answer: raster, transfer: [raster.data.buffer] };
  },
  async press({ raster, settings, pinned }) {
    const bytes = await (await codecs).encode(raster, settings, pinned);
    releasePixels(raster);
    const decoded = await (await codecs).decode(bytes);
    return { answer: { bytes, decoded }, transfer: [bytes.buffer, decoded.data.buffer] };
  },
  async encode({ raster, settings, pinned }) {
    const bytes = await (await codecs).encode(raster, settings, pinned);
    releasePixels(raster);
    return { answer: bytes, transfer: [bytes.buffer] };
  },
  async trial({ subject }) {
    const { createTrial } = await import('@/core/lightest/trial');
    trial = createTrial(subject, await codecs);
    return { answer: trial.area };
  },
  async tryOut({ settings, part }) {
    const tried = await opened().tryOut(settings, part);
    return { answer: tried, transfer: tried.file ? [tried.file.buffer] : [] };
  },
  async patch({ settings }) {
    return { answer: await opened().patch(settings) };
  },
  async recolour({ format, bytes, recipe, wantsEnds }) {
    const { recolourFile, recipes } = await recolouring();
    const made = await recolourFile(format, bytes, recipes(recipe), await codecs, wantsEnds);
    return { answer: made, transfer: [made.bytes.buffer] };
  },
});
