import type { AskedFamily } from '../site/model/pieceSet';
import { commaParts } from '../theme/commaParts';
import type { Declared } from './scanSheet';
import { usersOf } from './variables';

/* Words by which sheets and files say that a colour has a meaning: common practice, no source. */

/** Anywhere among the words of a name. */
const meaning = new Set(
  (
    'warning warn caution danger dangerous error errors err fail failed failure fatal invalid ' +
    'success successful alert alerts admonition deprecated critical inserted deleted removed ' +
    'diff severity'
  ).split(' '),
);

/** Only as a whole name, or in the name of a variable: they are parts of other names too. */
const meaningAlone = new Set(
  'info note notice tip hint important attention ok valid todo ins del added add remove seealso'.split(
    ' ',
  ),
);

const code = new Set(
  (
    'code pre hljs highlight chroma codehilite prism token syntax sourcecode codemirror rouge ' +
    'pygments shiki codeblock literal kbd samp tt'
  ).split(' '),
);

/** The words of a name: parted by signs, by digits and by capitals. */
const wordsOf = (name: string): string[] =>
  name
    .replace(/([a-z])([A-Z])/g, '$1 $2')
    .toLowerCase()
    .split(/[^a-z]+/)
    .filter(Boolean);

function ofName(name: string, isVariable: boolean): AskedFamily | undefined {
  const words = wordsOf(name);
  if (words.some((w) => meaning.has(w)) || (isVariable && words.some((w) => meaningAlone.has(w)))) {
    return 'meaning';
  }
  if (words.length === 1 && meaningAlone.has(words[0])) {
    return 'meaning';
  }
  return words.some((w) => code.has(w)) ? 'code' : undefined;
}

/** Names of elements, classes and ids of a selector; what `:not()` leaves out is no name of it. */
const namesIn = (selector: string): string[] =>
  selector
    .replace(/:not\([^)]{0,500}\)/g, '')
    .replace(/\[[^[\]]*\]/g, (m) => m.replace(/["'=\]~|^$*]/g, ' '))
    .split(/[\s>+~,.#:()[\]*&]+/)
    .filter(Boolean);

/**
 * Whether a rule is for what has a meaning or is code, by the names in its selector; of a list of
 * selectors all must be.
 */
export function familyOfSelector(selector: string): AskedFamily | undefined {
  const each = commaParts(selector).map((one) => {
    const families = namesIn(one).flatMap((name) => ofName(name, false) ?? []);
    return families.includes('meaning') ? 'meaning' : families[0];
  });
  return each.every((family) => family !== undefined) ? each[0] : undefined;
}

/** Of a picture, by the name of its file. */
export const isMeant = (path: string): boolean =>
  wordsOf(
    path
      .split('/')
      .at(-1)!
      .replace(/\.[a-z0-9]+$/i, ''),
  ).some((w) => meaning.has(w));

/** A variable of a source that a sheet is compiled from. */
export const isSourceVariable = ({ selector }: Declared): boolean => selector === '';

/** Variables that go through more others than this are for nothing that can be told. */
const longestChain = 200;

/**
 * What each declaration of style sheets is for, where it is for something that has a meaning or for
 * code: by its selector, by its variable's name, and of a variable by all that use it.
 */
export function askedFamilies(
  declared: readonly Declared[],
): (d: Declared) => AskedFamily | undefined {
  const uses = usersOf(declared);
  const known = new Map<string, AskedFamily | undefined>();
  const ofVariable = (name: string, depth = 0): AskedFamily | undefined => {
    if (known.has(name) || depth > longestChain) {
      return known.get(name);
    }
    // A ring of variables is for nothing.
    known.set(name, undefined);
    const own = ofName(name, true);
    const all = (uses.get(name) ?? []).map((d) =>
      d.property.startsWith('--')
        ? ofVariable(d.property, depth + 1)
        : familyOfSelector(d.selector),
    );
    const found =
      own ?? (all.length > 0 && all.every((f) => f && f === all[0]) ? all[0] : undefined);
    known.set(name, found);
    return found;
  };
  return (d) => {
    if (isSourceVariable(d)) {
      return ofName(d.property, true);
    }
    return (
      (d.property.startsWith('--') ? ofVariable(d.property) : undefined) ??
      familyOfSelector(d.selector)
    );
  };
}
