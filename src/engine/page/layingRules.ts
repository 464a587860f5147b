import type { RuleText } from '@/core/ownPage/ruleText';
import type { LayingRule, PaintedPicture } from '@/core/ownPage/survey';
import { viewOf } from './rect';
import { rulesOf } from './rules';

/** The property that gives a part its picture. */
export type LayingProperty = 'backgroundImage' | 'borderImageSource' | 'content' | 'listStyleImage';

/** Reads which rules name files in the texts of style sheets. */
export type RuleReader = (sheets: readonly string[]) => Promise<readonly (readonly RuleText[])[]>;

/** A rule, or a tag, whose declarations name a file. */
type Naming = CSSRule | HTMLElement;

const addressesIn = /url\(\s*(?:"((?:[^"\\]|\\.)*)"|([^"'()\s]+))\s*\)/g;

/** Stands behind an address while it is looked whose declarations are in effect. */
const probe = '#soyez-probe';

const isRule = (naming: Naming): naming is CSSRule => 'parentStyleSheet' in naming;

const styleOf = (naming: Naming): CSSStyleDeclaration =>
  (naming as { readonly style: CSSStyleDeclaration }).style;

/** The rules that a rule stands in, innermost first. */
function parentsOf(rule: CSSRule): CSSRule[] {
  const { parentRule } = rule;
  return parentRule ? [parentRule, ...parentsOf(parentRule)] : [];
}

const selects = (rule: CSSRule): rule is CSSStyleRule => 'selectorText' in rule;

/** Of declarations that stand inside a rule by themselves, that rule's. */
const selectorOf = (rule: CSSRule): string =>
  [rule, ...parentsOf(rule)].find(selects)?.selectorText ?? '';

/** What a rule stands within, outermost first, through the sheets that import each other. */
function within(rule: CSSRule): string[] {
  const sheet = rule.parentStyleSheet;
  const importing = sheet?.ownerRule;
  return [
    ...(importing ? within(importing) : []),
    ...(sheet && sheet.media.length > 0 ? [`@media ${sheet.media.mediaText}`] : []),
    ...parentsOf(rule)
      .filter((parent) => !selects(parent))
      .map(({ cssText }) => cssText.slice(0, cssText.indexOf('{')).trim())
      .reverse(),
  ];
}

/** Tells which rule gives an element the picture that it shows. */
export class LayingRules {
  private readonly met: { readonly naming: Naming; readonly address: string }[] = [];
  private readonly byAddress = new Map<string, CSSRule[]>();
  private readonly view: Window & typeof globalThis;

  /**
   * @param keys of the page's files, by the addresses they have in the document
   * @param textOf the style sheet of a key, as it came
   */
  constructor(
    document: Document,
    private readonly keys: ReadonlyMap<string, string>,
    private readonly textOf: (key: string) => string,
  ) {
    this.view = viewOf(document);
    for (const rule of rulesOf(document)) {
      if ('style' in rule) {
        const { cssText } = styleOf(rule);
        for (const [, quoted, bare] of cssText.matchAll(addressesIn)) {
          const address = quoted ?? bare;
          const before = this.byAddress.get(address) ?? [];
          if (!before.includes(rule)) {
            this.byAddress.set(address, [...before, rule]);
          }
        }
      }
    }
  }

  /** @returns its number among those that are told; undefined where no rule names the file */
  of(
    element: Element,
    pseudo: PaintedPicture['pseudo'],
    property: LayingProperty,
    address: string,
  ): number | undefined {
    const possible: Naming[] = (this.byAddress.get(address) ?? []).filter((rule) =>
      this.mayHold(rule, element),
    );
    if (!pseudo && element.getAttribute('style')?.includes(address)) {
      possible.push(element as HTMLElement);
    }
    // Which of several wins is the browser's to say.
    const naming =
      possible.length < 2
        ? possible[0]
        : possible.findLast((one) => this.isSeen(one, element, pseudo, property, address));
    if (!naming) {
      return undefined;
    }
    const before = this.met.findIndex((m) => m.naming === naming && m.address === address);
    return before < 0 ? this.met.push({ naming, address }) - 1 : before;
  }

  /** All that were met, with the lines on which they begin where they can be read. */
  async told(read: RuleReader | undefined): Promise<LayingRule[]> {
    const sheets = [
      ...new Set(
        this.met.flatMap(({ naming }) => (isRule(naming) ? (naming.parentStyleSheet ?? []) : [])),
      ),
    ];
    const written = await read?.(sheets.map((sheet) => this.textOfSheet(sheet)));
    return this.met.map(({ naming, address }): LayingRule => {
      if (!isRule(naming)) {
        return { sheet: '', selector: '', within: [], line: undefined };
      }
      const sheet = naming.parentStyleSheet!;
      return {
        sheet: this.keyOf(sheet),
        selector: selectorOf(naming),
        within: within(naming),
        line: written && this.lineOf(naming, address, written[sheets.indexOf(sheet)]),
      };
    });
  }

  /** A rule that selects something else, or does not hold at this width, is out. */
  private mayHold(rule: CSSRule, element: Element): boolean {
    const { CSSMediaRule } = this.view;
    const parents = parentsOf(rule);
    const outside = (parent: CSSRule) =>
      parent instanceof CSSMediaRule && !this.view.matchMedia(parent.media.mediaText).matches;
    if (parents.some(outside)) {
      return false;
    }
    // One inside another selects by what is around it; a variable is handed down to others.
    if (!selects(rule) || parents.some(selects) || rule.style.cssText.includes('--')) {
      return true;
    }
    const elements = rule.selectorText.replace(/::?(?:before|after|marker)\b/gi, '') || '*';
    try {
      return element.matches(elements);
    } catch {
      return true;
    }
  }

  private isSeen(
    naming: Naming,
    element: Element,
    pseudo: PaintedPicture['pseudo'],
    property: LayingProperty,
    address: string,
  ): boolean {
    const style = styleOf(naming);
    const before = style.cssText;
    style.cssText = before.replaceAll(address, address + probe);
    const part = pseudo === '' || pseudo === '::marker' ? undefined : pseudo;
    const seen = this.view.getComputedStyle(element, part)[property].includes(probe);
    style.cssText = before;
    return seen;
  }

  private keyOf(sheet: CSSStyleSheet): string {
    return this.keys.get(sheet.href ?? '') ?? '';
  }

  private textOfSheet(sheet: CSSStyleSheet): string {
    const key = this.keyOf(sheet);
    return key === '' ? (sheet.ownerNode?.textContent ?? '') : this.textOf(key);
  }

  /** The rules of a sheet that name a file under the same selector come in the order of its text. */
  private lineOf(rule: CSSRule, address: string, written: readonly RuleText[]): number | undefined {
    const selector = selectorOf(rule);
    const nested = [rule, ...parentsOf(rule)].filter(selects).length > 1;
    const file = this.keys.get(address) ?? address;
    const like = written.filter(
      (text) =>
        text.addresses.some((a) => (this.keys.get(a) ?? a) === file) &&
        this.written(text.selector, nested) === selector,
    );
    const alike = this.byAddress
      .get(address)!
      .filter((r) => r.parentStyleSheet === rule.parentStyleSheet && selectorOf(r) === selector);
    return (like[alike.indexOf(rule)] ?? like.at(-1))?.line;
  }

  /** A selector as the browser writes it, where it stands inside another rule or does not. */
  private written(selector: string, nested: boolean): string {
    try {
      const sheet = new this.view.CSSStyleSheet();
      sheet.insertRule(nested ? `a{${selector}{}}` : `${selector}{}`);
      const [rule] = sheet.cssRules;
      return selectorOf(nested ? (rule as CSSStyleRule).cssRules[0] : rule);
    } catch {
      return selector.replace(/\s+/g, ' ');
    }
  }
}
