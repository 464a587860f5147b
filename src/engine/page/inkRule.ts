import { nestedSelector, tidySelector } from '@/core/theme/selectorText';
import { MainThreadTurns } from '../yieldToMain';
import { viewOf } from './rect';
import { rulesOf } from './rules';

/** A rule that says the colour of words, and the sheet it is in. */
export interface InkRule {
  readonly sheet: CSSStyleSheet;
  /** With what it is nested in put in. */
  readonly selector: string;
}

type Styled = CSSRule & { readonly style: CSSStyleDeclaration };

/** A colour for each rule that no page has: beyond white, which CSS Color Level 4 keeps as it is. */
const probeOf = (rule: number): string => `color(srgb ${rule} 0.9371 0)`;
const probed = /^color\(srgb (\d+) 0\.9371 0\)$/;

/** Of the rules around it too, since a nested one speaks of what it is in. */
function selectorOf(rule: CSSRule): string {
  const around = rule.parentRule ? selectorOf(rule.parentRule) : '';
  const own = 'selectorText' in rule ? String(rule.selectorText) : '';
  return own === '' ? around : nestedSelector(around, tidySelector(own));
}

/**
 * The rules that give the words of elements their colour, be it that of what they lie in; undefined
 * where no rule of a sheet does. Which one wins is asked of the browser: for a moment every rule says
 * a colour of its own. Nothing else may look at the document meanwhile.
 * @param layer in which what is important outdoes the page's own
 */
export async function inkRulesOf(
  document: Document,
  elements: readonly Element[],
  layer: string,
): Promise<(InkRule | undefined)[]> {
  const view = viewOf(document);
  const saysColour = (rule: CSSRule): rule is Styled =>
    'style' in rule &&
    !(rule instanceof view.CSSKeyframeRule) &&
    (rule as Styled).style.color !== '';
  const still = document.createElement('style');
  // What is on its way to another colour has none of both.
  still.textContent = `@layer ${layer}{*{transition:none!important;animation:none!important}}`;
  document.head.append(still);
  const breath = new MainThreadTurns();
  const rules: { readonly rule: Styled; readonly value: string; readonly priority: string }[] = [];
  try {
    for (const rule of rulesOf(document)) {
      if (saysColour(rule)) {
        const { style } = rule;
        const [value, priority] = [
          style.getPropertyValue('color'),
          style.getPropertyPriority('color'),
        ];
        style.setProperty('color', probeOf(rules.length), priority);
        rules.push({ rule, value, priority });
      }
      await breath.yieldToMain();
    }
    return elements.map((element) => {
      const [, which] = probed.exec(view.getComputedStyle(element).color) ?? [];
      const found = rules.at(Number(which ?? Number.NaN))?.rule;
      return which !== undefined && found?.parentStyleSheet
        ? { sheet: found.parentStyleSheet, selector: selectorOf(found) }
        : undefined;
    });
  } finally {
    for (const { rule, value, priority } of rules) {
      rule.style.setProperty('color', value, priority);
      await breath.yieldToMain();
    }
    still.remove();
  }
}
