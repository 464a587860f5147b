'use client';

import { SiteCards } from '@/work/siteCards';
import { theEngine } from './engine';
import { lazily } from '@/core/lazily';

/** The cards of all sites. */
export const theSiteCards = lazily(() => new SiteCards(theEngine().bulk.card));
