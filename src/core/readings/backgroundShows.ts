import { contentWidthAt } from '../measure/layoutPage';
import { hiddenShare, narrowedTo } from '../measure/visitors';
import { editPage, pagesWith } from '../site/pages';
import type { ReadingContext, ReadingKind } from './reading';

/** More visitors than this who see none of a background make it worth a look (ours). */
const accepted = 0.25;

/** Content narrower than this is no longer a page for a wide screen (ours). */
const narrowest = 720;

interface Hidden {
  readonly share: number;
  readonly pageId: string;
  readonly page: string;
}

function hidden({ site, slot }: ReadingContext): Hidden | undefined {
  const found = pagesWith(site, slot).map((page) => ({
    share: hiddenShare(page, site.visitors),
    pageId: page.id,
    page: page.name,
  }));
  return found
    .filter((f): f is Hidden => f.share !== undefined)
    .sort((a, b) => b.share - a.share)[0];
}

/**
 * Widest content, in steps of 20 px, at which so many visitors see the background as is accepted;
 * undefined where only phones are in the way.
 */
function wideEnough({ site, slot }: ReadingContext, pageId: string): number | undefined {
  const page = pagesWith(site, slot).find((p) => p.id === pageId);
  if (!page) {
    return undefined;
  }
  for (let px = Math.floor((contentWidthAt(page, 3840) - 1) / 20) * 20; px >= narrowest; px -= 20) {
    if ((hiddenShare(narrowedTo(page, px), site.visitors) ?? 1) <= accepted) {
      return px;
    }
  }
  return undefined;
}

/** Share of the visitors on whose screens the content covers the whole background. */
export const backgroundShows: ReadingKind<Hidden> = {
  id: 'background-shows',
  question: 1,
  title: 'Seen beside the content',
  applies: ({ site, slot }) => slot.kind === 'background' && pagesWith(site, slot).length > 0,
  measure: hidden,
  judge: ({ share }) => {
    if (share <= accepted) {
      return 'holds';
    }
    if (share < 0.9) {
      return 'look';
    }
    return 'fails';
  },
  figure: ({ share }) => `by ${Math.round((1 - share) * 100)}%`,
  plain: ({ share }) => (share === 0 ? 'Every visitor sees it' : 'Some visitors never see it'),
  say: ({ share, page }) =>
    share === 0
      ? 'All of your visitors see it beside the content.'
      : `On ${Math.round(share * 100)}% of your visitors’ screens no background shows at all on ${page}: the content covers it.`,
  mend({ pageId, share }, context) {
    const px = share > accepted ? wideEnough(context, pageId) : undefined;
    return px === undefined
      ? undefined
      : {
          label: `Narrow the content to ${px} px`,
          edit: editPage(pageId, (page) => {
            page.content.px = px;
          }),
        };
  },
};
