import { readdirSync, readFileSync } from 'node:fs';
import { layoutPage } from '../measure/layoutPage';
import { schemaVersion, type Site } from './model/site';
import { readSite } from './schema';

/*
 * Sites as they were stored by every version there was, in the words of that time: each opens for
 * ever, and nothing that its owner made is lost.
 */

const folder = 'src/core/site/stored';

interface Stored {
  readonly schemaVersion: number;
  readonly name: string;
  readonly theme: { readonly colours: readonly unknown[]; readonly headingFont: string };
  readonly slots: readonly { readonly name: string; readonly width: number; height: number }[];
  readonly pictures: Readonly<
    Record<string, { readonly layers: readonly { kind: string; words?: string }[] }>
  >;
  readonly shelf: readonly { readonly assetId: string; readonly maker: string }[];
  readonly pages: readonly { readonly name: string }[];
}

const files = readdirSync(folder);
const stored = (file: string): Stored =>
  JSON.parse(readFileSync(`${folder}/${file}`, 'utf8')) as Stored;

/** What an owner would miss, of a site of any version. */
const belongings = ({ name, theme, slots, pictures, shelf, pages }: Stored | Site) => ({
  name,
  colours: theme.colours,
  font: theme.headingFont,
  slots: slots.map((slot) => [slot.name, slot.width, slot.height]),
  layers: Object.entries(pictures).map(([id, { layers }]) => [
    id,
    layers.map((layer: { kind: string; words?: string }) => [
      layer.kind,
      'words' in layer ? layer.words : null,
    ]),
  ]),
  shelf: shelf.map((item) => [item.assetId, item.maker]),
  pages: pages.map((page) => page.name),
});

test('there is one of every version; whoever raises it keeps the one before', () => {
  const versions = files.map((file) => stored(file).schemaVersion).sort((a, b) => a - b);
  // Nothing was ever stored by version 5.
  const all = Array.from({ length: schemaVersion }, (_, i) => i + 1).filter((v) => v !== 5);
  expect(versions).toEqual(all);
});

test.each(files)('%s opens with all that its owner made', (file) => {
  const before = stored(file);
  const site = readSite(before);
  expect(site.schemaVersion).toBe(schemaVersion);
  expect(belongings(site)).toEqual(belongings(before));
  for (const page of site.pages) {
    expect(layoutPage(site, page, 1280).boxes.length).toBeGreaterThan(3);
  }
  // What was brought up stays as it is.
  expect(readSite(JSON.parse(JSON.stringify(site)))).toEqual(site);
});
