import fc from 'fast-check';
import { createComposer } from '../compose/compose';
import { newWash } from '../layers/fill';
import { drawOf } from '../layers/draw/registry';
import { kindOf } from '../layers/registry';
import { newRecipeLayer, recipeSchema, recolouringOf } from '../layers/recipe';
import { newHue, newTone, newTwoTone } from '../layers/recolour';
import { newTexture } from '../layers/texture';
import { createRaster, type Raster } from '../raster/raster';
import type { GlyphRaster } from '../text/glyphs';
import type { Layer } from '../site/model/layer';
import type { Recipe, RecipeStep } from '../site/model/recipe';
import { layRecipe } from './recipe';
import { neutralShare } from './neutrals';
import { wholePhotos } from '../frame/photos';

const recipe = (steps: readonly RecipeStep[], spare = false): Recipe => ({
  id: 'r',
  name: 'Celadon',
  steps,
  spare,
  hues: null,
});

/** A strip from slate to a darker slate. */
function strip(alpha = 255): Raster {
  const raster = createRaster(1, 675);
  for (let y = 0; y < 675; y++) {
    raster.data.set(
      [63 - Math.round(y / 20), 81 - Math.round(y / 20), 97 - Math.round(y / 20), alpha],
      y * 4,
    );
  }
  return raster;
}

const noisy = (width: number, height: number, alpha: (i: number) => number): Raster => {
  const raster = createRaster(width, height);
  for (let i = 0; i < width * height; i++) {
    raster.data.set([(i * 37) % 256, (i * 91 + 13) % 256, (i * 53 + 101) % 256, alpha(i)], i * 4);
  }
  return raster;
};

const steps: readonly (readonly [string, RecipeStep])[] = [
  ['wash', newWash('a', '#a9b79a', 0.48)],
  ['multiply', { ...newWash('a', '#a9b79a', 0.9), blend: 'multiply' }],
  ['colour', { ...newWash('a', '#a9b79a', 0.7), blend: 'color' }],
  ['hue', newHue('a', '#a9b79a')],
  ['two-tone', newTwoTone('a', '#3b4a45', '#efe9dc')],
  ['tone', { ...newTone('a'), brightness: 1.3, saturation: 0.6 }],
  ['texture', { ...newTexture('a', 'grain', '#000000'), opacity: 0.2 }],
];

test('a strip 1 px wide, washed at strength 0.48, has (1 − s)·old + s·colour on each of its 675 rows', () => {
  const before = strip();
  const after = strip();
  layRecipe(recipe([newWash('w', '#a9b79a', 0.48)])).on(after);
  for (let y = 0; y < 675; y++) {
    const wanted = [169, 183, 154].map((c, k) =>
      Math.round(0.52 * before.data[y * 4 + k] + 0.48 * c),
    );
    expect([y, ...after.data.slice(y * 4, y * 4 + 4)]).toEqual([y, ...wanted, 255]);
  }
});

test.each(steps)(
  '%s: an opaque raster comes out as the composer draws the same layer',
  (_, step) => {
    const own = noisy(24, 18, () => 255);
    const laid = { ...own, data: own.data.slice() };
    layRecipe(recipe([step])).on(laid);
    const photo: Layer = {
      ...newWash('x', '#000000'),
      kind: 'photo',
      assetId: 'p',
      name: '',
      sourceWidth: 24,
      sourceHeight: 18,
      x: 0,
      y: 0,
      scale: 1,
      stretch: 1,
      turn: 0,
      flipX: false,
      flipY: false,
      sharpen: 0,
      crop: null,
      cutOut: null,
      effects: [],
      hangs: false,
      opacity: 1,
    } as unknown as Layer;
    const composer = createComposer({ glyphs: {} as GlyphRaster, photos: wholePhotos(() => own) });
    const { raster } = composer.compose({
      width: 24,
      height: 18,
      ground: { type: 'none' },
      layers: [photo, step],
    });
    expect(laid.data).toEqual(raster.data);
    expect(laid.data).not.toEqual(own.data);
  },
);

test.each(steps)(
  '%s: alpha is never touched, and a see-through px takes the colour it would take opaque',
  (_, step) => {
    const solid = noisy(20, 20, () => 255);
    const clear = noisy(20, 20, (i) => (i * 7) % 256);
    const laid = layRecipe(recipe([step]));
    laid.on(solid);
    laid.on(clear);
    for (let i = 0; i < 400; i++) {
      expect(clear.data[i * 4 + 3]).toBe((i * 7) % 256);
      for (let c = 0; c < 3; c++) {
        expect(clear.data[i * 4 + c]).toBe(solid.data[i * 4 + c]);
      }
    }
  },
);

test('what becomes of one colour is what becomes of a px of it', () => {
  const laid = layRecipe(
    recipe(
      [newHue('h', '#a9b79a'), { ...newTone('t'), brightness: 1.4 }, newWash('w', '#efe9dc', 0.13)],
      true,
    ),
  );
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 255 }),
      fc.integer({ min: 0, max: 255 }),
      fc.integer({ min: 0, max: 255 }),
      (r, g, b) => {
        const one = createRaster(1, 1);
        one.data.set([r, g, b, 128]);
        laid.on(one);
        expect([...one.data]).toEqual([...Object.values(laid.colour({ r, g, b })), 128]);
      },
    ),
  );
});

test('greys and near-whites are left alone where that is wanted, and colours are not', () => {
  const laid = layRecipe(recipe([newWash('w', '#a4553a', 0.6)], true));
  const all = layRecipe(recipe([newWash('w', '#a4553a', 0.6)]));
  for (let v = 0; v < 256; v++) {
    expect(laid.colour({ r: v, g: v, b: v })).toEqual({ r: v, g: v, b: v });
  }
  expect(laid.colour({ r: 250, g: 248, b: 243 })).toEqual({ r: 250, g: 248, b: 243 });
  for (const rgb of [
    { r: 63, g: 81, b: 97 },
    { r: 0x7a, g: 0x4a, b: 0x2f },
    { r: 200, g: 40, b: 40 },
  ]) {
    expect(laid.colour(rgb)).toEqual(all.colour(rgb));
  }
  // From a grey to a colour there is no step: what is anti-aliased against a grey keeps its edge.
  let last = neutralShare({ r: 90, g: 90, b: 90 });
  for (let v = 90; v <= 120; v++) {
    const s = neutralShare({ r: 90, g: 90, b: v });
    expect(last - s).toBeLessThan(0.35);
    last = s;
  }
  expect(last).toBe(0);
});

test('hidden steps and those without strength do nothing', () => {
  const laid = layRecipe(
    recipe([
      { ...newWash('w', '#ff0000'), hidden: true },
      { ...newWash('v', '#ff0000'), opacity: 0 },
    ]),
  );
  const raster = strip();
  expect(laid.idle).toBe(true);
  laid.on(raster);
  expect(raster.data).toEqual(strip().data);
});

test('a texture of a raster that was made smaller is made as much smaller', () => {
  const at = (scale: number) => {
    const r = strip();
    const laid = layRecipe(recipe([newTexture('t', 'stripes', '#ffffff')]));
    laid.on(r, scale);
    return r.data;
  };
  expect(at(0.5)).not.toEqual(at(1));
});

test('as a layer it draws the same pixels, keeps see-through px, and its textures grow with the slot', () => {
  const layer = newRecipeLayer(
    'l',
    recipe([newWash('w', '#a9b79a', 0.48), newTexture('t', 'dots', '#000000')]),
  );
  const kind = kindOf(layer);
  const own = noisy(12, 9, (i) => (i % 3 ? 255 : 90));
  const wanted = { ...own, data: own.data.slice() };
  layRecipe(layer.recipe).on(wanted);
  const paint = drawOf(layer)(layer, { width: 12, height: 9 } as never);
  expect(paint?.type === 'rework' && paint.rework(own).data).toEqual(wanted.data);
  expect(
    (kind.scaled!(layer, 2) as typeof layer).recipe.steps.map((s) =>
      s.kind === 'texture' ? s.scale : 0,
    ),
  ).toEqual([0, 16]);
});

test('taken from a picture: its recolouring of everything, those of its recipes too, and nothing that lies in a part of it', () => {
  const inBox: Layer = {
    ...newWash('box', '#000000'),
    extent: { type: 'box', x: 0, y: 0, width: 5, height: 5, soft: 0 },
  };
  const beneath: Layer = { ...newHue('one', '#a9b79a'), reach: 'beneath' };
  const layers: Layer[] = [
    newWash('w', '#a9b79a'),
    inBox,
    beneath,
    { ...newTone('gone'), hidden: true },
    newRecipeLayer('r', recipe([newHue('h', '#a9b79a')])),
    newTexture('t', 'grain', '#000000'),
  ];
  expect(recolouringOf({ layers })).toMatchObject({
    steps: [{ id: 'w' }, { id: 'h' }, { id: 't' }],
    spare: false,
    hues: null,
  });
  // A recipe at half its strength that leaves greys alone is taken as it lies.
  const half = {
    ...newRecipeLayer('r', recipe([newWash('w', '#a9b79a', 0.48)], true)),
    opacity: 0.5,
  };
  const taken = recolouringOf({ layers: [half] });
  expect(taken).toMatchObject({ steps: [{ opacity: 0.24 }], spare: true });
  expect(recolouringOf({ layers: [{ ...half, hidden: true }] })).toEqual({
    steps: [],
    spare: false,
    hues: null,
  });
});

test('a recipe from outside is refused where a step lies in a part of a picture, reaches one layer or is none', async () => {
  const refused = (step: object) =>
    recipeSchema.isValid({ ...recipe([]), steps: [step] }, { strict: true }).then((v) => !v);
  expect(await refused(newWash('w', '#a9b79a'))).toBe(false);
  expect(
    await refused({
      ...newWash('w', '#a9b79a'),
      extent: { type: 'side', side: 'left', full: 0, reach: 9 },
    }),
  ).toBe(true);
  expect(await refused({ ...newHue('h', '#a9b79a'), reach: 'beneath' })).toBe(true);
  expect(await refused({ ...newWash('w', '#a9b79a'), kind: 'photo' })).toBe(true);
});

const byHue: Recipe = {
  ...recipe([newHue('h', '#a9b79a')]),
  spare: true,
  hues: ['#2a6f77'],
  byHue: [{ hue: '#c8752e', to: '#2b5876', steps: [newHue('o', '#2b5876')] }],
};

test('hues with a recipe of their own go that way, others with the steps, the rest stays', () => {
  const laid = layRecipe(byHue);
  const alone = (part: Partial<Recipe>) => layRecipe({ ...byHue, byHue: undefined, ...part });
  const [teal, rust, violet, grey] = [
    { r: 42, g: 111, b: 119 },
    { r: 200, g: 117, b: 46 },
    { r: 122, g: 62, b: 157 },
    { r: 130, g: 130, b: 130 },
  ];
  expect(laid.colour(teal)).toEqual(alone({}).colour(teal));
  expect(laid.colour(rust)).toEqual(
    alone({ steps: byHue.byHue![0].steps, hues: ['#c8752e'] }).colour(rust),
  );
  expect(laid.colour(rust)).not.toEqual(rust);
  expect([laid.colour(violet), laid.colour(grey)]).toEqual([violet, grey]);
  // Looked at together they are what each is alone.
  const many = layRecipe(byHue);
  many.learn([teal, rust, violet, grey]);
  expect([teal, rust, violet, grey].map(many.colour)).toEqual(
    [teal, rust, violet, grey].map(laid.colour),
  );
});

test('a picture of both hues is that of its colours, and as see-through as it was', () => {
  const laid = layRecipe(byHue);
  const raster = createRaster(2, 1);
  raster.data.set([42, 111, 119, 255, 200, 117, 46, 90]);
  laid.on(raster);
  const [a, b] = [laid.colour({ r: 42, g: 111, b: 119 }), laid.colour({ r: 200, g: 117, b: 46 })];
  expect([...raster.data]).toEqual([a.r, a.g, a.b, 255, b.r, b.g, b.b, 90]);
  expect(layRecipe({ ...byHue, steps: [], byHue: [] }).idle).toBe(true);
  expect(layRecipe({ ...byHue, steps: [] }).idle).toBe(false);
});

test('a recipe with hues of their own is kept and drawn as such', () => {
  expect(recipeSchema.validateSync(byHue, { strict: true })).toEqual(byHue);
  const layer = newRecipeLayer('l', byHue);
  expect(kindOf(layer).key(layer, { width: 1, height: 1 })).not.toBe(
    kindOf(layer).key(
      newRecipeLayer('l', { ...byHue, byHue: [{ ...byHue.byHue![0], to: '#2b5877' }] }),
      { width: 1, height: 1 },
    ),
  );
  expect(recolouringOf({ layers: [layer] })).toMatchObject({ byHue: byHue.byHue });
});
