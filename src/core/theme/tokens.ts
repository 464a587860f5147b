import { hexOf } from '../colour/hex';
import { tryColour, tryOpaqueColour } from '../colour/parse';
import { boundedJson, JsonError } from '../files/boundedJson';
import { Refusal } from '../refusal';
import type { ThemeColour } from '../site/model/theme';
import { resolveVars } from './customProperties';
import { readStylesheet } from './stylesheet';

/** Theme colours could not be read; the message says what was expected and what was found. */
export class TokensError extends Refusal {}

const tokenName = (name: string): string =>
  name
    .trim()
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '') || 'colour';

/** Names made fit for identifiers, each only once. */
function tokenNames(colours: readonly ThemeColour[]): string[] {
  const taken = new Set<string>();
  return colours.map(({ name }) => {
    const wanted = tokenName(name);
    let free = wanted;
    for (let n = 2; taken.has(free); n++) {
      free = `${wanted}-${n}`;
    }
    taken.add(free);
    return free;
  });
}

/** As custom properties of CSS, on `:root`. */
export function toCustomProperties(colours: readonly ThemeColour[]): string {
  const names = tokenNames(colours);
  return `:root {\n${colours.map((c, i) => `  --${names[i]}: ${c.hex};\n`).join('')}}\n`;
}

/**
 * As design tokens: the JSON of the Design Tokens Community Group's Format and Color modules
 * (2025.10; the form of `$value` from memory).
 */
export function toDesignTokens(colours: readonly ThemeColour[]): string {
  const names = tokenNames(colours);
  const tokens = colours.map((c, i) => {
    const { r, g, b } = tryColour(c.hex)!;
    return [
      names[i],
      {
        $type: 'color',
        $value: {
          colorSpace: 'srgb',
          components: [r, g, b].map((v) => Number((v / 255).toFixed(5))),
          alpha: 1,
          hex: c.hex,
        },
      },
    ];
  });
  return `${JSON.stringify(Object.fromEntries(tokens), null, 2)}\n`;
}

type Group = Readonly<Record<string, unknown>>;
const isGroup = (value: unknown): value is Group =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** A colour of a token as CSS Color Level 4 writes it; empty in a space that is not known. */
function cssOf(space: string, a: number, b: number, c: number): string {
  if (space === 'hsl') {
    return `hsl(${a} ${b}% ${c}%)`;
  }
  if (/^(ok)?l(ab|ch)$/.test(space)) {
    return `${space}(${a} ${b} ${c})`;
  }
  return /^(srgb|display-p3|srgb-linear)$/.test(space) ? `color(${space} ${a} ${b} ${c})` : '';
}

/** A colour value: text as in the drafts, or colour space with components. */
function colourOfToken(value: unknown): string | undefined {
  if (typeof value === 'string') {
    const colour = tryColour(value);
    return colour && hexOf(colour);
  }
  if (!isGroup(value)) {
    return undefined;
  }
  if (typeof value.hex === 'string' && tryColour(value.hex)) {
    return hexOf(tryColour(value.hex)!);
  }
  const { components, colorSpace } = value;
  if (!Array.isArray(components) || components.length !== 3 || typeof colorSpace !== 'string') {
    return undefined;
  }
  const parts = components.map((c) => (c === 'none' ? 0 : Number(c)));
  if (parts.some(Number.isNaN)) {
    return undefined;
  }
  const [a, b, c] = parts;
  const colour = tryColour(cssOf(colorSpace, a, b, c));
  return colour && hexOf(colour);
}

/** Deeper groups, or longer chains of aliases, are taken for rings. */
const deepest = 32;

function fromDesignTokens(root: Group, name: string): ThemeColour[] {
  const found: ThemeColour[] = [];
  const at = (path: string): unknown =>
    path
      .split('.')
      .reduce<unknown>((group, key) => (isGroup(group) ? group[key] : undefined), root);
  const follow = (value: unknown, depth = 0): unknown => {
    const alias = typeof value === 'string' ? /^\{([^{}]+)\}$/.exec(value) : null;
    if (!alias) {
      return value;
    }
    const target = at(alias[1]);
    return depth < deepest && isGroup(target) ? follow(target.$value, depth + 1) : undefined;
  };
  const visit = (group: Group, path: readonly string[], type: unknown) => {
    if (path.length > deepest) {
      throw new TokensError(`${name}: expected groups at most ${deepest} deep, found more.`);
    }
    for (const [key, value] of Object.entries(group)) {
      if (key.startsWith('$') || !isGroup(value)) {
        continue;
      }
      const ownType = value.$type ?? type;
      if ('$value' in value) {
        const hex =
          ownType === 'color' || ownType === undefined
            ? colourOfToken(follow(value.$value))
            : undefined;
        if (hex) {
          found.push({ name: [...path, key].join(' '), hex });
        } else if (ownType === 'color') {
          throw new TokensError(
            `${name}: expected a colour for ${[...path, key].join('.')}, found ${JSON.stringify(value.$value).slice(0, 60)}.`,
          );
        }
      } else {
        visit(value, [...path, key], ownType);
      }
    }
  };
  visit(root, [], root.$type);
  return found;
}

/** Custom properties that hold a colour, resolved, in the order they are written. */
function fromCustomProperties(name: string, css: string): ThemeColour[] {
  const { rules } = readStylesheet(name, css);
  const values = new Map<string, string>();
  for (const { property, value } of rules.flatMap((r) => r.declarations)) {
    if (property.startsWith('--')) {
      values.set(property, value);
    }
  }
  return [...values].flatMap(([property, value]) => {
    const colour = tryOpaqueColour(resolveVars(value, values) ?? '');
    return colour ? [{ name: property.slice(2), hex: hexOf(colour) }] : [];
  });
}

const most = 64;
const jsonLimits = { length: 2e6, depth: 64, members: 100_000 } as const;

/**
 * Theme colours from custom properties or from design tokens, whichever the text is.
 * @throws TokensError when it holds no colour
 */
export function readThemeColours(name: string, text: string): ThemeColour[] {
  let found: ThemeColour[];
  if (/^\s*[{[]/.test(text)) {
    let json: unknown;
    try {
      json = boundedJson(text, 'design tokens', jsonLimits);
    } catch (error) {
      throw error instanceof JsonError
        ? new TokensError(`${name}: expected ${error.expected}, found ${error.found}.`)
        : error;
    }
    if (!isGroup(json)) {
      throw new TokensError(`${name}: expected an object of design tokens, found a list.`);
    }
    found = fromDesignTokens(json, name);
  } else {
    found = fromCustomProperties(name, text);
  }
  if (found.length === 0) {
    throw new TokensError(
      `${name}: expected custom properties such as “--clay: #a4553a” or design tokens, found no colour.`,
    );
  }
  if (found.length > most) {
    throw new TokensError(`${name}: expected at most ${most} colours, found ${found.length}.`);
  }
  return found;
}
