import { MainThreadTurns } from '../yieldToMain';
import {
  addressIn,
  forLayer,
  type LaidBackground,
  type PageAtWidth,
  type PageRect,
  type PageSurvey,
  type PaintedAs,
  type PaintedPicture,
  type PlacedPicture,
} from '@/core/ownPage/survey';
import { withoutFragment } from '@/core/ownPage/address';
import type { FrozenFile, FrozenPage } from '@/core/ownPage/frozen';
import { paintedPart } from '@/core/ownPage/paintedPart';
import { isOpaque } from '@/core/ownPage/opaque';
import { commaParts } from '@/core/theme/commaParts';
import { occlusionsOn, type Lying } from './occlusions';
import { lookAt } from './look';
import { PseudoElementStandIns, elementsWithParts } from './pseudoElementStandIns';
import { LayingRules, type LayingProperty, type RuleReader } from './layingRules';
import { partRect, partsOn, type LaidPart } from './parts';
import { heightOf, rectOf, viewOf } from './rect';
import { ShortestSelectors } from './selectors';
import { SheetStates } from './states';

type Pseudo = PaintedPicture['pseudo'];

const propertyOf: Readonly<Partial<Record<PaintedAs, LayingProperty>>> = {
  background: 'backgroundImage',
  border: 'borderImageSource',
  content: 'content',
  'list mark': 'listStyleImage',
};

type Placed = Map<string, PlacedPicture>;

/** A computed value that names a picture or a gradient. */
const paints = (value: string): boolean => value !== 'none' && value !== '';

/** Calls with a rectangle once it is known, or never where there is none. */
type Where = (then: (rect: PageRect) => void) => void;

const laidIn = (style: CSSStyleDeclaration, layer: number): LaidBackground => ({
  repeat: forLayer(style.backgroundRepeat, layer),
  position: forLayer(style.backgroundPosition, layer),
  size: forLayer(style.backgroundSize, layer),
  attachment: forLayer(style.backgroundAttachment, layer),
  origin: forLayer(style.backgroundOrigin, layer),
  clip: forLayer(style.backgroundClip, layer),
});

/** Looks at a document that is laid out; whatever it learns is plain data. */
class Surveying {
  readonly pictures = new Map<string, PaintedPicture>();
  private readonly numbers = new Map<Element, number>();
  private readonly elements: readonly Element[];
  private readonly view: Window & typeof globalThis;
  private readonly withPictures = new Map<string, ReadonlySet<Element>>();
  private found = new Set<Element>();
  private state = '';
  /** By state of the style sheets and picture. */
  private readonly laidBy = new Map<string, number | undefined>();
  private readonly standIns: PseudoElementStandIns;

  constructor(
    private readonly document: Document,
    private readonly keys: ReadonlyMap<string, string>,
    private readonly selectors: ShortestSelectors,
    private readonly rules?: LayingRules,
    /** Those that may have parts before or after their content; undefined where any may. */
    private readonly withParts?: ReadonlySet<Element>,
  ) {
    this.view = viewOf(document);
    this.standIns = new PseudoElementStandIns(document);
    this.elements = [...document.querySelectorAll('*')];
    this.elements.forEach((element, i) => this.numbers.set(element, i));
  }

  /**
   * Everything that is painted as things are, by its id.
   * @param state of the style sheets: in one that was met before, only elements that had pictures
   * then are looked at
   */
  at(width: number, state: string): Omit<PageAtWidth, 'parts'> {
    const known = this.withPictures.get(state);
    this.found = new Set();
    this.state = state;
    const laid = this.among(known ?? this.elements, width);
    if (!known) {
      this.withPictures.set(state, this.found);
    }
    return laid;
  }

  /** What is laid of pictures that are files. */
  lying(placed: PageAtWidth['placed'], files: ReadonlyMap<string, FrozenFile>): Lying[] {
    return [...placed].flatMap(([id, picture]) => {
      const file = files.get(picture.source);
      const { root, as } = this.pictures.get(id)!;
      const part = paintedPart(picture, file?.size);
      const element = this.elements[parseInt(id, 10)];
      const whole = root && as === 'background';
      return file ? [{ id, element, root: whole, part, opaque: isOpaque(file) }] : [];
    });
  }

  /** What these elements paint as things are. */
  among(elements: Iterable<Element>, width: number): Omit<PageAtWidth, 'parts'> {
    const placed: Placed = new Map();
    for (const element of elements) {
      this.element(element, placed);
    }
    this.standIns.measure();
    return { width, height: heightOf(this.document), placed };
  }

  private element(element: Element, placed: Placed): void {
    const style = this.view.getComputedStyle(element);
    if (style.display === 'none') {
      return;
    }
    if (style.visibility === 'visible') {
      this.content(element, placed);
      this.painted(element, '', style, this.now(element), placed);
      if (style.display === 'list-item' && paints(style.listStyleImage)) {
        this.found.add(element);
        this.now(element)((rect) => {
          const source = style.listStyleImage;
          this.put(element, '::marker', 0, 'list mark', source, undefined, rect, placed);
        });
      }
    }
    if (this.withParts && !this.withParts.has(element)) {
      return;
    }
    for (const pseudo of ['::before', '::after'] as const) {
      const part = this.view.getComputedStyle(element, pseudo);
      if (part.content !== 'none' && part.display !== 'none' && part.visibility === 'visible') {
        this.painted(element, pseudo, part, this.partRect(element, pseudo, part), placed);
      }
    }
  }

  private now =
    (element: Element): Where =>
    (then) => {
      const rect = this.rectOf(element);
      if (rect) {
        then(rect);
      }
    };

  /**
   * Where a part before or after the content lies. No interface tells it: one that lies absolutely is
   * placed by its used lengths, another by a double of it.
   */
  private partRect(
    element: Element,
    pseudo: '::before' | '::after',
    part: CSSStyleDeclaration,
  ): Where {
    return part.position === 'absolute' || part.position === 'fixed'
      ? (then) => then(this.absoluteRect(element, part))
      : (then) => {
          const key = `${this.state} ${this.numbers.get(element)!}${pseudo}`;
          this.standIns.add(key, element, pseudo, part, then);
        };
  }

  /** An element that is itself a picture. */
  private content(element: Element, placed: Placed): void {
    const { HTMLImageElement, HTMLVideoElement, HTMLInputElement, SVGSVGElement } = this.view;
    const put = (
      as: PaintedAs,
      value: string,
      rect: PageRect | undefined,
      natural?: PlacedPicture['natural'],
    ) => {
      if (value) {
        this.found.add(element);
      }
      if (value && rect) {
        this.put(element, '', 0, as, value, undefined, rect, placed, natural);
      }
    };
    if (element instanceof HTMLImageElement) {
      const { naturalWidth: width, naturalHeight: height } = element;
      const source = element.currentSrc || element.src;
      put('image', source, this.inner(element), width > 0 ? { width, height } : undefined);
    } else if (element instanceof HTMLVideoElement) {
      put('poster', element.poster, this.inner(element));
    } else if (element instanceof HTMLInputElement && element.type === 'image') {
      put('image', element.src, this.inner(element));
    } else if (element instanceof SVGSVGElement && !element.ownerSVGElement) {
      put('drawing', 'svg', this.rectOf(element));
    }
  }

  /** What a box paints behind and around its content. */
  private painted(
    element: Element,
    pseudo: Pseudo,
    style: CSSStyleDeclaration,
    where: Where,
    placed: Placed,
  ): void {
    const { backgroundImage, borderImageSource, content } = style;
    const found: [PaintedAs, string, number, LaidBackground | undefined][] = [];
    const images = paints(backgroundImage) ? commaParts(backgroundImage) : [];
    for (const [layer, image] of images.entries()) {
      if (paints(image)) {
        found.push(['background', image, layer, laidIn(style, layer)]);
      }
    }
    if (paints(borderImageSource)) {
      found.push(['border', borderImageSource, 0, undefined]);
    }
    if (pseudo && addressIn(content) !== undefined) {
      found.push(['content', content, 0, undefined]);
    }
    if (found.length > 0) {
      // One that takes up no room now may do so at another width.
      this.found.add(element);
      where((rect) => {
        for (const [as, value, layer, laid] of found) {
          this.put(element, pseudo, layer, as, value, laid, rect, placed);
        }
      });
    }
  }

  private put(
    element: Element,
    pseudo: Pseudo,
    layer: number,
    as: PaintedAs,
    value: string,
    laid: LaidBackground | undefined,
    rect: PageRect,
    placed: Placed,
    natural?: PlacedPicture['natural'],
  ): void {
    if (rect.width <= 0 || rect.height <= 0) {
      return;
    }
    const id = `${this.numbers.get(element)!}${pseudo} ${as} ${layer}`;
    const rule = this.ruleOf(id, element, pseudo, as, value);
    placed.set(id, { rect, source: this.sourceOf(value), natural, laid, rule });
    if (!this.pictures.has(id)) {
      this.pictures.set(id, {
        id,
        as,
        selector: this.selectors.of(element),
        pseudo,
        layer,
        root: element === this.document.documentElement || element === this.document.body,
        words: !pseudo && (element.textContent ?? '').trim() !== '',
      });
    }
  }

  /** While the same rules hold, the same one lays a picture. */
  private ruleOf(
    id: string,
    element: Element,
    pseudo: Pseudo,
    as: PaintedAs,
    value: string,
  ): number | undefined {
    const address = addressIn(value);
    const property = propertyOf[as];
    if (!this.rules || !property || address === undefined || !this.keys.has(address)) {
      return undefined;
    }
    const known = `${this.state} ${id} ${address}`;
    if (!this.laidBy.has(known)) {
      this.laidBy.set(known, this.rules.of(element, pseudo, property, address));
    }
    return this.laidBy.get(known);
  }

  private sourceOf(value: string): string {
    const address = addressIn(value) ?? value;
    return this.keys.get(withoutFragment(address)) ?? address;
  }

  private rectOf(element: Element): PageRect | undefined {
    return rectOf(element, this.view);
  }

  /** Inside border and padding, where an element's own picture lies. */
  private inner(element: Element): PageRect | undefined {
    const outer = this.rectOf(element);
    const style = this.view.getComputedStyle(element);
    const px = (side: 'Left' | 'Top' | 'Right' | 'Bottom') =>
      parseFloat(style[`border${side}Width`]) + parseFloat(style[`padding${side}`]);
    return (
      outer && {
        x: outer.x + px('Left'),
        y: outer.y + px('Top'),
        width: outer.width - px('Left') - px('Right'),
        height: outer.height - px('Top') - px('Bottom'),
      }
    );
  }

  private absoluteRect(element: Element, part: CSSStyleDeclaration): PageRect {
    const along = (
      size: 'width' | 'height',
      sides: readonly ('Left' | 'Top' | 'Right' | 'Bottom')[],
    ) =>
      parseFloat(part[size]) +
      (part.boxSizing === 'border-box'
        ? 0
        : sides.reduce(
            (sum, side) =>
              sum + parseFloat(part[`border${side}Width`]) + parseFloat(part[`padding${side}`]),
            0,
          ));
    const holder = part.position === 'fixed' ? undefined : this.holderOf(element);
    const around = holder ? this.paddingBox(holder) : { x: 0, y: 0 };
    return {
      x: around.x + parseFloat(part.left) + parseFloat(part.marginLeft),
      y: around.y + parseFloat(part.top) + parseFloat(part.marginTop),
      width: along('width', ['Left', 'Right']),
      height: along('height', ['Top', 'Bottom']),
    };
  }

  /** The element that what lies absolutely in another is placed by. */
  private holderOf(element: Element): Element | undefined {
    for (let at: Element | null = element; at; at = at.parentElement) {
      const { position, transform, filter, contain } = this.view.getComputedStyle(at);
      const holds = /paint|layout|strict|content/.test(contain);
      if (position !== 'static' || transform !== 'none' || filter !== 'none' || holds) {
        return at;
      }
    }
    return undefined;
  }

  private paddingBox(element: Element): { x: number; y: number } {
    const outer = this.rectOf(element) ?? { x: 0, y: 0 };
    const style = this.view.getComputedStyle(element);
    return {
      x: outer.x + parseFloat(style.borderLeftWidth),
      y: outer.y + parseFloat(style.borderTopWidth),
    };
  }
}

const rectsOf = (
  parts: readonly (readonly [id: string, part: LaidPart])[],
): ReadonlyMap<string, PageRect> =>
  new Map(
    parts.flatMap(([id, part]) => {
      const rect = partRect(part);
      return rect ? [[id, rect] as const] : [];
    }),
  );

/**
 * Where what was surveyed lies as the document is laid out now; nothing is laid out for it.
 * @param wanted elements whose pictures are measured, by their selectors
 * @param find what a selector names
 */
export function measurePage(
  document: Document,
  keys: ReadonlyMap<string, string>,
  selectors: ShortestSelectors,
  { parts }: Pick<PageSurvey, 'parts'>,
  wanted: readonly string[],
  find: (selector: string) => Element | null,
): PageAtWidth {
  const surveying = new Surveying(document, keys, selectors);
  const known = new Set(wanted.flatMap((selector) => find(selector) ?? []));
  const laid = parts.flatMap(({ id, as, selector, box }) => {
    const element = find(selector);
    return element ? [[id, { as, element, box }] as const] : [];
  });
  const width = document.documentElement.clientWidth;
  const placed = surveying.among(known, width);
  return { ...placed, parts: rectsOf(laid) };
}

/** Parts are told at this width, what the page looks like at that; px. */
const partsAt = 1920;
const lookedAt = 1280;

/**
 * What a page paints, what it is laid out by, and where all of it lies at several widths of the
 * screen.
 * @param keys of the frozen page's files, by the addresses they have in the document
 * @param lay lays the document out at a width; done when its pictures are those of that width
 */
export async function surveyPage(
  document: Document,
  { files, oneFile }: Pick<FrozenPage, 'files' | 'oneFile'>,
  keys: ReadonlyMap<string, string>,
  widths: readonly number[],
  lay: (width: number) => Promise<void>,
  readRules: RuleReader,
): Promise<PageSurvey> {
  const byKey = new Map(files.map((file) => [file.key, file]));
  const textOf = (key: string) => new TextDecoder().decode(byKey.get(key)?.bytes);
  const rules = new LayingRules(document, keys, textOf);
  const selectors = new ShortestSelectors(document);
  await lay(partsAt);
  const parts = partsOn(document);
  await lay(lookedAt);
  const bars = parts.filter((part) => part.as === 'bar').map((part) => part.element);
  const look = lookAt(document, bars);
  const surveying = new Surveying(document, keys, selectors, rules, elementsWithParts(document));
  const states = new SheetStates(document);
  const at: PageAtWidth[] = [];
  const breath = new MainThreadTurns();
  let occlusions: PageSurvey['occlusions'] = new Map();
  for (const width of widths) {
    await lay(width);
    const laid = rectsOf(parts.map((part, i) => [`part ${i}`, part]));
    const here = surveying.at(width, states.now(width));
    at.push({ ...here, parts: laid });
    if (width === lookedAt) {
      occlusions = occlusionsOn(document, surveying.lying(here.placed, byKey), selectors);
    }
    // Whatever the owner does meanwhile comes first.
    await breath.yieldToMain();
  }
  const order = (id: string): number => parseInt(id, 10);
  return {
    pictures: [...surveying.pictures.values()].sort((a, b) => order(a.id) - order(b.id)),
    parts: parts.map(({ as, element, box }, i) => ({
      id: `part ${i}`,
      as,
      selector: selectors.of(element),
      box,
    })),
    at,
    rules: await rules.told(oneFile ? undefined : readRules),
    occlusions,
    look,
  };
}
