import { viewOf } from './rect';

/**
 * Every rule of a document's style sheets, those inside others and those of imported sheets after
 * the rule that brings them. A sheet that cannot be read has none.
 */
export function* rulesOf(document: Document): Generator<CSSRule> {
  for (const sheet of document.styleSheets) {
    yield* rulesIn(sheet, viewOf(document));
  }
}

/** The same of one of its sheets. */
export const rulesOfSheet = (sheet: CSSStyleSheet, document: Document): Generator<CSSRule> =>
  rulesIn(sheet, viewOf(document));

function* rulesIn(
  owner: { readonly cssRules: CSSRuleList },
  view: Window & typeof globalThis,
): Generator<CSSRule> {
  let list: CSSRuleList;
  try {
    list = owner.cssRules;
  } catch {
    return;
  }
  for (const rule of list) {
    yield rule;
    if (rule instanceof view.CSSImportRule && rule.styleSheet) {
      yield* rulesIn(rule.styleSheet, view);
    }
    if ('cssRules' in rule && rule.cssRules) {
      yield* rulesIn(rule as CSSGroupingRule, view);
    }
  }
}
