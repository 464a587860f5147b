import { colourSpans } from './colourSpans';
import type { Declared } from './scanSheet';

/* Sources that style sheets are compiled from: of them the lines of variables follow. */

/** A source of style sheets, by its name. */
export const isSource = (path: string): boolean => /\.(scss|sass|less|styl)$/i.test(path);

/** `$name: value` and `@name: value`, with what Sass may have behind it. */
const withColon = /^(\s*)([$@][\w-]+)(\s*:\s*)(\S.*)?$/;
/** `name = value`, as Stylus has it. */
const withEquals = /^(\s*)(\$?[a-z_][\w-]*)(\s*=\s*)(\S.*)?$/i;

const flags = ['!default', '!global'];

/** A value without the comment behind it, its semicolon, and the flags of Sass. */
function valueOf(rest: string): string {
  let value = rest.split('//', 1)[0].trim().replace(/;$/, '').trimEnd();
  for (;;) {
    const flag = flags.find((one) => value.endsWith(one));
    if (flag === undefined) {
      return value;
    }
    value = value.slice(0, -flag.length).trimEnd();
  }
}

/** At-rules of Less begin as its variables do. */
const atRule = /^@(media|import|charset|supports|layer|page|font-face|plugin|keyframes)\b/i;

/**
 * The variables of a source with the places of their colours, each on a line of its own; all else
 * of it is left out, since what it makes of them is in the sheet that it is compiled to.
 */
export function scanSource(path: string, text: string): Declared[] {
  const pattern = /\.styl$/i.test(path) ? [withColon, withEquals] : [withColon];
  // What is commented out says nothing; places stay what they are.
  const bare = text.replace(/\/\*[\s\S]*?(?:\*\/|$)/g, (m) => m.replace(/[^\n]/g, ' '));
  let at = 0;
  return bare.split('\n').flatMap((whole, i): Declared[] => {
    const start = at;
    at += whole.length + 1;
    const line = whole.replace(/\r$/, '');
    const m = pattern.map((p) => p.exec(line)).find((found) => found);
    if (!m || atRule.test(m[2])) {
      return [];
    }
    const [, space, name, between, rest = ''] = m;
    const value = valueOf(rest);
    // What a bracket opens, or goes on behind a semicolon, is no variable's line.
    if (between.includes(':') && /[;{]/.test(value)) {
      return [];
    }
    const from = start + space.length + name.length + between.length;
    return [
      {
        selector: '',
        property: name,
        value,
        start: from,
        line: i + 1,
        dark: false,
        colours: colourSpans(value, from),
        urls: [],
      },
    ];
  });
}
