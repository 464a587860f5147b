/**
 * `npm run fontfacts`: reads x-height, stroke contrast, weight and width of the fonts that ship, for
 * src/core/text/fontFacts.json.
 */
import { createCanvas, GlobalFonts } from '@napi-rs/canvas';
import { readFileSync, writeFileSync } from 'node:fs';
import { fonts } from '../src/core/text/fonts';
import { canvasMeter, letterFactsOf } from '../src/core/text/letterFacts';
import { readFont } from '../src/core/text/readFont';

const context = createCanvas(600, 600).getContext('2d');
const facts = Object.fromEntries(
  fonts.map(({ id, upright }) => {
    const file = `node_modules/${upright.latin.origin}`;
    const { xHeight, contrast } = readFont(upright.latin.file, readFileSync(file));
    GlobalFonts.registerFromPath(file, id);
    return [id, { xHeight, contrast, ...letterFactsOf(canvasMeter(context, id), xHeight) }];
  }),
);
writeFileSync('src/core/text/fontFacts.json', `${JSON.stringify(facts, null, 2)}\n`);
