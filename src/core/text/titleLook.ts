import type { TextAlign } from '../site/model/objectLayers';
import type { TitleBand } from '../site/model/page';
import type { Site } from '../site/model/site';

/** Weight of a band's title, and from line to line as a multiple of its size. */
export const titleWeight = 500;
export const titleLeading = 1.2;

/** The font that a band's title is set in. */
export const titleFont = ({ font }: Pick<TitleBand, 'font'>, site: Pick<Site, 'theme'>): string =>
  font ?? site.theme.headingFont;

/** How a title stands in its room, in the words of CSS Grid and CSS Text. */
export const titleStands = ({ align, high }: Pick<TitleBand, 'align' | 'high'>) => ({
  alignContent: ({ top: 'start', middle: 'center', bottom: 'end' } as const)[high],
  textAlign: align === 'centre' ? ('center' as const) : (align satisfies TextAlign),
});
