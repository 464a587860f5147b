/**
 * Whether a patched page shows what it should, said by the check, against what the cascade says of
 * rules that outdo others (CSS Cascading and Inheritance Level 5, section 6.1).
 */
import { expect, inNewTab as test } from './bench.fixture';
import { application, bundled } from './frozenPage.fixture';

const script = bundled({
  checkPage: 'engine/page/checkPage',
  openPages: 'core/ownPage/openPages',
  pageWishes: 'core/handover/pageWishes',
  patchedFrozen: 'core/handover/patchedFrozen',
  askedOf: 'core/handover/patchedFrozen',
});

type Ruled = 'page' | 'own' | 'important';
const none = { page: [], own: [], important: [] };
const all = [400, 1200];

/** What a style sheet does beside the rule that lays the picture, and the screens at which that wins. */
const forms: Readonly<Record<string, readonly [css: string, Record<Ruled, readonly number[]>]>> = {
  nothing: ['.box{color:red}', none],
  'a later rule, as specific': ['.box{background-position:0 0}', { ...none, page: all }],
  'a rule that is more specific': [
    'body #it.box{background-position:0 0}',
    { page: all, own: all, important: [] },
  ],
  'an important one': [
    '@media (max-width:700px){.box{background-position:0 0 !important}}',
    { page: [400], own: [400], important: [] },
  ],
  'an important one with ids': [
    '#it#it{background-position:0 0 !important}',
    { page: all, own: all, important: [] },
  ],
  'an important one in a layer, which no rule outside of layers outdoes': [
    '@layer late{.box{background-position:0 0 !important}}',
    { page: all, own: all, important: all },
  ],
};

for (const [name, [css, wanted]] of Object.entries(forms)) {
  test(`what undoes a patched rule is seen: ${name} @landing`, async ({ browser }) => {
    const app = await application(browser);
    await app.addScriptTag({ content: script });
    const found = await app.evaluate(
      async ({ more, screens }) => {
        const g = globalThis as never as Record<string, (...of: unknown[]) => never>;
        const bytes = (text: string) => new TextEncoder().encode(text);
        const gif = Uint8Array.from(atob('R0lGODlhAQABAAAAACw='), (c) => c.charCodeAt(0));
        const sheet = `.box{height:100px;background:url(a.gif) 50% 20% no-repeat}\n${more}`;
        const html =
          '<!doctype html><head><link rel=stylesheet href=a.css></head><body><div class=box id=it></div><div></div><p>Words</p>';
        type Frozen = { files: { path: string }[] };
        const [{ page }] = g.openPages([
          { path: 'i.html', bytes: bytes(html) },
          { path: 'a.css', bytes: bytes(sheet) },
          { path: 'a.gif', bytes: gif },
        ]) as { page: Frozen }[];
        const host = document.createElement('div');
        document.body.append(host);
        type Asks = {
          survey(w: unknown, r: unknown): Promise<{ pictures: { selector: string }[] }>;
        };
        const frame = (await g.openPageFrame(host, page)) as Asks;
        const survey = await frame.survey(screens, async (sheets: string[]) =>
          sheets.map((text) => g.rulesNamingFiles(text)),
        );
        const percent = (value: number) => ({ value, unit: '%' });
        const slot = {
          id: 's',
          name: 'S',
          replaces: 'a.gif',
          width: 1,
          height: 1,
          repeat: 'no-repeat',
          size: { x: 'auto', y: 'auto' },
          position: { x: percent(100), y: percent(50) },
          attachment: 'scroll',
        };
        const file = { path: 'a.gif', width: 1, height: 1 };
        const results: Record<string, (string | number)[]> = {};
        for (const ruled of ['page', 'own', 'important']) {
          const place = { ...survey.pictures[0], slot: 's', rect: null, measured: null, ruled };
          const own = { file: 'i.html', files: page.files, places: [place], inks: [] };
          const wishes = g.pageWishes(own, survey, [{ slot, files: [file] }]) as {
            places: { declared: unknown }[];
          };
          const { selector } = survey.pictures[0];
          const check = (await g.checkPage(
            host,
            {
              before: page,
              after: g.patchedFrozen(page, wishes, [{ ...file, type: 'image/gif', bytes: gif }]),
              survey,
              asked: g.askedOf(own, wishes),
              lying: [{ selector, pseudo: '', declared: wishes.places[0].declared }],
              words: [],
            },
            () => true,
          )) as { faults: { kind: string; screens: number[] }[] };
          results[ruled] = check.faults.flatMap<string | number>(({ kind, screens: at }) =>
            kind === 'laid otherwise' ? at : [kind],
          );
        }
        return results;
      },
      { more: css, screens: all },
    );
    expect(found).toEqual(wanted);
    await app.close();
  });
}
