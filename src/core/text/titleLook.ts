import type { TextAlign } from '../site/model/objectLayers';
import type { TitleBand } from '../site/model/page';
import type { Site } from '../site/model/site';
import { fontOf, weightIn } from './fonts';

/** From line to line of a band's title, as a multiple of its size. */
export const titleLeading = 1.2;

/** The font that a band's title is set in. */
export const titleFont = ({ font }: Pick<TitleBand, 'font'>, site: Pick<Site, 'theme'>): string =>
  font ?? site.theme.headingFont;

/** The weight that it is shown in. */
export const titleWeight = (band: Pick<TitleBand, 'font'>, site: Pick<Site, 'theme' | 'fonts'>) =>
  weightIn(fontOf(titleFont(band, site), site.fonts), site.theme.headingWeight);

/** How a title stands in its room, in the words of CSS Grid and CSS Text. */
export const titleStands = ({ align, high }: Pick<TitleBand, 'align' | 'high'>) => ({
  alignContent: ({ top: 'start', middle: 'center', bottom: 'end' } as const)[high],
  textAlign: align === 'centre' ? ('center' as const) : (align satisfies TextAlign),
});
