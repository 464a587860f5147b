'use client';

import { SiteCards } from '@/work/siteCards';
import { counted } from '@/core/readings/counted';
import type { SiteCard } from '@/core/readings/siteCard';
import { theEngine } from './engine';
import { recallFindings } from './findings';
import { lazily } from '@/core/lazily';

/** A site's card, with the findings that its plan left of it as it is now. */
async function cardOf(stored: unknown): Promise<SiteCard> {
  const card = await theEngine().bulk.card(stored);
  if ('problem' in card) {
    return card;
  }
  const found = await recallFindings(card.site);
  return found ? { ...card, measured: true, ...counted(found) } : card;
}

/** The cards of all sites. */
export const theSiteCards = lazily(() => new SiteCards(cardOf));
