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
  /** Of the sheet's own, or the path of a picture whose colours are known. */
  readonly colours: readonly Rgb[] | string;
  readonly picture: boolean;
  readonly at: { readonly file: string; readonly line: number };
}

/** Words of a theme with where what lies behind them is said. */
export interface WordsOnGround extends Pick<TextPair, 'selector' | 'text' | 'at' | 'sure'> {
  readonly ground: Ground | undefined;
}

const white: Rgb = { r: 255, g: 255, b: 255 };

/** The selector without states and pseudo-elements. */
const stateless = (selector: string): string =>
  selector.replace(/::?[a-z-]+(\([^)]*\))?/gi, '').trim();

/** A selector's parts from the outermost to the subject. */
const compounds = (selector: string): string[] => selector.split(/[\s>+~]+/).filter(Boolean);

/**
 * Every text colour of the style sheets with the ground it most likely lies on: that of its own
 * rule, else of what its selector says it lies in, else of the page's content, else of the page.
 * @param isKnown whether a theme's picture covers what it lies on in colours that are known, by its
 * path
 */
export function wordsOnGrounds(
  sheets: readonly SheetText[],
  isKnown: (path: string) => boolean,
): WordsOnGround[] {
  const rules = sheets.flatMap(({ path, text }) => readStylesheet(path, text).rules);
  const light = rules.filter((r) => !r.dark);
  return [
    ...wordsIn(light, light, customProperties(rules), isKnown, false),
    ...wordsIn(
      rules,
      rules.filter((r) => r.dark),
      customProperties(rules, true),
      isKnown,
      true,
    ),
  ];
}

/**
 * The same with the colours of pictures put in.
 * @param pictureColours of those that are known
 */
export const pairsOf = (
  words: readonly WordsOnGround[],
  pictureColours: (path: string) => readonly Rgb[] | undefined,
): TextPair[] =>
  words.map(({ ground, ...rest }): TextPair => {
    const own = ground?.colours ?? [white];
    const grounds = typeof own === 'string' ? (pictureColours(own) ?? [white]) : own;
    return {
      ...rest,
      grounds,
      ratio: leastRatio(rest.text, grounds),
      groundAt: ground?.at,
      picture: ground?.picture ?? false,
    };
  });

/** Words of style sheets on what lies behind them. */
export const textPairs = (
  sheets: readonly SheetText[],
  pictureColours: (path: string) => readonly Rgb[] | undefined,
): TextPair[] =>
  pairsOf(
    wordsOnGrounds(sheets, (path) => pictureColours(path) !== undefined),
    pictureColours,
  );

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
function wordsIn(
  rules: readonly StyleRule[],
  asked: readonly StyleRule[],
  properties: CustomProperties,
  isKnown: (path: string) => boolean,
  dark: boolean,
): WordsOnGround[] {
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
        path === null || (front?.repeat === 'no-repeat' && layers?.at(-1)?.colour) || !isKnown(path)
          ? undefined
          : path;
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
      .flatMap(({ value, line }): WordsOnGround[] => {
        const text = tryComputed(resolve(value) ?? '');
        return text
          ? [
              {
                selector: rule.selector,
                text,
                at: { file: rule.file, line },
                ...under(rule.selector),
              },
            ]
          : [];
      }),
  );
}
