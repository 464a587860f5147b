/** A screen against all rules that axe-core checks by itself: WCAG 2.2 A and AA, and good practice. */
import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect } from './bench.fixture';

/** What changes with a facet of a question; the rest of the screen was checked before. */
export const tray = '[data-tray]';

export async function check(page: Page, what: string, part?: string): Promise<void> {
  // A screen is as high as the window: nothing that gets the focus may scroll it away.
  if (!page.url().includes('/rehearsal/')) {
    expect
      .soft([what, await page.evaluate(() => document.documentElement.scrollHeight - innerHeight)])
      .toEqual([what, 0]);
  }
  // The page that is drawn is the owner's, in the theme's own colours; it is hidden from assistive
  // tools on the plan.
  const axe = new AxeBuilder({ page })
    .options({ resultTypes: ['violations'] })
    // In the page itself: no screen has frames of other origins, and a second page for every look
    // costs more than the look.
    .setLegacyMode()
    .exclude('[data-testid="page"]')
    // A page of the owner's in a frame is not ours.
    .exclude('iframe');
  const { violations } = await (part ? axe.include(part) : axe).analyze();
  expect
    .soft([
      what,
      violations.map(
        (v) =>
          `${v.id}: ${v.nodes
            .slice(0, 3)
            .map((n) => n.html.slice(0, 140))
            .join(' | ')}`,
      ),
    ])
    .toEqual([what, []]);
}
