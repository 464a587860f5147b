import { resizeSlot } from '../site/slots';
import { pagesWith } from '../site/pages';
import type { ReadingContext, ReadingKind } from './reading';

interface Widths {
  readonly slot: number;
  readonly content: number;
  readonly page: string;
}

/**
 * The page whose content width the header misses by most; a width in percent alone changes with the
 * screen and is nothing to hold it to.
 */
function widths({ site, slot }: ReadingContext): Widths | undefined {
  const found = pagesWith(site, slot)
    .filter((page) => page.headerSlot === slot.id)
    .flatMap((page) =>
      page.content.px === null
        ? []
        : [{ slot: slot.width, content: page.content.px, page: page.name }],
    );
  return found.sort((a, b) => Math.abs(b.slot - b.content) - Math.abs(a.slot - a.content))[0];
}

/**
 * A header is as wide as the content it stands over: narrower leaves a bare stripe, wider is scaled
 * down or cropped by the host.
 */
export const headerWidth: ReadingKind<Widths> = {
  id: 'header-width',
  question: 1,
  title: 'Width against content',
  applies: (context) => context.slot.kind === 'header' && widths(context) !== undefined,
  measure: widths,
  judge: ({ slot, content }) => {
    if (slot === content) {
      return 'holds';
    }
    if (slot > content) {
      return 'look';
    }
    return 'fails';
  },
  figure: ({ slot, content }) =>
    slot === content
      ? `${content} px`
      : `${slot > content ? '+' : '−'}${Math.abs(slot - content)} px`,
  plain: ({ slot, content }) => {
    if (slot === content) {
      return 'As wide as the content';
    }
    return slot < content ? 'Narrower than the content' : 'Wider than the content';
  },
  say: ({ slot, content, page }) => {
    if (slot === content) {
      return `Exactly as wide as the content, ${content} px.`;
    }
    if (slot < content) {
      return `${content - slot} px narrower than the content of ${page}, ${content} px: a bare stripe shows beside it, or the host stretches it.`;
    }
    return `${slot - content} px wider than the content of ${page}, ${content} px: the host scales it down or crops it.`;
  },
  mend: ({ content }, { slot }) => ({
    label: `Make it ${content} px wide`,
    edit: resizeSlot(slot.id, { width: content }),
  }),
};
