import { linearToOklab, oklabToLinear } from '../colour/oklab';
import { tryColour } from '../colour/parse';
import { levelOfLinear, linearOfLevel } from '../colour/transfer';
import { contrastRatio } from '../legibility/contrast';
import type { Rgb } from '../raster/raster';
import { contentName, customProperties, pathOf, type SheetText } from '../theme/readTheme';
import { readBackground } from '../theme/backgrounds';
import { resolveVars, type CustomProperties } from '../theme/customProperties';
import { readStylesheet, type StyleRule } from '../theme/stylesheet';

/** Words of a theme on what a style sheet lays behind them. */
export interface TextPair {
  readonly selector: string;
  readonly text: Rgb;
  readonly ground: Rgb;
  /** WCAG 2.2 contrast ratio, 1..21. */
  readonly ratio: number;
  readonly at: { readonly file: string; readonly line: number };
  /** Where the ground is said; undefined for a page that says none and is white. */
  readonly groundAt: { readonly file: string; readonly line: number } | undefined;
}

interface Ground {
  readonly colour: Rgb;
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
 * @param pictureColour the mean colour of a theme's picture that covers what it lies on, by its
 * path
 */
export function textPairs(
  sheets: readonly SheetText[],
  pictureColour: (path: string) => Rgb | undefined,
): TextPair[] {
  const rules = sheets.flatMap(({ path, text }) => readStylesheet(path, text).rules);
  const light = rules.filter((r) => !r.dark);
  return [
    ...pairsOf(light, light, customProperties(rules), pictureColour),
    ...pairsOf(
      rules,
      rules.filter((r) => r.dark),
      customProperties(rules, true),
      pictureColour,
    ),
  ];
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
  pictureColour: (path: string) => Rgb | undefined,
): TextPair[] {
  const grounds = new Map<string, Ground>();
  const resolve = (value: string) => resolveVars(value, properties);
  let content: Ground | undefined;
  for (const rule of rules) {
    if (rule.widths.some((w) => w.max !== undefined)) {
      continue;
    }
    for (const { property, value, line } of rule.declarations) {
      const layers = /^background/.test(property)
        ? readBackground(property, resolve(value) ?? '')
        : undefined;
      if (!layers) {
        continue;
      }
      // A picture that covers is what is seen; a colour under one that does not repeat is seen
      // around it.
      const front = layers[0];
      const path = front?.url === undefined ? null : pathOf(front.url, rule.file);
      const picture =
        path === null || (front.repeat === 'no-repeat' && layers.at(-1)?.colour)
          ? undefined
          : pictureColour(path);
      const colour =
        picture ??
        (layers.at(-1)?.colour === undefined ? undefined : tryColour(layers.at(-1)!.colour!));
      if (!colour) {
        continue;
      }
      const ground = { colour, at: { file: rule.file, line } };
      grounds.set(rule.selector, ground);
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
  const page = grounds.get('body') ?? grounds.get('html') ?? grounds.get(':root');
  function under(selector: string): Ground | undefined {
    const own = grounds.get(selector) ?? grounds.get(stateless(selector));
    // What the page itself says of text is inherited, and nearly all of it lies in the content.
    if (/^(html|body|:root)$/.test(stateless(selector))) {
      return content ?? own ?? page;
    }
    if (own) {
      return own;
    }
    const parts = compounds(stateless(selector));
    for (let n = parts.length; n > 0; n--) {
      const around = grounds.get(parts.slice(0, n).join(' ')) ?? grounds.get(parts[n - 1]);
      if (around) {
        return around;
      }
    }
    return content ?? page;
  }
  return asked.flatMap((rule) =>
    rule.declarations
      .filter((d) => d.property === 'color')
      .flatMap(({ value, line }): TextPair[] => {
        const text = tryColour(resolve(value) ?? '');
        if (!text) {
          return [];
        }
        const ground = under(rule.selector);
        const colour = ground?.colour ?? white;
        return [
          {
            selector: rule.selector,
            text,
            ground: colour,
            ratio: contrastRatio(text, colour),
            at: { file: rule.file, line },
            groundAt: ground?.at,
          },
        ];
      }),
  );
}

/**
 * The colour nearest to a text's in lightness that reaches a contrast on a ground, in the text's
 * own hue; black or white where no lightness of that hue does.
 * @param wanted contrast ratio, 1..21
 */
export function readableOn(ground: Rgb, text: Rgb, wanted: number): Rgb {
  const [L, a, b] = linearToOklab(
    linearOfLevel[text.r],
    linearOfLevel[text.g],
    linearOfLevel[text.b],
  );
  const at = (l: number): Rgb => {
    // Towards black and white there is less room for chroma.
    const room = Math.min(1, l / Math.max(L, 0.01), (1 - l) / Math.max(1 - L, 0.01));
    const [r, g, bb] = oklabToLinear(l, a * room, b * room);
    return { r: levelOfLinear(r), g: levelOfLinear(g), b: levelOfLinear(bb) };
  };
  for (let step = 0; step <= 100; step++) {
    for (const l of [L - step / 100, L + step / 100]) {
      if (l >= 0 && l <= 1 && contrastRatio(at(l), ground) >= wanted) {
        return at(l);
      }
    }
  }
  const black = { r: 0, g: 0, b: 0 };
  return contrastRatio(black, ground) >= contrastRatio(white, ground) ? black : white;
}
