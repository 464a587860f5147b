import type { OwnPage } from '@/core/site/model/ownPage';
import type { Page } from '@/core/site/model/page';

/** The owner's own page stands in the drawing's place. */
export const hasOwn = (page: Page): page is Page & { own: OwnPage } => page.own !== null;
