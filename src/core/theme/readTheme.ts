import type { Hex } from '../site/model/hex';
import type { Attachment, BackgroundSize, Position, Repeat } from '../site/model/slot';
import {
  coloursIn,
  initialBackground,
  readBackground,
  type BackgroundDeclared,
} from './backgrounds';
import { resolveVars } from './customProperties';
import type { WidthRange } from './media';
import { readStylesheet, type StyleProblem, type StyleRule } from './stylesheet';

export type ColourUse = 'background' | 'text' | 'border' | 'link' | 'other';

export interface ColourFound {
  readonly hex: Hex;
  readonly count: number;
  readonly uses: Readonly<Record<ColourUse, number>>;
  /** Name of the custom property that holds it, if one does, without its dashes. */
  readonly name?: string;
}

export interface FontFound {
  readonly family: string;
  readonly count: number;
  /** Set for headings, or for the page as a whole. */
  readonly headings: boolean;
  readonly body: boolean;
}

export interface WidthFound {
  readonly value: number;
  readonly unit: 'px' | '%';
  readonly count: number;
  /** The first selector it was found at. */
  readonly selector: string;
  readonly property: string;
  /** It may be the width of the content: a width of something that is named so. */
  readonly content: boolean;
  readonly widths: WidthRange;
  readonly file: string;
  readonly line: number;
}

/** A background picture as the style sheet lays it. */
export interface BackgroundFound {
  readonly url: string;
  /** Path of the file the url leads to, from the theme's root; null for data and other hosts. */
  readonly path: string | null;
  readonly selector: string;
  readonly repeat: Repeat;
  readonly position: Position;
  readonly size: BackgroundSize;
  readonly attachment: Attachment;
  readonly colour: Hex | null;
  readonly widths: WidthRange;
  readonly file: string;
  readonly line: number;
}

export interface ThemeStyles {
  readonly colours: readonly ColourFound[];
  readonly fonts: readonly FontFound[];
  readonly widths: readonly WidthFound[];
  readonly backgrounds: readonly BackgroundFound[];
  readonly problems: readonly StyleProblem[];
  readonly files: readonly string[];
}

export interface SheetText {
  readonly path: string;
  readonly text: string;
}

const propertyUse = (property: string, rule: StyleRule): ColourUse => {
  if (/^background/.test(property)) {
    return 'background';
  }
  if (/^(border|outline|column-rule)/.test(property)) {
    return 'border';
  }
  if (property === 'color') {
    return rule.subject.type === 'a' || /:(link|visited)\b/.test(rule.subject.text)
      ? 'link'
      : 'text';
  }
  return 'other';
};

const colourProperty =
  /^(background(-color|-image)?|color|border(-(top|right|bottom|left|block|inline)(-(start|end))?)?(-color)?|outline(-color)?|column-rule(-color)?|fill|stroke|caret-color|accent-color|text-decoration(-color)?|box-shadow|text-shadow)$/;

/**
 * Values for the page as a whole: what `:root` and its like declare, whatever the screen, the last
 * one counting.
 * @param dark where dark colours are asked for
 */
export function customProperties(rules: readonly StyleRule[], dark = false): Map<string, string> {
  const found = new Map<string, string>();
  for (const rule of rules) {
    const whole =
      /^(:root|html|body|\*|:host)$/.test(rule.selector) &&
      (dark || !rule.dark) &&
      rule.widths.every((w) => w.min === undefined && w.max === undefined);
    for (const { property, value } of rule.declarations) {
      if (property.startsWith('--') && (whole || !found.has(property))) {
        found.set(property, value);
      }
    }
  }
  return found;
}

const generic =
  /^(inherit|initial|unset|revert|none|serif|sans-serif|monospace|cursive|fantasy|system-ui|ui-[a-z-]+|-apple-system|blinkmacsystemfont|emoji|math|fangsong)$/i;

/** The first named family of a list. */
function familyOf(list: string): string | undefined {
  const names = [...list.matchAll(/"([^"]+)"|'([^']+)'|([^,"']+)/g)]
    .map((m) => (m[1] ?? m[2] ?? m[3]).trim())
    .filter(Boolean);
  return names.find((name) => !generic.test(name) && !/^(var|calc)\(/i.test(name));
}

/** What stands behind the size in a `font` shorthand. */
const familiesOfFont = (value: string): string =>
  /(?:^|\s)[\d.]+(?:px|pt|r?em|%|ex|vw)(?:\s*\/\s*(?:normal|[\d.]+(?:px|pt|r?em|%)?))?\s*([^\s\d.].*)$/i.exec(
    value,
  )?.[1] ?? '';

export const contentName = /(container|wrap|content|page|main|site|layout|inner|body|column)/i;

function widthOf(value: string): { value: number; unit: 'px' | '%' } | undefined {
  const match = /^(\d+(?:\.\d+)?|\.\d+)(px|r?em|%)$/i.exec(value.trim());
  if (!match) {
    return undefined;
  }
  const number = Number(match[1]);
  const unit = match[2].toLowerCase();
  if (unit === '%') {
    return number >= 20 && number < 100 ? { value: number, unit: '%' } : undefined;
  }
  const px = unit === 'px' ? number : number * 16;
  return px >= 100 && px <= 4000 ? { value: px, unit: 'px' } : undefined;
}

/** A url as a path from the theme's root, or null where it leads out of the theme. */
export function pathOf(url: string, sheet: string): string | null {
  if (/^([a-z][a-z0-9+.-]*:|\/\/)/i.test(url)) {
    return null;
  }
  const clean = url.split(/[?#]/)[0];
  const parts = clean.startsWith('/') ? [] : sheet.split('/').slice(0, -1);
  for (const part of clean.split('/')) {
    if (part === '..') {
      if (parts.pop() === undefined) {
        return null;
      }
    } else if (part && part !== '.') {
      parts.push(decode(part));
    }
  }
  return parts.join('/') || null;
}

function decode(part: string): string {
  try {
    return decodeURIComponent(part);
  } catch {
    return part;
  }
}

interface Laid {
  readonly rule: StyleRule;
  readonly widths: WidthRange;
  line: number;
  layers: BackgroundDeclared[];
  colour?: Hex;
}

/**
 * Declarations of one selector add up; a rule inside a media query adds to what holds for all
 * widths.
 */
function collectBackgrounds(
  rules: readonly StyleRule[],
  resolve: (value: string) => string | undefined,
): BackgroundFound[] {
  const laid = new Map<string, Laid>();
  for (const rule of rules) {
    for (const widths of rule.widths) {
      const key = `${rule.selector} ${JSON.stringify(widths)}`;
      for (const { property, value, line } of rule.declarations) {
        const resolved = /^background/.test(property) ? resolve(value) : undefined;
        const set = resolved === undefined ? undefined : readBackground(property, resolved);
        if (!set) {
          continue;
        }
        const everywhere = laid.get(`${rule.selector} {}`);
        const entry = laid.get(key) ?? {
          rule,
          widths,
          line,
          layers: everywhere?.layers.map((l) => ({ ...l })) ?? [],
          colour: everywhere?.colour,
        };
        laid.set(key, entry);
        if (property === 'background' || property === 'background-image') {
          entry.layers = set.map((layer, i) => ({ ...entry.layers[i], ...layer }));
          entry.line = line;
        } else if (property !== 'background-color') {
          // Fewer values than layers are repeated (section 2.1 of Backgrounds and Borders).
          const count = Math.max(1, entry.layers.length);
          entry.layers = Array.from({ length: count }, (_, i) => ({
            ...entry.layers[i],
            ...definedOf(set[i % set.length]),
          }));
        }
        const colour = set.at(-1)?.colour;
        if (property === 'background-color' || property === 'background') {
          entry.colour = colour;
        }
      }
    }
  }
  return [...laid.values()].flatMap(({ rule, widths, line, layers, colour }) =>
    layers.flatMap((layer): BackgroundFound[] =>
      layer.url === undefined
        ? []
        : [
            {
              url: layer.url,
              path: pathOf(layer.url, rule.file),
              selector: rule.selector,
              widths,
              file: rule.file,
              line,
              repeat: layer.repeat ?? initialBackground.repeat,
              position: {
                x: layer.x ?? initialBackground.position.x,
                y: layer.y ?? initialBackground.position.y,
              },
              size: layer.size ?? initialBackground.size,
              attachment: layer.attachment ?? initialBackground.attachment,
              colour: colour ?? null,
            },
          ],
    ),
  );
}

const definedOf = (layer: BackgroundDeclared): BackgroundDeclared =>
  Object.fromEntries(Object.entries(layer).filter(([, v]) => v !== undefined));

interface ColourCount {
  count: number;
  uses: Record<ColourUse, number>;
}

function collectColours(
  rules: readonly StyleRule[],
  resolve: (value: string) => string | undefined,
  properties: ReadonlyMap<string, string>,
): ColourFound[] {
  const counts = new Map<Hex, ColourCount>();
  for (const rule of rules) {
    for (const { property, value } of rule.declarations) {
      if (!colourProperty.test(property)) {
        continue;
      }
      for (const hex of coloursIn(resolve(value) ?? '')) {
        const entry = counts.get(hex) ?? {
          count: 0,
          uses: { background: 0, text: 0, border: 0, link: 0, other: 0 },
        };
        entry.count++;
        entry.uses[propertyUse(property, rule)]++;
        counts.set(hex, entry);
      }
    }
  }
  const names = new Map<Hex, string>();
  for (const [name, value] of properties) {
    const [hex, ...more] = coloursIn(resolve(value) ?? '');
    if (hex && more.length === 0 && !names.has(hex)) {
      names.set(hex, name.slice(2));
    }
  }
  return [...counts]
    .map(([hex, entry]) => ({ hex, ...entry, name: names.get(hex) }))
    .sort((a, b) => b.count - a.count);
}

function collectFonts(
  rules: readonly StyleRule[],
  resolve: (value: string) => string | undefined,
): FontFound[] {
  const fonts = new Map<string, { count: number; headings: boolean; body: boolean }>();
  for (const rule of rules) {
    for (const { property, value } of rule.declarations) {
      if (property !== 'font-family' && property !== 'font') {
        continue;
      }
      const resolved = resolve(value) ?? '';
      const family = familyOf(property === 'font' ? familiesOfFont(resolved) : resolved);
      if (!family) {
        continue;
      }
      const entry = fonts.get(family) ?? { count: 0, headings: false, body: false };
      const { type, text } = rule.subject;
      entry.count++;
      if (/^h[1-6]$/.test(type ?? '') || /title|heading/i.test(text)) {
        entry.headings = true;
      }
      if (type === 'body' || type === 'html' || /^(:root|\*)$/.test(text)) {
        entry.body = true;
      }
      fonts.set(family, entry);
    }
  }
  return [...fonts]
    .map(([family, entry]) => ({ family, ...entry }))
    .sort((a, b) => Number(b.body) - Number(a.body) || b.count - a.count);
}

function collectWidths(
  rules: readonly StyleRule[],
  resolve: (value: string) => string | undefined,
): WidthFound[] {
  const widths = new Map<string, WidthFound>();
  for (const rule of rules) {
    for (const { property, value, line } of rule.declarations) {
      if (!/^(max-|min-)?width$|^flex-basis$/.test(property)) {
        continue;
      }
      const found = widthOf(resolve(value) ?? '');
      if (!found) {
        continue;
      }
      const key = `${found.value}${found.unit}`;
      const before = widths.get(key);
      const content = property !== 'min-width' && contentName.test(rule.subject.text);
      widths.set(
        key,
        before
          ? { ...before, count: before.count + 1, content: before.content || content }
          : {
              ...found,
              count: 1,
              selector: rule.selector,
              property,
              content,
              widths: rule.widths[0] ?? {},
              file: rule.file,
              line,
            },
      );
    }
  }
  return [...widths.values()].sort(
    (a, b) => Number(b.content) - Number(a.content) || b.count - a.count || b.value - a.value,
  );
}

/** The background pictures that style sheets lay, as `readTheme` has them, and nothing else. */
export function backgroundsIn(sheets: readonly SheetText[]): BackgroundFound[] {
  const rules = sheets.flatMap(({ path, text }) => readStylesheet(path, text).rules);
  const properties = customProperties(rules);
  return collectBackgrounds(rules, (value) => resolveVars(value, properties));
}

/**
 * What the style sheets of a theme say of its colours, fonts, widths and background pictures. Later
 * sheets count over earlier ones.
 */
export function readTheme(sheets: readonly SheetText[]): ThemeStyles {
  const read = sheets.map(({ path, text }) => readStylesheet(path, text));
  const rules = read.flatMap((sheet) => sheet.rules);
  const properties = customProperties(rules);
  const resolve = (value: string) => resolveVars(value, properties);
  return {
    colours: collectColours(rules, resolve, properties),
    fonts: collectFonts(rules, resolve),
    widths: collectWidths(rules, resolve),
    backgrounds: backgroundsIn(sheets),
    problems: read.flatMap((sheet) => sheet.problems),
    files: sheets.map((s) => s.path),
  };
}

/**
 * The width a theme's content most likely has: the widest px that something named like content is
 * given at any width of screen.
 */
export function contentWidthOf({ widths }: Pick<ThemeStyles, 'widths'>): number | undefined {
  const likely = widths.filter(
    (w) =>
      w.content &&
      w.unit === 'px' &&
      w.value >= 480 &&
      w.value <= 2000 &&
      w.property !== 'min-width',
  );
  return likely.length ? Math.round(Math.max(...likely.map((w) => w.value))) : undefined;
}
