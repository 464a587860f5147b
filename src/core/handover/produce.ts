import { strFromU8, strToU8 } from 'fflate';
import { isActive } from '../recolour/activeSteps';
import { SetStopped } from '../set/listener';
import { assetsOf } from '../site/assets';
import type { OwnPage } from '../site/model/ownPage';
import type { Site } from '../site/model/site';
import { licenceOf } from '../text/fonts';
import { creditsPage, creditsOf } from './credits';
import { planFiles, type SlotFiles } from './filePlan';
import { fontEnding, handedFonts } from './fontFaces';
import { creditsName, markupName, siteFileName, styleSheetName } from './names';
import { ownPageChanges, type OwnPageChanges } from './ownPageChanges';
import { ownPageFiles, type Taken } from './ownPageFiles';
import { pageDocument, pageFiles } from './page';
import { pageWishes } from './pageWishes';
import { drawSlots, plannedFiles } from './plannedFiles';
import {
  HandOverStopped,
  stopIfUnwanted,
  type HandedFile,
  type HandOverListener,
  type HandOverPorts,
} from './ports';
import { snippetsFor } from './snippets';

/** Everything a host is given, with what it was made from. */
export interface HandOver {
  readonly plan: readonly SlotFiles[];
  readonly files: readonly HandedFile[];
  /** The lines of each slot alone, by its id. */
  readonly snippets: ReadonlyMap<string, { readonly css: string; readonly html: string }>;
  readonly css: string;
  readonly html: string;
  readonly credits: { readonly text: string; readonly html: string };
  /** Of each page of the owner's own, what changes of its files. */
  readonly own: readonly OwnPageChanges[];
}

const text = (path: string, type: string, content: string): HandedFile => ({
  path,
  type,
  bytes: strToU8(content) as Uint8Array<ArrayBuffer>,
});

/**
 * Style sheet and markup of all slots, each under the slot's name; slots with the same lines on
 * several pages once.
 */
export function allSnippets(
  site: Site,
  plan: readonly SlotFiles[],
): Pick<HandOver, 'snippets' | 'css' | 'html'> {
  // A second arrangement is laid by the lines of the slot that it stands in for.
  const laid = plan.filter(({ slot }) => !site.slots.some((s) => s.narrow?.slot === slot.id));
  const snippets = new Map(
    laid.map(({ slot }) => [slot.id, snippetsFor(site, plan, slot.id)] as const),
  );
  const clean = (name: string) => name.replaceAll('*/', '').replaceAll('--', '–');
  return {
    snippets,
    css: laid
      .map(({ slot }) => `/* ${clean(slot.name)} */\n${snippets.get(slot.id)!.css}`)
      .join('\n'),
    html: laid
      .map(({ slot }) => `<!-- ${clean(slot.name)} -->\n${snippets.get(slot.id)!.html}`)
      .join('\n'),
  };
}

/** A picture of a page shows nothing that is laid in it; its drawing is handed over. */
const isServed = (own: OwnPage | null): own is OwnPage => own !== null && own.from !== 'picture';

/** Where a theme's files go, if any of their names is taken by one of ours. */
export const themeFolder = 'theme';

/**
 * The files of a recoloured theme among the others: a picture that is on the plan is the plan's.
 */
async function themeFiles(
  site: Site,
  ports: HandOverPorts,
  files: readonly HandedFile[],
  listener: HandOverListener,
): Promise<HandedFile[]> {
  const { set } = site;
  if (!set || !isActive(set.recipe)) {
    return [];
  }
  const made = await ports
    .theme(set, { wanted: listener.wanted, onProgress: listener.onProgress })
    .catch((error: unknown) => {
      throw error instanceof SetStopped ? new HandOverStopped(error.message) : error;
    });
  const pictures = new Map(files.flatMap((f) => (f.planned ? [[f.path, f.bytes] as const] : [])));
  const others = new Set(files.flatMap((f) => (f.planned ? [] : [f.path])));
  const apart = made.some((f) => others.has(f.path));
  return made.flatMap(({ path, type, bytes, changed }): HandedFile[] => {
    const planned = pictures.get(path);
    if (planned && !apart) {
      return [];
    }
    return [
      {
        path: apart ? `${themeFolder}/${path}` : path,
        type,
        bytes: planned ?? bytes,
        theme: changed || planned ? 'changed' : 'as it was',
      },
    ];
  });
}

/**
 * Draws and writes everything that is handed over for a site: its files, style sheet, markup,
 * credits, a document for each page that shows them together, and the site file.
 * @throws HandOverStopped when the listener did not want it any more
 */
export async function produceHandOver(
  site: Site,
  ports: HandOverPorts,
  listener: HandOverListener,
): Promise<HandOver> {
  const check = () => stopIfUnwanted(listener);
  const { held, opaque } = await drawSlots(site, ports, listener);
  const plan = planFiles(site, (id) => opaque.get(id) ?? true);
  const files: HandedFile[] = await plannedFiles(site, plan, held, ports, listener);
  check();
  const fontBytes = new Map<string, Uint8Array<ArrayBuffer>>();
  for (const font of site.fonts) {
    fontBytes.set(font.assetId, await ports.asset(font.assetId));
  }
  const fonts = handedFonts(site, (id) => fontEnding(fontBytes.get(id) ?? new Uint8Array()));
  for (const { path, source } of fonts) {
    files.push({
      path,
      type: `font/${path.slice(path.lastIndexOf('.') + 1)}`,
      bytes:
        'shipped' in source
          ? await ports.shippedFont(source.shipped)
          : fontBytes.get(source.assetId)!,
    });
  }
  const licences = new Map(
    fonts.flatMap(({ source }) => {
      const licence = 'shipped' in source ? licenceOf(source.shipped) : undefined;
      return licence ? [[licence.file, licence] as const] : [];
    }),
  );
  for (const licence of licences.values()) {
    files.push({
      path: `fonts/${licence.file}`,
      type: 'text/plain',
      bytes: await ports.shippedFont(licence),
    });
  }
  const lines = allSnippets(site, plan);
  const credits = creditsPage(creditsOf(site).map((c) => c.item));
  const names = pageFiles(site);
  const css = `${fonts.map((f) => f.css).join('')}\n${lines.css}`;
  files.push(text(styleSheetName, 'text/css', css), text(markupName, 'text/html', lines.html));
  for (const page of site.pages.filter((p) => !isServed(p.own))) {
    files.push(
      text(
        names.get(page.id)!,
        'text/html',
        pageDocument(site, page, plan, styleSheetName, credits.html),
      ),
    );
  }
  if (credits.text) {
    files.push(
      text(creditsName, 'text/html', credits.html),
      text('credits.txt', 'text/plain', credits.text),
    );
  }
  files.push(...(await themeFiles(site, ports, files, listener)));
  const taken: Taken = new Map(files.map((f) => [f.path, f.planned ? 'planned' : 'ours']));
  const changes: OwnPageChanges[] = [];
  for (const { id, own } of site.pages) {
    if (isServed(own)) {
      const survey = await ports.survey(strFromU8(await ports.asset(own.survey)));
      const wishes = pageWishes(own, survey, plan);
      files.push(...(await ownPageFiles(own, names.get(id)!, wishes, taken, ports.asset)));
      changes.push(await ownPageChanges({ id, own }, wishes, site.handOver.pageFiles, ports.asset));
    }
  }
  const assets = new Map<string, Uint8Array<ArrayBuffer>>();
  for (const id of assetsOf(site)) {
    assets.set(id, await ports.asset(id));
  }
  files.push({
    path: siteFileName(site),
    type: 'application/zip',
    bytes: await ports.packSite({ site, assets }),
  });
  const pictures = files.filter((f) => f.planned).length;
  listener.onProgress(pictures, pictures, '');
  return { plan, files, ...lines, css, credits, own: changes };
}
