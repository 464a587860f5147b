'use client';

import { SiteCards } from '@/work/siteCards';
import { theEngine } from './engine';
import { once } from './once';

/** The cards of all sites. */
export const theSiteCards = once(() => new SiteCards(theEngine().bulk.card));
