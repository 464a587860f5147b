/**
 * `npm run fontfacts`: reads x-height and stroke contrast of the fonts that ship, for
 * src/core/text/fontFacts.json.
 */
import { readFileSync, writeFileSync } from 'node:fs';
import { fonts } from '../src/core/text/fonts';
import { readFont } from '../src/core/text/readFont';

const facts = Object.fromEntries(
  fonts.map(({ id, upright }) => {
    const { xHeight, contrast } = readFont(
      upright.latin.file,
      readFileSync(`node_modules/${upright.latin.origin}`),
    );
    return [id, { xHeight, contrast }];
  }),
);
writeFileSync('src/core/text/fontFacts.json', `${JSON.stringify(facts, null, 2)}\n`);
