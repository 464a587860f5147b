import { boundedSheet, sheetLimits } from '../theme/boundedSheet';
import { DrawnElements, mostDrawn, namedByUrl } from './drawnElements';

/** What a drawing of lines and areas may come to; more than anybody draws (ours). */
export const drawingLimits = {
  /** Elements inside each other. */
  deep: 256,
} as const;

/** Why a drawing is refused, as the end of a sentence. */
export interface TooMuch {
  readonly expected: string;
  readonly found: string;
}

/** What a drawing says that other text is to stand for. */
const entities = /<!ENTITY[^"'<>]{0,200}("[^"]*"|'[^']*')/gi;

/** Names of spaces and letters, which entities are used for, have none of these. */
const hiding = /[<&({[]/;

const tags =
  /<!--[\s\S]*?(?:-->|$)|<!\[CDATA\[[\s\S]*?(?:\]\]>|$)|<(\/?)([a-z_](?:"[^"]*"|'[^']*'|[^'"<>])*)>/gi;

const identity = /\s(?:xml:)?id\s*=\s*(?:"([^"]*)"|'([^']*)')/i;
const links = /href\s*=\s*["']\s*#([^"']*)["']/gi;
const values = /"([^"]*)"|'([^']*)'/g;

/** A text of XML by its mark or its first letter (XML 1.0, appendix F). */
function textOf(bytes: Uint8Array): string {
  const [a, b] = bytes;
  const little = (a === 0xff && b === 0xfe) || (a === 0x3c && b === 0);
  const big = (a === 0xfe && b === 0xff) || (a === 0 && b === 0x3c);
  const wide = big ? 'utf-16be' : 'utf-16le';
  return new TextDecoder(little || big ? wide : 'utf-8').decode(bytes);
}

/** With the characters that are written by their numbers. */
const plain = (text: string): string =>
  text.replace(/&#(?:x([0-9a-f]{1,6})|(\d{1,7}));/gi, (whole, hex: string, decimal: string) => {
    const code = hex ? parseInt(hex, 16) : Number(decimal);
    return code <= 0x10ffff ? String.fromCodePoint(code) : whole;
  });

/** With the letters that a style sheet writes by their numbers (CSS Syntax Level 3, 4.3.7). */
const unescaped = (css: string): string =>
  css.replace(/\\([0-9a-f]{1,6})[ \t\n\r\f]?/gi, (whole, hex: string) =>
    parseInt(hex, 16) <= 0x10ffff ? String.fromCodePoint(parseInt(hex, 16)) : whole,
  );

/** Whole sheets and drawings that come in with it. */
const broughtIn = /<\?xml-stylesheet|@import|data:(?:text\/css|image\/svg)/i;

/** Browsers pass over blanks inside an address. */
const bringsIn = (text: string): boolean =>
  broughtIn.test(text) || broughtIn.test(unescaped(plain(text)).replace(/\s+/g, ''));

const isTooMuchStyle = (css: string): boolean => boundedSheet(plain(css)).cut !== undefined;

function isStyledTooMuch(tag: string): boolean {
  if ((plain(tag).match(/[([{]/g)?.length ?? 0) <= sheetLimits.mixes) {
    return false;
  }
  return [...tag.matchAll(values)].some(([, a, b]) => isTooMuchStyle(a ?? b));
}

/**
 * Whether a drawing comes to more than whoever draws it can follow: elements too deep in each other,
 * used again too often or by too many others in a row, styles too deep. Told by its tags alone.
 * @returns undefined where it does not
 */
export function tooMuchIn(bytes: Uint8Array): TooMuch | undefined {
  const text = textOf(bytes);
  if ([...text.matchAll(entities)].some(([, value]) => hiding.test(value))) {
    return { expected: 'a drawing written out', found: 'entities that stand for parts of it' };
  }
  if (bringsIn(text)) {
    return {
      expected: 'a drawing by itself',
      found: 'one that brings in sheets or other drawings',
    };
  }
  const elements = new DrawnElements();
  let styles: number | undefined;
  for (const { 0: whole, 1: closes, 2: tag, index } of text.matchAll(tags)) {
    if (closes === undefined) {
      continue;
    }
    if (styles !== undefined && isTooMuchStyle(text.slice(styles, index))) {
      return styledTooMuch;
    }
    styles = undefined;
    if (closes) {
      elements.closes();
      continue;
    }
    const closed = whole.endsWith('/>');
    if (isStyledTooMuch(tag)) {
      return styledTooMuch;
    }
    elements.opens(
      {
        name: /^[^\s/]*/.exec(tag)![0],
        id: (([, a, b]) => a ?? b)(identity.exec(tag) ?? []),
        names: [...[...tag.matchAll(links)].map(([, id]) => id.trim()), ...namedByUrl(tag)],
      },
      closed,
    );
    if (elements.depth > drawingLimits.deep) {
      return {
        expected: `elements at most ${drawingLimits.deep} deep in each other`,
        found: 'deeper ones',
      };
    }
    styles = !closed && /^(?:\w+:)?style\b/i.test(tag) ? index + whole.length : undefined;
  }
  if (styles !== undefined && isTooMuchStyle(text.slice(styles))) {
    return styledTooMuch;
  }
  return elements.all() <= mostDrawn
    ? undefined
    : {
        expected: `at most ${mostDrawn} elements to draw, each as often as it is used`,
        found: 'more',
      };
}

const styledTooMuch: TooMuch = {
  expected: 'styles that a browser can read',
  found: 'brackets or rules too deep in each other',
};
