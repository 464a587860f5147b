/** The sample theme recoloured, laid on a plan and handed over with its site. */
import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { strFromU8 } from 'fflate';
import sharp from 'sharp';
import { assetsOf } from '@/core/site/assets';
import { readSiteFile, writeSiteFile } from '@/core/handover/siteFile';
import { uploadedFiles } from '@/core/handover/uploaded';
import { HandOverStopped } from '@/core/handover/ports';
import { produceHandOver, type HandOver } from '@/core/handover/produce';
import { zipFiles } from '@/core/handover/zipFiles';
import { newWash } from '@/core/layers/fill';
import { editSet, keepRecipe, layOnPlan, openPieces, placedPieces } from '@/core/set/edits';
import { openSet } from '@/core/set/openSet';
import { rolesOf } from '@/core/set/roles';
import { applyEdit, chain } from '@/core/site/edit';
import type { PieceSet } from '@/core/site/model/pieceSet';
import type { Recipe } from '@/core/site/model/recipe';
import { newSite } from '@/core/site/newSite';
import { slotsOn } from '@/core/site/pages';
import { pictureOf } from '@/core/site/picture';
import { readSite } from '@/core/site/schema';
import { readRecipe, writeRecipe } from '@/core/recolour/recipeFile';
import { nodePorts, type NodePorts } from '@/engine/node';
import { nodeCodecs } from '@/engine/nodeCodecs';
import { createHost } from '@/standins/host/host';
import { hostLimits } from '@/standins/host/limits';
import { lookInto } from '@/standins/host/look';

const recipe: Recipe = {
  id: 'r',
  name: 'Celadon',
  steps: [newWash('w', '#f3fec2', 0.59)],
  spare: true,
  hues: null,
};
const assets = new Map<string, Uint8Array<ArrayBuffer>>();
const filed = ({ path, bytes }: { path: string; bytes: Uint8Array<ArrayBuffer> }) => {
  const assetId = createHash('sha256').update(bytes).digest('hex');
  assets.set(assetId, bytes);
  return { path, assetId, bytes: bytes.length };
};

const opened = openSet([
  { path: 'slate-theme.zip', bytes: new Uint8Array(readFileSync('public/sample/slate-theme.zip')) },
]);
const set: PieceSet = {
  name: opened.name,
  pieces: opened.pieces.map((p) => ({
    ...filed(p),
    width: p.width,
    height: p.height,
    format: p.format,
    leftOut: false,
  })),
  sheets: opened.sheets.map(filed),
  others: opened.others.map((o) => ({ ...filed(o), why: o.why })),
  recipe,
  follows: [],
  from: '#3f5161',
  to: '#a9b79a',
  lines: { 'slate/style.css:1': false, 'slate/style.css:2': '#102030' },
};
const roles = rolesOf(
  opened.sheets.map((s) => ({ path: s.path, text: strFromU8(s.bytes) })),
  set.pieces,
);
const site = applyEdit(
  newSite('slate-site', 'home', 'Slate site'),
  chain(openPieces(set), keepRecipe(recipe), layOnPlan(set, roles, 'home', '#a9b79a')),
);

test('the sample theme has the pieces it says, each with what it is for, and one picture that moves and stays', () => {
  expect(opened).toMatchObject({ name: 'slate', sheets: [{ path: 'slate/style.css' }] });
  expect(opened.pieces).toHaveLength(30);
  expect(opened.others.filter((o) => o.why).map((o) => o.path)).toEqual([
    'slate/images/waiting.gif',
  ]);
  const title = (name: string) => roles.get(`slate/images/${name}`)!.title;
  expect([
    title('strip.png'),
    title('header.jpg'),
    title('mark.png'),
    title('menu-left.png'),
    title('button.png'),
    title('frame.png'),
    title('bullet.gif'),
    title('sidebar.png'),
    title('ridge.svg'),
    title('corner-top-left.png'),
  ]).toEqual([
    'Gradient strip',
    'Header',
    'Corner mark',
    'Menu end',
    'Button',
    'Border corners',
    'Bullet',
    'Sidebar strip',
    'Divider',
    'Corner',
  ]);
});

test('a site with a set and recipes is one the schema accepts; a path out of the folder is not', () => {
  expect(readSite(JSON.parse(JSON.stringify(site)))).toEqual(site);
  for (const path of ['../a.png', 'a/../../b.png', '/etc/a.png', 'c:\\a.png', '..\\a.png']) {
    expect(() =>
      readSite({ ...site, set: { ...set, others: [{ ...set.others[0], path }] } }),
    ).toThrow('Expected a path inside');
  }
  expect(() => readSite({ ...site, set: { ...set, lines: { a: 'reddish' } } })).toThrow();
});

test('pieces with a place lie in slots of their size with the recipe; laid again, nothing doubles; a slot the owner has is used', () => {
  expect(placedPieces(set, roles).map((p) => p.path.split('/').at(-1))).toEqual([
    'strip.png',
    'header.jpg',
    'mark.png',
    'sidebar.png',
    'ridge.svg',
  ]);
  expect(
    slotsOn(site, site.pages[0])
      .map((s) => s.replaces?.split('/').at(-1))
      .sort(),
  ).toEqual(['header.jpg', 'mark.png', 'ridge.svg', 'sidebar.png', 'strip.png']);
  expect(site.pages[0].ground).toBe('#a9b79a');
  const again = applyEdit(
    site,
    layOnPlan(
      { ...set, recipe: { ...recipe, steps: [newWash('w', '#a4553a', 0.3)] } },
      roles,
      'home',
    ),
  );
  expect(again.slots).toHaveLength(site.slots.length);
  for (const slot of again.slots) {
    expect(
      pictureOf(again, slot).layers.map((l) =>
        l.kind === 'recipe' ? l.recipe.steps[0].opacity : l.kind,
      ),
    ).toEqual(['photo', 0.3]);
  }
});

test('a recipe goes out as a file and comes in as it was; others are refused with what was expected', () => {
  expect(readRecipe('celadon.recipe.json', writeRecipe(recipe), 'new')).toEqual({
    ...recipe,
    id: 'new',
  });
  const refusal = (text: string) => {
    try {
      readRecipe('a.json', text, 'x');
    } catch (error) {
      return (error as Error).message;
    }
    return '';
  };
  expect(refusal('{')).toBe('a.json: expected a recipe to be JSON, found something else.');
  expect(refusal('{"a":1}')).toBe('a.json: expected a recipe, found JSON of another kind.');
  expect(refusal('{"recipeVersion":9}')).toBe(
    'a.json: expected a recipe of version 1, found version 9.',
  );
  const withStep = (changed: object) =>
    refusal(
      JSON.stringify({
        recipeVersion: 1,
        name: 'x',
        spare: false,
        hues: null,
        steps: [{ ...recipe.steps[0], ...changed }],
      }),
    );
  expect(withStep({ colour: 'grue' })).toBe('a.json: expected steps[0].colour as #rrggbb.');
  expect(withStep({ extent: undefined })).toBe(
    'a.json: expected a step that reaches all of a picture.',
  );
  expect(withStep({ opacity: 'all' })).toBe(
    'a.json: expected a number at steps[0].opacity, found “all”.',
  );
});

describe('handed over with the site', () => {
  let ports: NodePorts;
  let made: HandOver;
  const file = (path: string) => made.files.find((f) => f.path === path)!;
  beforeAll(async () => {
    ports = await nodePorts(site, assets);
    made = await produceHandOver(site, ports, { wanted: () => true, onProgress: () => {} });
  }, 120_000);
  afterAll(() => ports.close());

  test('every file of the theme goes along under its path, what is on the plan as the plan’s, the rest recoloured or as it was', async () => {
    const paths = made.files.map((f) => f.path);
    for (const { path } of [...set.pieces, ...set.sheets, ...set.others]) {
      expect(paths.filter((p) => p === path)).toEqual([path]);
    }
    expect(file('slate/images/header.jpg').planned).toBeDefined();
    expect(file('slate/images/button.png')).toMatchObject({ theme: 'changed', type: 'image/png' });
    expect(file('slate/images/waiting.gif')).toMatchObject({ theme: 'as it was' });
    expect(await sharp(file('slate/images/header.jpg').bytes).metadata()).toMatchObject({
      width: 1020,
      height: 212,
      format: 'jpeg',
    });
    expect(strFromU8(file('recoloured.txt').bytes)).toContain('slate, recoloured with “Celadon”');
  });

  test('a theme whose names are those of our files lies in a folder of its own, with the plan’s pictures in it', async () => {
    const flat = applyEdit(
      site,
      chain(
        editSet((s) => {
          for (const f of [...s.pieces, ...s.sheets, ...s.others]) {
            f.path = f.path.replace('slate/', '');
          }
          s.lines = {};
        }),
        (s) => {
          for (const slot of s.slots) {
            slot.replaces = slot.replaces!.replace('slate/', '');
          }
        },
      ),
    );
    const { files } = await produceHandOver(flat, ports, {
      wanted: () => true,
      onProgress: () => {},
    });
    const at = (path: string) => files.find((f) => f.path === path);
    expect([at('style.css')!.theme, at('theme/style.css')!.theme]).toEqual([undefined, 'changed']);
    expect(at('theme/images/header.jpg')!.bytes).toEqual(at('images/header.jpg')!.bytes);
  });

  test('the site file holds the theme’s files too and comes back whole', async () => {
    const bytes = writeSiteFile({ site, assets });
    const back = readSiteFile('slate.soyez', bytes);
    expect(back.site).toEqual(site);
    expect([...back.assets.keys()].sort()).toEqual(assetsOf(site).sort());
    for (const [id, content] of back.assets) {
      expect(content).toEqual(assets.get(id));
    }
  });

  test('the host serves the theme’s own pages beside the plan’s', async () => {
    const { codecs, close } = await nodeCodecs();
    try {
      const host = createHost({
        look: (upload) => lookInto(upload, { codecs: async () => codecs, limits: hostLimits }),
        now: () => 1,
        limits: hostLimits,
      });
      const state = await host.receive('slate-site', zipFiles(uploadedFiles(site, made.files)));
      expect(state.pages).toEqual([
        { name: 'Home', path: 'home.html' },
        { name: 'slate/index.html', path: 'slate/index.html' },
      ]);
      expect(host.file('slate-site', 'slate/images/button.png')).toMatchObject({
        type: 'image/png',
        bytes: file('slate/images/button.png').bytes,
      });
      expect(host.file('slate-site', 'slate/images/letter.svg')).toMatchObject({
        type: 'image/svg+xml',
      });
    } finally {
      close();
    }
  });

  test('it can be given up while the theme is written, and a set without a recipe hands over nothing', async () => {
    let asked = 0;
    await expect(
      produceHandOver(
        site,
        { ...ports, encode: async () => new Uint8Array(1) },
        { wanted: () => ++asked < 16, onProgress: () => {} },
      ),
    ).rejects.toThrow(HandOverStopped);
    const idle = applyEdit(
      site,
      editSet((s) => {
        s.recipe.steps = [];
      }),
    );
    expect(
      (
        await produceHandOver(
          idle,
          { ...ports, encode: async () => new Uint8Array(1) },
          { wanted: () => true, onProgress: () => {} },
        )
      ).files.some((f) => f.theme),
    ).toBe(false);
  });
});
