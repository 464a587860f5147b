import { tryComputed } from '../colour/computed';
import { tryColour } from '../colour/parse';
import type { Rgb } from '../raster/raster';
import { contentName, customProperties, pathOf, type SheetText } from '../theme/readTheme';
import { readBackground } from '../theme/backgrounds';
import { colourSpans } from './colourSpans';
import { leastRatio } from './readable';
import { resolveVars, type CustomProperties } from '../theme/customProperties';
import { inScheme } from '../theme/schemes';
import { readStylesheet, type StyleRule } from '../theme/stylesheet';

/** Words of a theme on what a style sheet lays behind them. */
export interface TextPair {
  readonly selector: string;
  readonly text: Rgb;
  /** One colour, or those that a picture mostly has. */
  readonly grounds: readonly Rgb[];
  /** WCAG 2.2 contrast ratio on the worst of them, 1..21. */
  readonly ratio: number;
  readonly at: { readonly file: string; readonly line: number };
  /** Where the ground is said; undefined for a page that says none and is white. */
  readonly groundAt: { readonly file: string; readonly line: number } | undefined;
  /**
   * The ground is that of the same rule or of what its selector says it is in; what the page says of
   * text is for text that lies elsewhere.
   */
  readonly sure: boolean;
  /** It is a picture or a gradient, of which the colours that it mostly has are known. */
  readonly picture: boolean;
}

interface Ground {
  readonly colours: readonly Rgb[];
  readonly picture: boolean;
  readonly at: { readonly file: string; readonly line: number };
}

const white: Rgb = { r: 255, g: 255, b: 255 };

/** The selector without states and pseudo-elements. */
const stateless = (selector: string): string =>
  selector.replace(/::?[a-z-]+(\([^)]*\))?/gi, '').trim();

/** A selector's parts from the outermost to the subject. */
const compounds = (selector: string): string[] => selector.split(/\s*[\s>+~]\s*/).filter(Boolean);

/**
 * Every text colour of the style sheets with the ground it most likely lies on: that of its own
 * rule, else of what its selector says it lies in, else of the page's content, else of the page.
 * @param pictureColours those of a theme's picture that covers what it lies on, by its path
 */
export function textPairs(
  sheets: readonly SheetText[],
  pictureColours: (path: string) => readonly Rgb[] | undefined,
): TextPair[] {
  const rules = sheets.flatMap(({ path, text }) => readStylesheet(path, text).rules);
  const light = rules.filter((r) => !r.dark);
  return [
    ...pairsOf(light, light, customProperties(rules), pictureColours, false),
    ...pairsOf(
      rules,
      rules.filter((r) => r.dark),
      customProperties(rules, true),
      pictureColours,
      true,
    ),
  ];
}

/** The colours of gradients in a value; undefined where they have none. */
function stopsOf(value: string): readonly Rgb[] | undefined {
  const stops = colourSpans(value).map((s) => s.rgb);
  return stops.length > 0 ? stops : undefined;
}

/**
 * In one colour scheme.
 * @param rules all that hold in it
 * @param asked those whose text is looked at
 */
function pairsOf(
  rules: readonly StyleRule[],
  asked: readonly StyleRule[],
  properties: CustomProperties,
  pictureColours: (path: string) => readonly Rgb[] | undefined,
  dark: boolean,
): TextPair[] {
  const said = new Map<string, Ground>();
  const resolve = (value: string) => {
    const put = resolveVars(value, properties);
    return put === undefined ? undefined : inScheme(put, dark);
  };
  let content: Ground | undefined;
  for (const rule of rules) {
    if (rule.widths.some((w) => w.max !== undefined)) {
      continue;
    }
    for (const { property, value, line } of rule.declarations) {
      const layers = /^background/.test(property)
        ? readBackground(property, resolve(value) ?? '')
        : undefined;
      const made = /^background/.test(property) ? tryComputed(resolve(value) ?? '') : undefined;
      if (!layers && !made) {
        continue;
      }
      // A picture that covers is what is seen; a colour under one that does not repeat is seen
      // around it.
      const front = layers?.[0];
      const path = front?.url === undefined ? null : pathOf(front.url, rule.file);
      const picture =
        path === null || (front?.repeat === 'no-repeat' && layers?.at(-1)?.colour)
          ? undefined
          : pictureColours(path);
      const last = layers?.at(-1)?.colour;
      const plain = last === undefined ? made : tryColour(last);
      // A gradient covers the colour that stands under it.
      const stops = /gradient\(/i.test(value) ? stopsOf(resolve(value) ?? '') : undefined;
      const colours = picture ?? stops ?? (plain && [plain]);
      if (!colours) {
        continue;
      }
      const ground = {
        colours,
        picture: (picture ?? stops) !== undefined,
        at: { file: rule.file, line },
      };
      said.set(rule.selector, ground);
      if (
        !content &&
        contentName.test(rule.subject.text) &&
        rule.subject.type !== 'body' &&
        compounds(rule.selector).length === 1
      ) {
        content = ground;
      }
    }
  }
  const page = said.get('body') ?? said.get('html') ?? said.get(':root');
  /** What a text lies on, and whether its selector says so. */
  function under(selector: string): { ground: Ground | undefined; sure: boolean } {
    const own = said.get(selector) ?? said.get(stateless(selector));
    // What the page itself says of text is inherited, and nearly all of it lies in the content.
    if (/^(html|body|:root)$/.test(stateless(selector))) {
      return { ground: content ?? own ?? page, sure: false };
    }
    if (own) {
      return { ground: own, sure: true };
    }
    const parts = compounds(stateless(selector));
    for (let n = parts.length; n > 0; n--) {
      const around = said.get(parts.slice(0, n).join(' ')) ?? said.get(parts[n - 1]);
      if (around) {
        return { ground: around, sure: n > 1 || parts.length > 1 };
      }
    }
    return { ground: content ?? page, sure: false };
  }
  return asked.flatMap((rule) =>
    rule.declarations
      .filter((d) => d.property === 'color')
      .flatMap(({ value, line }): TextPair[] => {
        const text = tryComputed(resolve(value) ?? '');
        if (!text) {
          return [];
        }
        const { ground, sure } = under(rule.selector);
        const grounds = ground?.colours ?? [white];
        return [
          {
            selector: rule.selector,
            text,
            grounds,
            ratio: leastRatio(text, grounds),
            at: { file: rule.file, line },
            groundAt: ground?.at,
            sure,
            picture: ground?.picture ?? false,
          },
        ];
      }),
  );
}
