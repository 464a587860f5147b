/**
 * Copies what workers load by address, the codec library and the fonts, from their packages to
 * public/vendor.
 */
import { copyFileSync, mkdirSync, readFileSync } from 'node:fs';
import { fonts, licenceOf } from '../src/core/text/fonts';
import { fontFolder, vipsFolder } from '../src/engine/vendor';

const packageVersion = (
  JSON.parse(readFileSync('node_modules/wasm-vips/package.json', 'utf8')) as { version: string }
).version;
if (!vipsFolder.endsWith(packageVersion)) {
  throw new Error(
    `Expected ${vipsFolder} to end in the package's version, found ${packageVersion}: change src/engine/vendor.ts`,
  );
}

const vips = 'node_modules/wasm-vips';
mkdirSync(`public${vipsFolder}`, { recursive: true });
for (const file of ['vips-es6.js', 'vips.wasm', 'vips-heif.wasm', 'vips-resvg.wasm']) {
  copyFileSync(`${vips}/lib/${file}`, `public${vipsFolder}/${file}`);
}
// The libraries that were compiled together, and their licences.
for (const file of ['LICENSE', 'THIRD-PARTY-NOTICES.md']) {
  copyFileSync(`${vips}/${file}`, `public${vipsFolder}/${file}`);
}

/** Fonts of the interface, which come with its style sheets. */
const interfaceFonts = [
  { file: '', origin: '@fontsource-variable/archivo/files' },
  { file: '', origin: '@fontsource-variable/spline-sans-mono/files' },
];

const fontFiles = fonts.flatMap((font) =>
  [font.upright, font.slanted].flatMap((files) => (files ? [files.latin, files.extended] : [])),
);
const licences = [...fontFiles, ...interfaceFonts].map(licenceOf);
mkdirSync(`public${fontFolder}`, { recursive: true });
for (const { file, origin } of [...fontFiles, ...licences]) {
  copyFileSync(`node_modules/${origin}`, `public${fontFolder}/${file}`);
}
