import { asksForCredit, licenceOf, licenceWords } from '../shelf/licences';
import type { Picture } from '../site/model/picture';
import type { ShelfItem } from '../site/model/shelf';
import type { Site } from '../site/model/site';
import type { Slot } from '../site/model/slot';
import { escapeHtml } from './escape';

/** A photograph that is used, and in which slots. */
export interface Credit {
  readonly item: ShelfItem;
  readonly slots: readonly Slot[];
}

/** Photographs a picture shows. */
export const photosIn = (site: Pick<Site, 'shelf'>, picture: Picture): ShelfItem[] => {
  const used = new Set(
    picture.layers.flatMap((l) => (l.kind === 'photo' && !l.hidden ? [l.assetId] : [])),
  );
  return site.shelf.filter((item) => used.has(item.assetId));
};

export const slotsWith = (site: Site, assetId: string): Slot[] =>
  site.slots.filter((slot) =>
    site.pictures[slot.pictureId]?.layers.some((l) => l.kind === 'photo' && l.assetId === assetId),
  );

/** All photographs of the site whose licence asks for credit, with the slots they are in. */
export const creditsOf = (site: Site): Credit[] =>
  site.shelf
    .filter((item) => asksForCredit(item.licence))
    .map((item) => ({ item, slots: slotsWith(site, item.assetId) }))
    .filter((c) => c.slots.length > 0);

const changed = 'cropped and recoloured';

/** One line of plain text, such as “Bowls” by Orla Fennick, CC BY 4.0, cropped and recoloured. */
export function creditLine({ name, maker, source, licence }: ShelfItem): string {
  const url = licenceOf(licence)?.url;
  return `“${name}” by ${maker || 'an unknown maker'}${source ? `, from ${source}` : ''}, ${licenceWords(licence)}${url ? ` (${url})` : ''}, ${changed}`;
}

function creditHtml({ name, maker, source, licence }: ShelfItem): string {
  const known = licenceOf(licence);
  const title = escapeHtml(licenceWords(licence));
  return `“${escapeHtml(name)}” by ${escapeHtml(maker || 'an unknown maker')}${source ? `, from ${escapeHtml(source)}` : ''}, ${known?.url ? `<a rel="license" href="${known.url}">${title}</a>` : title}, ${changed}`;
}

/**
 * The credits of a list of photographs as text, one line each, and as a list in HTML; both empty
 * where none is asked for.
 */
export function creditsPage(items: readonly ShelfItem[]): { text: string; html: string } {
  const asked = items.filter((item) => asksForCredit(item.licence));
  if (asked.length === 0) {
    return { text: '', html: '' };
  }
  return {
    text: `${asked.map(creditLine).join('\n')}\n`,
    html: `<ul class="picture-credits">\n${asked.map((item) => `  <li>${creditHtml(item)}</li>\n`).join('')}</ul>\n`,
  };
}
