/**
 * Copies what workers load by address, the codec library and the fonts, from their packages to
 * public/vendor.
 */
import { copyFileSync, mkdirSync, readFileSync } from 'node:fs';
import { fonts } from '../src/core/text/fonts';
import { fontFolder, vipsFolder } from '../src/engine/vendor';

const packageVersion = (
  JSON.parse(readFileSync('node_modules/wasm-vips/package.json', 'utf8')) as { version: string }
).version;
if (!vipsFolder.endsWith(packageVersion)) {
  throw new Error(
    `Expected ${vipsFolder} to end in the package's version, found ${packageVersion}: change src/engine/vendor.ts`,
  );
}

mkdirSync(`public${vipsFolder}`, { recursive: true });
for (const file of ['vips-es6.js', 'vips.wasm', 'vips-heif.wasm', 'vips-resvg.wasm']) {
  copyFileSync(`node_modules/wasm-vips/lib/${file}`, `public${vipsFolder}/${file}`);
}

mkdirSync(`public${fontFolder}`, { recursive: true });
for (const { file, origin } of fonts.flatMap((font) =>
  [font.upright, font.slanted].flatMap((files) => (files ? [files.latin, files.extended] : [])),
)) {
  copyFileSync(`node_modules/${origin}`, `public${fontFolder}/${file}`);
}
