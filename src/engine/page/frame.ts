import { lazily } from '@/core/lazily';
import type { Mask, Raster } from '@/core/raster/raster';
import type { FrozenPage } from '@/core/ownPage/frozen';
import type { PointedBox } from '@/core/ownPage/pointing';
import type { PageAtWidth, PageRect, PageSurvey } from '@/core/ownPage/survey';
import { pictureAt } from '@/core/ownPage/takeOver';
import type { Size } from '@/core/frame/placement';
import type { PageWords, WordsSeen } from '@/core/legibility/pageWords';
import type { CoverGrid } from '@/core/ownPage/uncovered';
import type { Spans } from '@/core/files/spans';
import type { LoneRule } from '@/core/theme/loneRules';
import { coverGrids } from './occlusions';
import { edgesOver, standIn } from '@/core/ownPage/overEdges';
import { outdoing } from '@/core/ownPage/outdoing';
import type { Declared } from '@/core/ownPage/patch/sheetPatches';
import { measuredSides } from '@/core/ownPage/colourRuns';
import { meetingSides, surroundOf } from '@/core/ownPage/surround';
import type { MeasuredPlace, OwnPlace, SurroundAt } from '@/core/site/model/ownPage';
import { boxesOn } from './boxes';
import { namedFiles, openFrameDocument, patience, within } from './frameDocument';
import { idleRulesOf } from './idleRules';
import { inkRulesOf } from './inkRule';
import type { RuleReader } from './layingRules';
import { LivePagePicture } from './livePicture';
import { isolated } from './isolated';
import { coverOf } from './coverOf';
import { MainThreadTurns } from '../yieldToMain';
import { filledNow, paintedBy, paintedNow, type PictureNow } from './placing';
import { rasterise, type FilesRead, type RasterWanted } from './rasterise';
import { heightOf, rectOf, viewOf } from './rect';
import { Restyled, type ReadLaying, type SheetTexts } from './restyle';
import { shownIn } from './shownFile';
import { PageScheme } from './scheme';
import { ShortestSelectors } from './selectors';
import { measurePage, surveyPage } from './survey';
import { lookOf, wordsOn } from './words';
import { wordsLyingOver } from './wordsOver';
import { FileSwaps } from './swaps';

/** What a picture is laid in place of. */
export interface PictureTarget {
  /** Of a file of the page; undefined where there is none yet. */
  readonly key: string | undefined;
  /** Of the element that it then fills. */
  readonly selector: string;
}

/** How a background is to lie from now on. */
export interface LyingRule {
  /** Of the element, and its part before or after its content. */
  readonly selector: string;
  readonly pseudo: string;
  readonly declared: readonly Declared[];
}

/** A place with the px of the picture that lies there. */
export interface AskedPicture {
  readonly place: OwnPlace;
  readonly file: Size;
}

/** A picture that is shown, which of those asked it is, and px of its file. */
interface SwappedPicture extends Size {
  readonly i: number;
  readonly at: PictureNow;
  readonly address: string;
}

export interface AdjacentPixelsRequest extends AskedPicture {
  readonly target: PictureTarget;
}

export type AdjacentPixels = Pick<MeasuredPlace, 'surround' | 'meets' | 'over'>;
export type ScaledAdjacentPixels = Omit<SurroundAt, 'screen'>;

/** A page of the owner's, laid out by the browser. */
export interface PageFrame {
  readonly element: HTMLIFrameElement;
  /**
   * Lays the page out at a width of the screen, and as high as it then is or as is said. Done when
   * its pictures are those of that width.
   */
  show(width: number, height?: number): Promise<void>;
  /** Which of its colour schemes it takes. */
  scheme(scheme: 'light' | 'dark'): void;
  /**
   * Shows it with other texts in place of its style sheets; with its own again where there are none.
   * @returns false where one cannot be exchanged
   */
  restyle(texts: SheetTexts | undefined): boolean;
  /** Makes that quick. @param came texts of the style sheets that its patches will be of */
  readySheets(came: SheetTexts['came'], read: ReadLaying): Promise<void>;
  /** Which rules select nothing on it, whatever its width. */
  idleRules(rules: readonly LoneRule[]): Promise<Spans>;
  /** What it paints, and where at each of the widths; it is shown as before afterwards. */
  survey(widths: readonly number[], readRules: RuleReader): Promise<PageSurvey>;
  /**
   * Where parts and pictures of a survey lie as the page is shown now.
   * @param wanted selectors of the elements that have the pictures
   */
  measure(survey: Pick<PageSurvey, 'parts'>, wanted: readonly string[]): PageAtWidth;
  /** Where a place's picture lies now; undefined where it is not shown. @param file px of it */
  placed(survey: PageSurvey, place: OwnPlace, file: Size): PictureNow | undefined;
  /** The same of several, in their order. */
  placedAll(
    survey: PageSurvey,
    asked: readonly AskedPicture[],
  ): readonly (PictureNow | undefined)[];
  /** Where pictures lie under something opaque now, in their order. */
  covers(
    shown: readonly {
      readonly selector: string;
      readonly root: boolean;
      readonly part: PageRect;
    }[],
  ): CoverGrid[];
  /** Whether words of the page lie on pictures, each where it lies now. */
  wordsOver(
    pictures: readonly {
      readonly place: OwnPlace;
      readonly root: boolean;
      readonly area: PageRect;
    }[],
  ): boolean[];
  /**
   * The words of the page over a place's picture, and what the window shows without any words.
   * @param area that shows the picture, px of the page
   */
  wordsSeen(place: OwnPlace, root: boolean, area: PageRect, top: number): Promise<WordsSeen>;
  /**
   * Shows another picture in the place of one, wherever the page names that.
   * @param address of it; undefined for what the page has of its own
   */
  lay(target: PictureTarget, address: string | undefined): void;
  /** Shows a picture there that changes. @param settled its newest state is in the page */
  live(target: PictureTarget, settled?: () => void): LivePagePicture;
  /** Of the whole page as it is laid out now, px. */
  height(): number;
  /** Moves the page in its window. @param top px of the page that the window begins at */
  scrollTo(top: number): void;
  /** Everything that can be pointed at as it is laid out now, from back to front. */
  boxes(): PointedBox[];
  /** The shortest selector of a box that was pointed at. */
  selectorOf(id: number): string;
  /** What a place shows now; undefined where its element is not shown. */
  shows(place: OwnPlace): { readonly key: string | undefined; readonly laid: string } | undefined;
  /** Colour of the words of an element, as the browser computed it. */
  colourOf(selector: string): string | undefined;
  /** Boxes of all that lies in its body, in the order of the document; fractions as they are. */
  rects(): DOMRect[];
  /**
   * Selector of the outermost that lies elsewhere than in those boxes, by more than so many px.
   * @param except elements that are not asked, by their selectors
   */
  movedFrom(rects: readonly DOMRect[], px: number, except: readonly string[]): string | undefined;
  /** Lays pictures otherwise than the page does; nothing else of it is touched. */
  lie(rules: readonly LyingRule[]): void;
  /** What a rule of its own, after all others, has to outdo to lay a picture in an element. */
  ruledBy(selector: string): 'own' | 'important';
  /** Where the element of a selector lies now; undefined where there is none, or it is not shown. */
  rectOf(selector: string): PageRect | undefined;
  /**
   * What the page paints beside pictures, and at which sides they go over into it, once the page is
   * shown as high as it is; undefined where it does not show one, or is too high to be read.
   */
  surrounds(
    survey: PageSurvey,
    asked: readonly AdjacentPixelsRequest[],
  ): Promise<readonly (AdjacentPixels | undefined)[]>;
  /**
   * What the page paints beside pictures in its own px, as it is shown now; undefined where it does
   * not show one, or is too high to be read.
   */
  scaledSurrounds(
    survey: PageSurvey,
    asked: readonly AdjacentPixelsRequest[],
  ): Promise<readonly (ScaledAdjacentPixels | undefined)[]>;
  /**
   * All words of the page as it is shown now, and what the window shows without them.
   * @param covered where letters are is told too; else nothing is
   */
  allWords(covered: boolean): Promise<WordsSeen>;
  /**
   * The rules of the page's sheets that give words of elements their colour, in their order, and the
   * paths of their sheets; undefined where none does. Nothing else may be asked meanwhile.
   */
  inkRules(
    selectors: readonly string[],
  ): Promise<({ readonly path: string; readonly selector: string } | undefined)[]>;
  /** What a window as large as the frame shows of the page, as pixels. */
  raster(wanted: Pick<RasterWanted, 'top' | 'without' | 'letters'>): Promise<Raster>;
  close(): void;
}

/** What is important in the first layer is so before all else of a page's style sheets. */
const outermost = 'soyez-first';

/** Makes our layer the first: CSS Cascading and Inheritance Level 5, section 6.4.1. */
function layFirst({ styleSheets }: Document): void {
  const first = [...styleSheets].find((sheet) => sheet.media.length === 0);
  try {
    first?.insertRule(`@layer ${outermost};`, 0);
  } catch {
    // Where it takes no such rule, it has no layers either that are known here.
  }
}

/** Asks for nothing, and no page has it. */
const probe = 'data:,soyez-probe';

/** A page that is higher is not read at once, px. */
const mostRead = 12_000;

/**
 * Shows a frozen page in a frame.
 * @param place that the frame is put into
 * @param signal gives it up before it is open
 * @throws PageTaken where it is given up, or its place goes
 */
export async function openPageFrame(
  place: HTMLElement,
  page: FrozenPage,
  signal?: AbortSignal,
): Promise<PageFrame> {
  const opened = await openFrameDocument(place, page, signal);
  const { element, document, addresses, sheets, close } = opened;
  const scheme = new PageScheme(document, [page.html, ...sheets]);
  scheme.put('light');
  const keys = new Map([...addresses].map(([key, to]) => [to, key]));
  const view = viewOf(document);
  const selectors = new ShortestSelectors(document);
  const swaps = new FileSwaps(document);
  const lying = document.createElement('style');
  const restyled = lazily(
    () => new Restyled(document, page, addresses, scheme, (text) => namedFiles(text, addresses)),
  );
  layFirst(document);
  /** By selector, the styles of an element before it was filled. */
  const filled = new Map<string, string>();
  const find = (selector: string): Element | null => {
    try {
      return selector === '' ? null : document.querySelector(selector);
    } catch {
      // Out of a site file it may be no selector at all.
      return null;
    }
  };
  const bodyElements = () => [document.body, ...document.body.querySelectorAll('*')];
  const responsive = [...document.images].filter((i) => i.srcset || i.closest('picture'));
  const show = async (width: number, height?: number) => {
    whole = undefined;
    element.style.width = `${width}px`;
    element.style.height = `${height ?? 800}px`;
    if (responsive.length > 0) {
      // The new width is known once it is laid out. Pictures are chosen anew by themselves with a
      // later frame only; at once where what names them is set.
      void element.offsetWidth;
      void document.documentElement.offsetWidth;
      for (const image of responsive) {
        const named = image.closest('picture')?.querySelector('source') ?? image;
        named.srcset = named.srcset;
      }
      await Promise.resolve();
      const late = responsive.filter((image) => !image.complete);
      await within(patience, Promise.all(late.map((i) => i.decode().catch(() => {}))));
    }
    if (height === undefined) {
      element.style.height = `${document.documentElement.scrollHeight}px`;
    }
  };
  const fill = (selector: string, address: string | undefined) => {
    const found = find(selector);
    if (!(found instanceof view.HTMLElement)) {
      return;
    }
    const before = filled.get(selector) ?? found.style.cssText;
    filled.set(selector, before);
    found.style.cssText = before;
    if (address !== undefined) {
      found.style.background = `url("${address}") 0 0 / 100% 100% no-repeat`;
    }
  };
  const lay = ({ key, selector }: PictureTarget, address: string | undefined) => {
    const own = key === undefined ? undefined : addresses.get(key);
    if (!element.isConnected) {
      return;
    }
    whole = undefined;
    if (own === undefined) {
      fill(selector, address);
    } else {
      swaps.put(own, address ?? own);
    }
  };
  const placedAll = (
    survey: PageSurvey,
    asked: readonly AskedPicture[],
  ): (PictureNow | undefined)[] => {
    const wanted = asked.map(({ place }) => place.selector);
    const now = measurePage(document, keys, selectors, survey, wanted, find);
    return asked.map(({ place, file }) => {
      const found = find(place.selector);
      const picture = pictureAt(survey, place);
      if (!found || !picture) {
        return found ? filledNow(found) : undefined;
      }
      const at = now.placed.get(picture.id);
      return at && paintedNow(found, picture, at, file);
    });
  };
  /** Pictures of files that the page shows now, each with what it is replaced by. */
  const swappedOf = (
    asked: readonly AdjacentPixelsRequest[],
    laid: readonly (PictureNow | undefined)[],
  ): SwappedPicture[] =>
    asked.flatMap(({ target: { key }, file }, i) => {
      const own = key === undefined ? undefined : addresses.get(key);
      const at = laid[i];
      return own !== undefined && at ? [{ i, at, address: swaps.at(own), ...file }] : [];
    });
  const placed = (survey: PageSurvey, place: OwnPlace, file: Size): PictureNow | undefined =>
    placedAll(survey, [{ place, file }])[0];
  const read: FilesRead = new Map();
  /** The page with everything on it, as it is laid out; read once for all that is asked beside it. */
  let whole: Promise<Raster> | undefined;
  let letters: { readonly key: string; readonly alphaMask: Mask } | undefined;
  const raster = (wanted: Pick<RasterWanted, 'top' | 'without' | 'letters'>) =>
    rasterise(document, {
      ...wanted,
      read,
      width: document.documentElement.clientWidth,
      height: Math.min(view.innerHeight, mostRead),
    });
  return {
    element,
    show,
    scheme(wanted) {
      whole = undefined;
      scheme.put(wanted);
    },
    restyle(texts) {
      whole = undefined;
      return restyled().put(texts);
    },
    readySheets: (came, read) => restyled().ready(came, read),
    idleRules: (rules) => idleRulesOf(document, rules),
    async survey(widths, readRules) {
      const { width, height } = element.style;
      const lay = (px: number) => show(px, 800);
      try {
        return await surveyPage(document, page, keys, widths, lay, readRules);
      } finally {
        await show(parseFloat(width), parseFloat(height));
      }
    },
    measure: (survey, wanted) => measurePage(document, keys, selectors, survey, wanted, find),
    placed,
    placedAll,
    covers: (shown) =>
      coverGrids(
        document,
        shown.map(({ selector, root, part }) => ({
          element: find(selector) ?? document.body,
          root,
          part,
        })),
      ),
    wordsOver(pictures) {
      const words = wordsOn(document);
      return pictures.map(({ place, root, area }) => {
        const found = find(place.selector);
        return found !== null && wordsLyingOver(found, root, area, words).length > 0;
      });
    },
    async wordsSeen(place, root, area, top) {
      const found = find(place.selector);
      const over = found ? wordsLyingOver(found, root, area, wordsOn(document)) : [];
      const words = over
        .map((one) => lookOf(one, selectors.of(one.element), top))
        .filter(({ lines }) =>
          lines.some((line) => line.y < view.innerHeight && line.y + line.height > 0),
        );
      if (words.length === 0) {
        const nothing = { width: 0, height: 0 };
        return {
          bare: { ...nothing, data: new Uint8ClampedArray(0) },
          alphaMask: { ...nothing, data: new Uint8Array(0) },
          words,
        };
      }
      const bare = await raster({ top, letters: 'nothing' });
      // Letters that lie where they did cover what they covered, whatever picture is behind them.
      const key = JSON.stringify([
        top,
        view.innerWidth,
        view.innerHeight,
        words.map((w) => w.lines),
      ]);
      if (letters?.key !== key) {
        const black = await raster({ top, letters: 'black' });
        letters = { key, alphaMask: await coverOf(black, await raster({ top, letters: 'white' })) };
      }
      return { bare, alphaMask: letters.alphaMask, words };
    },
    async allWords(covered) {
      const words: PageWords[] = [];
      const breath = new MainThreadTurns(16);
      for (const one of wordsOn(document)) {
        words.push(lookOf(one, selectors.of(one.element), 0));
        await breath.yieldToMain();
      }
      const bare = await raster({ top: 0, letters: 'nothing' });
      if (!covered) {
        return { bare, alphaMask: { width: 0, height: 0, data: new Uint8Array(0) }, words };
      }
      const black = await raster({ top: 0, letters: 'black' });
      const alphaMask = await coverOf(black, await raster({ top: 0, letters: 'white' }));
      return { bare, alphaMask, words };
    },
    async inkRules(wanted) {
      const elements = wanted.map(find);
      const there = elements.filter((element) => element !== null);
      const rules = await inkRulesOf(document, there, outermost);
      return elements.map((element) => {
        const rule = element ? rules[there.indexOf(element)] : undefined;
        const key = keys.get(rule?.sheet.href ?? '');
        const file = page.files.find((f) => f.key === key);
        return rule && file && { path: file.path, selector: rule.selector };
      });
    },
    async surrounds(survey, asked) {
      if (view.innerHeight > mostRead) {
        return asked.map(() => undefined);
      }
      whole ??= raster({ top: 0 });
      const page = await whole;
      const laid = placedAll(survey, asked);
      const found = asked.map(({ file }, i): AdjacentPixels | undefined => {
        const at = laid[i];
        // Where nothing lies yet, nothing can be meant to be seen.
        const surround = at && surroundOf(page, 0, at, file);
        return surround && { surround, meets: measuredSides(surround), over: null };
      });
      const lying = swappedOf(asked, laid);
      for (const group of isolated(lying, ({ at }) => paintedBy(at))) {
        const bare = await raster({ top: 0, without: group });
        const flat = group.map((one) => ({ ...one, colour: standIn }));
        // Letters over an edge are no shadow.
        const over = await raster({ top: 0, without: flat, letters: 'nothing' });
        for (const { i, at, width, height } of group) {
          const file = { width, height };
          const meets = meetingSides(page, 0, at, file);
          const surround = surroundOf(bare, 0, at, file);
          found[i] = { surround, meets, over: edgesOver(over, 0, at) };
        }
      }
      return found;
    },
    async scaledSurrounds(survey, asked) {
      const found = asked.map((): ScaledAdjacentPixels | undefined => undefined);
      if (view.innerHeight > mostRead) {
        return found;
      }
      const laid = placedAll(survey, asked);
      const swapped = new Map(swappedOf(asked, laid).map((one) => [one.i, one]));
      const lying = laid.flatMap((at, i) => (at ? [{ i, at, without: swapped.get(i) }] : []));
      for (const group of isolated(lying, ({ at }) => paintedBy(at))) {
        const bare = await raster({ top: 0, without: group.flatMap((one) => one.without ?? []) });
        for (const { i, at } of group) {
          const [width, height] = [at.copy.width, at.copy.height].map((px) =>
            Math.max(1, Math.round(px)),
          );
          found[i] = { width, height, surround: surroundOf(bare, 0, at, { width, height }) };
        }
      }
      return found;
    },
    lay,
    live: (target, settled) =>
      new LivePagePicture(document, (address) => lay(target, address), settled),
    height: () => heightOf(document),
    scrollTo: (top) => view.scrollTo({ top, behavior: 'instant' }),
    boxes: () => boxesOn(document),
    selectorOf(id) {
      const found = document.querySelectorAll('*')[id];
      return found ? selectors.of(found) : '';
    },
    shows(place) {
      const found = find(place.selector);
      const file = found && shownIn(found, place);
      return file ? { key: keys.get(file.address), laid: file.laid } : undefined;
    },
    colourOf(selector) {
      const found = find(selector);
      return found ? view.getComputedStyle(found).color : undefined;
    },
    rects: () => bodyElements().map((one) => one.getBoundingClientRect()),
    movedFrom(rects, px, except) {
      const left = new Set(except.map(find));
      const sides = ['left', 'top', 'right', 'bottom'] as const;
      const moved = bodyElements()
        .slice(0, rects.length)
        .find((one, i) => {
          const now = one.getBoundingClientRect();
          return !left.has(one) && sides.some((side) => Math.abs(now[side] - rects[i][side]) > px);
        });
      return moved && selectors.of(moved);
    },
    lie(rules) {
      whole = undefined;
      const text = rules
        .map(({ selector, pseudo, declared }) => {
          const lines = declared.map((d) => `${d.property}: ${d.value} !important`);
          return `${outdoing(selector, pseudo)} { ${lines.join('; ')} }`;
        })
        .join('\n');
      lying.textContent = `@layer ${outermost} { ${text} }`;
      if (rules.length === 0) {
        lying.remove();
      } else {
        // After everything else, so that no element has another number than before.
        document.documentElement.append(lying);
      }
    },
    ruledBy(selector) {
      const found = find(selector);
      if (!found) {
        return 'own';
      }
      const style = document.createElement('style');
      style.textContent = `${selector} { background-image: url("${probe}") }`;
      document.head.append(style);
      const holds = view.getComputedStyle(found).backgroundImage.includes(probe);
      style.remove();
      return holds ? 'own' : 'important';
    },
    rectOf(selector) {
      const found = find(selector);
      return found ? rectOf(found, view) : undefined;
    },
    raster,
    close,
  };
}
