import { notify } from './notices';

/** Puts text on the clipboard and says so, or says that the browser did not allow it. */
export async function copyText(what: string, text: string): Promise<void> {
  try {
    await navigator.clipboard.writeText(text);
    notify('done', `${what} copied.`);
  } catch {
    notify('bad', `The browser did not allow copying. Select the text and copy it by hand.`);
  }
}
