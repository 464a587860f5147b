import { castDraft } from 'immer';
import { sampleSite } from './sample';
import { sampleShelf } from './sampleShelf.fixture';
import { largestStep } from '@/core/colour/difference';
import { colourOf } from '@/core/colour/parse';
import { newFade } from '@/core/layers/fade';
import { newProfile } from '@/core/layers/profile';
import { newShape } from '@/core/layers/shape';
import { layRecipe } from '@/core/recolour/recipe';
import { applyEdit, setFonts } from '@/core/site/edit';
import type { Hex } from '@/core/site/model/hex';
import type { Site } from '@/core/site/model/site';
import { readSite } from '@/core/site/schema';
import { applyHarmony, surfaceAssets, type MainColours } from '@/core/harmony/applyHarmony';
import { harmoniesOf, type Harmony } from '@/core/harmony/harmony';

const site = sampleSite('s', sampleShelf);
const [kiln, slip, clay, sand] = ['#3b4a45', '#efe9dc', '#a4553a', '#e3d6bd'] as const;
const mains: MainColours = new Map<string, Hex>([
  [sampleShelf.speckle.assetId, '#3c4b46'],
  [sampleShelf.combed.assetId, sand],
  [sampleShelf.ridge.assetId, clay],
]);
const harmonies = harmoniesOf({ lead: clay });
const pictureOf = (s: Site, slot: string) =>
  s.pictures[s.slots.find((one) => one.id === slot)!.pictureId];
const recipesOf = (s: Site, slot: string) =>
  pictureOf(s, slot).layers.flatMap((l) => (l.kind === 'recipe' ? [l.recipe] : []));

test.each(harmonies)(
  '$kind: page, bar, content, sections and words have its colours',
  (harmony) => {
    const after = applyEdit(site, applyHarmony(harmony, mains));
    const { colours, onBar, onAccent } = harmony;
    for (const page of after.pages) {
      expect([page.ground, page.bar.colour, page.bar.ink]).toEqual([
        colours.page,
        colours.bar,
        onBar,
      ]);
      expect([page.body.colour, page.body.ink]).toEqual([colours.content, colours.text]);
      expect(page.sections.map((s) => [s.colour, s.ink])).toEqual([[colours.accent, onAccent]]);
    }
    expect(after.theme.colours).toEqual(
      ['page', 'content', 'text', 'link', 'bar', 'accent'].map((name) => ({
        name,
        hex: colours[name as keyof Harmony['colours']],
      })),
    );
    expect(readSite(JSON.parse(JSON.stringify(after)))).toEqual(after);
  },
);

test('tiles, strips and dividers that are files come to the colours of their places', () => {
  expect([...surfaceAssets(site)].sort()).toEqual([...mains.keys()].sort());
  for (const harmony of harmonies) {
    const after = applyEdit(site, applyHarmony(harmony, mains));
    for (const [slot, from, to] of [
      ['background', kiln, harmony.colours.page],
      ['divider', clay, harmony.colours.accent],
      // The strip is a little off the content, and stays so.
      ['sidebar', slip, harmony.colours.content],
    ] as const) {
      const [recipe] = recipesOf(after, slot);
      // Where it is that colour already there is nothing to lay.
      const becomes = recipe ? layRecipe(recipe).colour(colourOf(from)) : colourOf(from);
      expect([harmony.kind, slot, largestStep(becomes, colourOf(to)) <= 1]).toEqual([
        harmony.kind,
        slot,
        true,
      ]);
    }
    expect(recipesOf(after, 'header')).toEqual([]);
    expect(recipesOf(after, 'diary-background')).toEqual([]);
  }
});

test('laid again it takes the place of what it laid before; files not looked at stay', () => {
  const twice = applyEdit(
    applyEdit(site, applyHarmony(harmonies[0], mains)),
    applyHarmony(harmonies[3], mains),
  );
  expect(recipesOf(twice, 'background')).toHaveLength(1);
  expect(recipesOf(applyEdit(site, applyHarmony(harmonies[0])), 'background')).toEqual([]);
});

test('what is drawn in a colour of the page follows; words, washes and other colours stay', () => {
  const drawn = applyEdit(site, (draft) => {
    draft.pictures['p-divider'].layers = [castDraft(newProfile('ridge', 'wave', clay, 1920))];
    draft.pictures['p-header'].layers.push(
      castDraft(newFade('fade', kiln, { left: 40 })),
      castDraft(newShape('mark', 'rectangle', '#123456', { width: 1080, height: 220 })),
    );
  });
  const [, , , opposite] = harmonies;
  const after = applyEdit(drawn, applyHarmony(opposite, mains));
  expect(pictureOf(after, 'divider').layers[0]).toMatchObject({ colour: opposite.colours.accent });
  const header = pictureOf(after, 'header');
  expect(header.ground).toEqual({ type: 'colour', colour: opposite.colours.page });
  const [photo, wash, title, tagline, fade, mark] = header.layers;
  expect(fade).toMatchObject({ into: opposite.colours.page });
  expect(mark).toMatchObject({ fill: '#123456' });
  expect([photo, wash, title, tagline]).toEqual(pictureOf(drawn, 'header').layers.slice(0, 4));
});

test('fonts are set apart from each other', () => {
  const after = applyEdit(site, setFonts({ text: 'lora' }));
  expect([after.theme.headingFont, after.theme.bodyFont]).toEqual(['fraunces', 'lora']);
  expect(applyEdit(site, setFonts({ headings: 'oswald' })).theme).toMatchObject({
    headingFont: 'oswald',
    bodyFont: 'archivo',
  });
});
