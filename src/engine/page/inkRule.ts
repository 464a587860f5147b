import { nestedSelector, tidySelector } from '@/core/theme/selectorText';
import { viewOf } from './rect';
import { rulesOf } from './rules';

/** A rule that says the colour of words, and the sheet it is in. */
export interface InkRule {
  readonly sheet: CSSStyleSheet;
  /** With what it is nested in put in. */
  readonly selector: string;
}

type Styled = CSSRule & { readonly style: CSSStyleDeclaration };

/** No page has words in it. */
const probe = 'rgb(1, 254, 3)';

const saysColour = (rule: CSSRule): rule is Styled =>
  'style' in rule && (rule as Styled).style.color !== '';

/** Of the rules around it too, since a nested one speaks of what it is in. */
function selectorOf(rule: CSSRule): string {
  const around = rule.parentRule ? selectorOf(rule.parentRule) : '';
  const own = 'selectorText' in rule ? String(rule.selectorText) : '';
  return own === '' ? around : nestedSelector(around, tidySelector(own));
}

/** A selector that a browser does not take here may hold all the same. */
function mayHold(rule: CSSRule, element: Element): boolean {
  try {
    return element.matches(selectorOf(rule).replace(/::?(?:before|after)\b/gi, '') || '*');
  } catch {
    return true;
  }
}

/**
 * The rule that gives the words of an element their colour, be it that of what they lie in: which
 * one wins is asked of the browser. Undefined where no rule of a sheet does.
 */
export function inkRuleOf(element: Element): InkRule | undefined {
  const view = viewOf(element.ownerDocument);
  const rules = [...rulesOf(element.ownerDocument)].filter(saysColour);
  for (let at: Element | null = element; at; at = at.parentElement) {
    const holder = at;
    const found = rules
      .filter((rule) => mayHold(rule, holder))
      .findLast(({ style }) => {
        const [before, priority] = [
          style.getPropertyValue('color'),
          style.getPropertyPriority('color'),
        ];
        style.setProperty('color', probe, priority);
        const seen = view.getComputedStyle(element).color === probe;
        style.setProperty('color', before, priority);
        return seen;
      });
    if (found?.parentStyleSheet) {
      return { sheet: found.parentStyleSheet, selector: selectorOf(found) };
    }
  }
  return undefined;
}
