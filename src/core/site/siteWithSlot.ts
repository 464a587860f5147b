import { applyEdit, chain, type Edit } from './edit';
import type { Site } from './model/site';
import type { SlotKind } from './model/slot';
import { newSite } from './newSite';
import { addSlot } from './slots';

/** Narrowest and widest that a page's content is made to be for a slot, px. */
const contentRange = [200, 3840] as const;
/** Px of a bar above and below the mark in it. */
const barRoom = 4;

/** A page whose content has the slot's size, where its kind is as wide as that or lies in the bar. */
const pageFitting =
  (kind: SlotKind, width: number, height: number): Edit =>
  (site) => {
    const [page] = site.pages;
    const [least, most] = contentRange;
    if ((kind === 'header' || kind === 'band') && width >= least && width <= most) {
      page.content.px = width;
    }
    if (kind === 'mark') {
      page.bar.height = Math.max(page.bar.height, height + 2 * barRoom);
    }
  };

/**
 * A site with one page in greys that a slot fits in.
 * @param size px
 */
export function siteWithSlot(
  ids: { readonly site: string; readonly page: string; readonly slot: string },
  name: string,
  size: { readonly kind: SlotKind; readonly width: number; readonly height: number },
): Site {
  const edit = chain(
    pageFitting(size.kind, size.width, size.height),
    addSlot(ids.page, { id: ids.slot, ...size }),
  );
  return applyEdit(newSite(ids.site, ids.page, name), edit);
}

/** A name that none of the sites has yet: the one wanted, or with a number. */
export function freeSiteName(taken: readonly string[], wanted: string): string {
  if (!taken.includes(wanted)) {
    return wanted;
  }
  for (let n = 2; ; n++) {
    if (!taken.includes(`${wanted} ${n}`)) {
      return `${wanted} ${n}`;
    }
  }
}
