import type Vips from 'wasm-vips';
import { serve, type ServerScope } from './channel';
import type { CodecCalls } from './protocol';
import { vipsFolder } from './vendor';
import { vipsCodecs } from './vipsCodecs';

const folder = `${location.origin}${vipsFolder}`;

async function start() {
  const url = `${folder}/vips-es6.js`;
  const { default: load } = (await import(/* webpackIgnore: true */ /* turbopackIgnore: true */ url)) as { default: typeof Vips };
  return vipsCodecs(await load({
    dynamicLibraries: ['vips-heif.wasm', 'vips-resvg.wasm'],
    locateFile: (name: string) => `${folder}/${name}`,
    mainScriptUrlOrBlob: url,
    // What goes wrong comes as an error; the library's own lines on the console say nothing more.
    printErr: () => {},
  }));
}

const codecs = start();

serve<CodecCalls>(self as unknown as ServerScope, {
  async ready() {
    await codecs;
    return { answer: null };
  },
  async decode({ bytes }) {
    const raster = await (await codecs).decode(bytes);
    return { answer: raster, transfer: [raster.data.buffer] };
  },
  async press({ raster, settings, pinned }) {
    const bytes = await (await codecs).encode(raster, settings, pinned);
    const decoded = await (await codecs).decode(bytes);
    return { answer: { bytes, decoded }, transfer: [bytes.buffer, decoded.data.buffer] };
  },
});
