import { string } from 'css-tree';
import type { OwnPage } from '../site/model/ownPage';
import { ruleWithin } from '../theme/cssText';
import { escapeHtml } from './escape';
import { insideArchive } from './filePlan';
import { ownRuleText } from './pagePatches';
import type { PageWishes, PlaceWish } from './pageWishes';
import { addressOfPath } from './relativeAddress';

const clean = (name: string): string => name.replaceAll('*/', '').replaceAll('--', '–');

function linesOf(own: OwnPage, { slot, file, was, declared, laying, tag }: PlaceWish): string {
  const moved = was !== undefined && insideArchive(was.path) !== file.path;
  const resized = was?.size?.width !== slot.width || was.size.height !== slot.height;
  const address = addressOfPath(file.path);
  if (tag) {
    return moved || resized
      ? `<!-- ${clean(slot.name)} -->\n<img src="${escapeHtml(address)}" width="${slot.width}" height="${slot.height}" alt="">\n`
      : '';
  }
  if (!was || (!moved && declared.length === 0)) {
    return '';
  }
  const lines = [
    ...(moved ? [`background-image: url(${string.encode(address)})`] : []),
    ...declared.map(({ property, value }) => `${property}: ${value}`),
  ];
  const place = own.places.find((p) => p.slot === slot.id)!;
  const rules = laying.filter(({ selector }) => selector !== '');
  const named =
    rules.length > 0 ? rules : [{ selector: place.selector + place.pseudo, within: [] }];
  return (
    `/* ${clean(slot.name)} */\n` +
    named.map(({ selector, within }) => ruleWithin(within, selector, lines)).join('')
  );
}

/**
 * What a page's files need as rules to put at the end of its last style sheet, and tags to put in place
 * of its own; addresses are from the folder that the page lies in.
 */
export const pastedLines = (own: OwnPage, wishes: PageWishes): string =>
  wishes.places
    .filter(({ slot }) => !wishes.own.some((one) => one.slot === slot.id))
    .map((place) => linesOf(own, place))
    .join('') + wishes.own.map((one) => ownRuleText(one, addressOfPath)).join('');
