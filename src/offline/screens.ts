/**
 * The screens as they are kept for when there is no connection. A screen's document is the same for
 * every site and slot but for their ids, so one of each is kept, with these words in their places.
 */
const placeOf: Readonly<Record<string, string>> = {
  '[siteId]': 'site-id-stands-here',
  '[slotId]': 'slot-id-stands-here',
};

/** Every screen's route, as its folder under `src/app` is called. */
export const screens: readonly string[] = [
  '/',
  '/sites/[siteId]',
  '/sites/[siteId]/before-after',
  '/sites/[siteId]/hand-over',
  '/sites/[siteId]/recolour',
  '/sites/[siteId]/shelf',
  '/sites/[siteId]/slots/[slotId]',
];

/** The address at which the server gives the document of a screen to keep. */
export const keptAddress = (screen: string): string =>
  screen
    .split('/')
    .map((part) => placeOf[part] ?? part)
    .join('/');

/** The address of a screen's components, which go into a page that is open already. */
export const componentsOf = (address: string): string => `${address}?_rsc`;

/** Addresses of all that is kept of the screens. */
export const keptAddresses: readonly string[] = screens
  .map(keptAddress)
  .flatMap((address) => [address, componentsOf(address)]);

/** Ids as this application makes them: nothing in them means anything in HTML or in a script. */
const anId = /^[\w-]+$/;

export interface Asked {
  /** Where the kept document lies. */
  readonly kept: string;
  /** What stands in it, and the id that belongs there. */
  readonly ids: readonly (readonly [place: string, id: string])[];
}

/**
 * The kept document that answers an address.
 *
 * @param path of an address, `/sites/k3v9/shelf`
 * @returns undefined where no screen has that address
 */
export function screenAt(path: string): Asked | undefined {
  const asked = path.split('/');
  for (const screen of screens) {
    const parts = screen.split('/');
    const fits =
      parts.length === asked.length &&
      parts.every((part, i) => (part in placeOf ? anId.test(asked[i]) : part === asked[i]));
    if (fits) {
      const ids = parts.flatMap((part, i) =>
        part in placeOf ? [[placeOf[part], asked[i]] as const] : [],
      );
      return { kept: keptAddress(screen), ids };
    }
  }
  return undefined;
}

/** A kept document with the ids of what was asked for. */
export const filled = (document: string, { ids }: Asked): string =>
  ids.reduce((text, [place, id]) => text.replaceAll(place, id), document);
