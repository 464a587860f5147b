import type { PageRect, PartRole } from '@/core/ownPage/survey';
import { rectOf, viewOf } from './rect';
import { wordsOn, type Words } from './words';

/** A box that the page is laid out by, as it was told at one width. */
export interface LaidPart {
  readonly as: PartRole;
  readonly element: Element;
  /** Its border box, or, of what is as wide as the screen, what lies inside its padding. */
  readonly box: 'border' | 'content';
}

/** From this share of the screen on, a box is as wide as the screen. */
const wholeWidth = 0.97;
/** Of a bar of links: heights, and how far down it may lie, px (by looking at pages). */
const bar = { least: 20, most: 160, top: 260, letters: 240 } as const;
/** Of a section, and of a column: least height, px. */
const leastSection = 100;
const leastColumn = { width: 80, height: 60 } as const;

/** Where a part lies as the document is laid out now. */
export function partRect({ element, box }: LaidPart): PageRect | undefined {
  const view = viewOf(element.ownerDocument);
  const rect = rectOf(element, view);
  if (!rect || box === 'border') {
    return rect;
  }
  const style = view.getComputedStyle(element);
  const inside = (side: 'Left' | 'Right' | 'Top' | 'Bottom'): number =>
    parseFloat(style[`border${side}Width`]) + parseFloat(style[`padding${side}`]);
  return {
    x: rect.x + inside('Left'),
    y: rect.y + inside('Top'),
    width: rect.width - inside('Left') - inside('Right'),
    height: rect.height - inside('Top') - inside('Bottom'),
  };
}

/** Tells what the boxes of a document are for, as it is laid out now. */
class Parting {
  private readonly view: Window & typeof globalThis;
  private readonly screen: number;
  private readonly words: readonly Words[];
  private readonly rects = new Map<Element, PageRect | undefined>();

  constructor(private readonly document: Document) {
    this.view = viewOf(document);
    this.screen = document.documentElement.clientWidth;
    this.words = wordsOn(document);
  }

  all(): LaidPart[] {
    const content = this.content();
    const bars = this.bars();
    return [
      content,
      ...bars.map((element): LaidPart => ({ as: 'bar', element, box: 'border' })),
      ...this.sections(bars).map((element): LaidPart => ({
        as: 'section',
        element,
        box: 'border',
      })),
      ...this.columns(content.element).map((element): LaidPart => ({
        as: 'column',
        element,
        box: 'border',
      })),
    ];
  }

  private rect(element: Element): PageRect | undefined {
    if (!this.rects.has(element)) {
      this.rects.set(element, rectOf(element, this.view));
    }
    return this.rects.get(element);
  }

  private isBlock(element: Element): boolean {
    return !/^(?:inline|contents|none)$/.test(this.view.getComputedStyle(element).display);
  }

  private isOutOfFlow(element: Element): boolean {
    return /^(?:fixed|absolute)$/.test(this.view.getComputedStyle(element).position);
  }

  /** Elements with words that stand beside this one. */
  private beside(element: Element): Element[] {
    const own = this.rect(element);
    const others = [...(element.parentElement?.children ?? [])];
    return others.filter((other) => {
      const rect = this.rect(other);
      if (other === element || !own || !rect) {
        return false;
      }
      const shared = Math.min(own.y + own.height, rect.y + rect.height) - Math.max(own.y, rect.y);
      const apart = own.x + own.width <= rect.x + 1 || rect.x + rect.width <= own.x + 1;
      const level = shared > 0.3 * Math.min(own.height, rect.height);
      return apart && level && (other.textContent ?? '').trim() !== '';
    });
  }

  /**
   * The column that most words stand in: of each, the outermost box that is narrower than the
   * screen, or what holds it where several stand side by side.
   */
  private content(): LaidPart {
    const columns = new Map<string, { part: LaidPart; area: number; most: number }>();
    for (const { element, rect } of this.words) {
      const part = this.columnOf(element);
      const where = partRect(part);
      const key = where ? `${part.box} ${Math.round(where.x)} ${Math.round(where.width)}` : '';
      const area = rect.width * rect.height;
      const before = columns.get(key);
      const most = Math.max(before?.most ?? 0, area);
      columns.set(key, {
        part: before && before.most >= area ? before.part : part,
        area: (before?.area ?? 0) + area,
        most,
      });
    }
    const widest = [...columns.values()].sort((a, b) => b.area - a.area)[0];
    return widest?.part ?? { as: 'content', element: this.document.body, box: 'content' };
  }

  private columnOf(element: Element): LaidPart {
    const chain: Element[] = [];
    for (let at: Element | null = element; at && at !== this.document.documentElement;) {
      chain.unshift(at);
      at = at.parentElement;
    }
    const narrow = chain.find((at) => {
      const rect = this.rect(at);
      return rect && rect.width < this.screen * wholeWidth && this.isBlock(at);
    });
    const parent = narrow?.parentElement;
    const alone = narrow && this.beside(narrow).every((other) => this.isOutOfFlow(other));
    if (narrow && alone && this.holdsMore(narrow)) {
      return { as: 'content', element: narrow, box: 'border' };
    }
    const holder =
      narrow && parent && parent !== this.document.documentElement ? parent : undefined;
    return { as: 'content', element: holder ?? this.document.body, box: 'content' };
  }

  /** A box of several things, or the page's body itself; not a line of words alone. */
  private holdsMore(element: Element): boolean {
    return element === this.document.body || [...element.children].some((c) => this.isBlock(c));
  }

  /** Bars of links at the top, each the outermost of its kind. */
  private bars(): Element[] {
    const found: Element[] = [];
    for (const element of this.document.body.querySelectorAll('*')) {
      const rect = this.rect(element);
      const fits =
        rect &&
        rect.height >= bar.least &&
        rect.height <= bar.most &&
        rect.y <= bar.top &&
        rect.width >= this.screen * 0.4;
      if (!fits || found.some((other) => other.contains(element)) || !this.isBlock(element)) {
        continue;
      }
      const named = element.matches('nav, header, [role="navigation"], [role="banner"]');
      const links = element.querySelectorAll('a').length;
      const letters = (element.textContent ?? '').replace(/\s+/g, ' ').trim().length;
      const more = element.querySelector('p, h2, h3, article, section, form textarea');
      if ((named || links >= 2) && links >= 1 && letters <= bar.letters && !more) {
        found.push(element);
      }
    }
    return found;
  }

  /** Parts as wide as the screen with a ground of their own, each the outermost of its kind. */
  private sections(bars: readonly Element[]): Element[] {
    const found: Element[] = [];
    const whole = this.document.documentElement.scrollHeight;
    for (const element of this.document.body.querySelectorAll('*')) {
      const rect = this.rect(element);
      const fits =
        rect &&
        rect.width >= this.screen * wholeWidth &&
        rect.height >= leastSection &&
        rect.height < whole * 0.9;
      if (!fits || found.some((other) => other.contains(element)) || bars.includes(element)) {
        continue;
      }
      const style = this.view.getComputedStyle(element);
      const bare = /^(?:rgba\(0, 0, 0, 0\)|transparent)$/.test(style.backgroundColor);
      if (!bare || style.backgroundImage !== 'none') {
        found.push(element);
      }
    }
    return found;
  }

  /** What stands side by side in the content, at the first place where something does. */
  private columns(content: Element): Element[] {
    const queue = [content];
    for (let at = queue.shift(); at; at = queue.shift()) {
      const large = [...at.children].filter((child) => {
        const rect = this.rect(child);
        const wide = rect && rect.width >= leastColumn.width && rect.height >= leastColumn.height;
        return wide && this.isBlock(child);
      });
      const columns = large.filter((child) =>
        this.beside(child).some((other) => large.includes(other)),
      );
      if (columns.length > 1) {
        return columns;
      }
      queue.push(...large);
    }
    return [];
  }
}

/**
 * What a document is laid out by: its content column, bars, sections and columns. Told at a wide
 * screen, where a column is narrower than the screen and columns stand side by side.
 */
export const partsOn = (document: Document): LaidPart[] => new Parting(document).all();
