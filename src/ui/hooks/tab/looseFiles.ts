'use client';

import { live, livingTabs } from '@/engine/tabLife';
import { putHere } from '@/store/assets';
import { whileNonePuts } from '@/store/fileTurns';
import { addNamed, removeLoose } from '@/store/looseFiles';
import { theDatabase } from './database';
import { theSaveStatus } from './saveStatus';

/** When files were last looked through, ms since 1970. */
const place = 'soyez files looked through';

/** How often that is done by itself, ms. */
const day = 24 * 3600 * 1000;

/** What is on its way into a site: read in this tab, or copied for pasting. */
function held(): ReadonlySet<string> {
  const named = new Set(putHere);
  for (const text of Object.values(localStorage)) {
    addNamed(text, named);
  }
  return named;
}

/**
 * Takes files out of the browser that no site names any more. Not while another tab is open, which
 * may put a site back that was removed, nor while something here is not written yet.
 */
async function removeFiles(): Promise<void> {
  await live();
  await whileNonePuts(theDatabase(), async () => {
    const written = theSaveStatus().state.getState().kept.state === 'kept';
    if (written && (await livingTabs()).size === 1) {
      await removeLoose(theDatabase(), held);
      localStorage.setItem(place, `${Date.now()}`);
    }
  });
}

/** Frees what a site took that was removed; where that cannot be now, at the next start. */
export async function freeFiles(): Promise<void> {
  try {
    localStorage.removeItem(place);
    await removeFiles();
  } catch {
    // It is done another time.
  }
}

/** Frees what nothing needs, once a day. */
export async function freeFilesDaily(): Promise<void> {
  try {
    if (Date.now() - Number(localStorage.getItem(place)) > day) {
      await removeFiles();
    }
  } catch {
    // It is done another time.
  }
}
