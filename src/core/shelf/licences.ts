/**
 * A licence Soyez knows. Names, addresses and demands of the Creative Commons ones are those of
 * creativecommons.org (from memory).
 */
export interface Licence {
  readonly id: string;
  readonly title: string;
  readonly url: string | null;
  /** The maker must be named where the picture is used. */
  readonly asksForCredit: boolean;
  /** What comes of it must be under the same licence. */
  readonly shareAlike: boolean;
}

const licence = (
  id: string,
  title: string,
  url: string | null,
  asksForCredit: boolean,
  shareAlike = false,
): Licence => ({ id, title, url, asksForCredit, shareAlike });

export const licences: readonly Licence[] = [
  licence('own', 'My own picture', null, false),
  licence('cc0', 'CC0 1.0', 'https://creativecommons.org/publicdomain/zero/1.0/', false),
  licence('cc-by', 'CC BY 4.0', 'https://creativecommons.org/licenses/by/4.0/', true),
  licence(
    'cc-by-sa',
    'CC BY-SA 4.0',
    'https://creativecommons.org/licenses/by-sa/4.0/',
    true,
    true,
  ),
  licence('library', 'Library licence, no credit asked', null, false),
  licence('bought', 'Bought, no credit asked', null, false),
  licence('allowed', 'Allowed by the maker, with credit', null, true),
];

/**
 * The licence of that id; undefined for what the owner wrote in own words, and while nothing is
 * known.
 */
export const licenceOf = (id: string): Licence | undefined => licences.find((l) => l.id === id);

/** Its title, the owner's own words, or that nothing is known. */
export const licenceWords = (id: string): string =>
  licenceOf(id)?.title ?? (id || 'licence not known');

/** Where nothing is known a credit is asked for, to be on the safe side. */
export const asksForCredit = (id: string): boolean => licenceOf(id)?.asksForCredit ?? true;
