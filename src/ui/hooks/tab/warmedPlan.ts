'use client';

import { recallFindings } from './findings';
import { theSites } from './sites';

/** The site whose plan is at the address; none where one goes there from another screen. */
const siteAt = (address: string): string | undefined => /\/sites\/([\w-]+)$/.exec(address)?.[1];

/** Whether an earlier visit left all findings of a site. */
async function known(siteId: string): Promise<boolean> {
  const session = await theSites().open(siteId);
  return (
    session !== undefined && (await recallFindings(session.state.getState().site)) !== undefined
  );
}

/*
 * What an earlier visit left is asked for with the screen's script, since the screen itself takes
 * longer than that. Where nothing was left the workers that write in the background start, which
 * takes as long as the screen does too.
 */
if (typeof window !== 'undefined') {
  const siteId = siteAt(location.pathname);
  void (siteId ? known(siteId).catch(() => false) : Promise.resolve(false)).then(
    (isKnown) => isKnown || import('./warmedWriting'),
  );
}
