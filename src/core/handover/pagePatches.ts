import { string } from 'css-tree';
import { documentPatches, sheetsLinkedIn } from '../ownPage/patch/documentPatches';
import { sheetPatches, type Names } from '../ownPage/patch/sheetPatches';
import type { TextPatch } from '../files/textPatch';
import { ruleWithin } from '../theme/cssText';
import type { OwnRule, PageWishes } from './pageWishes';

/** Names a text of an own page: a style sheet by its key, the document by none. */
export type TextKey = string;
export const documentKey: TextKey = '';

/** The texts of a page, as it came or as it is shown. */
export interface PageTexts {
  readonly document: string;
  /** By key. */
  readonly sheets: ReadonlyMap<TextKey, string>;
  namesIn(text: TextKey): Names;
  /** The address of a file of the hand-over, for what stands in a text. */
  addressIn(text: TextKey, path: string): string;
}

/** In texts that name files by their keys, whatever those are called. */
export const keyNames: Names = {
  keyOf: (address) => /^frozen:\d+/.exec(address)?.[0],
  renamed: () => undefined,
};

/** A rule that the page does not have yet, as it stands in a sheet. */
export function ownRuleText(
  { selector, within, important, picture, declared }: OwnRule,
  address: (path: string) => string,
): string {
  const force = important ? ' !important' : '';
  return ruleWithin(within, selector, [
    ...(picture === undefined
      ? []
      : [`background-image: url(${string.encode(address(picture))})${force}`]),
    ...declared.map(({ property, value }) => `${property}: ${value}${force}`),
  ]);
}

/**
 * What changes of the texts of a page. Rules that it does not have yet go to the end of the last of its
 * style sheets, or of its head where it has none.
 * @returns by text; those that stay as they are are left out
 */
export function pagePatches(
  texts: PageTexts,
  { rules, inTags, tags, own }: PageWishes,
): ReadonlyMap<TextKey, readonly TextPatch[]> {
  const last = sheetsLinkedIn(texts.document, texts.namesIn(documentKey)).findLast((key) =>
    texts.sheets.has(key),
  );
  const ownRules = (text: TextKey): string =>
    own.map((one) => ownRuleText(one, (path) => texts.addressIn(text, path))).join('');
  const found = new Map<TextKey, readonly TextPatch[]>();
  for (const [key, css] of texts.sheets) {
    const wished = rules.filter(({ sheet }) => sheet === key);
    const patches = sheetPatches(css, texts.namesIn(key), wished);
    const added = key === last ? ownRules(key) : '';
    const end: TextPatch[] = added
      ? [
          {
            from: css.length,
            to: css.length,
            text: css === '' || css.endsWith('\n') ? added : `\n${added}`,
          },
        ]
      : [];
    found.set(key, [...patches, ...end]);
  }
  const document = documentPatches(texts.document, texts.namesIn(documentKey), {
    rules: rules.filter(({ sheet }) => sheet === documentKey),
    inTags,
    tags,
    styles: last === undefined ? ownRules(documentKey) : '',
  });
  return new Map([...found, [documentKey, document] as const].filter(([, p]) => p.length > 0));
}
