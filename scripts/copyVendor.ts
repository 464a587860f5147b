/**
 * Copies what workers load by address, the codec library and the fonts, from their packages to
 * public/vendor.
 */
import { copyFileSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
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
/**
 * Threads that the library starts with: it takes six at least, and each loads all of it again before
 * the first file can be read. One works, one writes behind it, one is kept ready; with fewer it waits
 * for ever.
 */
const threads = 3;
const script = `public${vipsFolder}/vips-es6.js`;
const asked = 'navigator.hardwareConcurrency>6?navigator.hardwareConcurrency:6';
const parts = readFileSync(script, 'utf8').split(asked);
if (parts.length !== 3) {
  throw new Error(
    `Expected the library to count its threads in two places, found ${parts.length - 1}: look at it anew`,
  );
}
writeFileSync(
  script,
  `/* Changed by Soyez: it starts with ${threads} threads. */\n${parts.join(String(threads))}`,
);
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
