import type { Size } from '../frame/placement';
import type { TagWish } from '../ownPage/patch/documentPatches';
import type { Declared, RuleWish } from '../ownPage/patch/sheetPatches';
import { laidOtherwise } from '../ownPage/laidOtherwise';
import type { PageSurvey, PaintedPicture } from '../ownPage/survey';
import { pictureAt } from '../ownPage/takeOver';
import { outdoing } from '../ownPage/outdoing';
import type { OwnPage, OwnPageFile, OwnPlace, WordsInk } from '../site/model/ownPage';
import type { Slot } from '../site/model/slot';
import { insideArchive, type PlannedFile, type SlotFiles } from './filePlan';

/** A rule of a page's own sheet that is to declare more. */
export interface SheetRuleWish extends RuleWish {
  /** Key of the sheet; empty for a style element of the page. */
  readonly sheet: string;
}

/** A rule that the page does not have yet. */
export interface OwnRule {
  /** That it lays the picture of; empty for one of words. */
  readonly slot: string;
  readonly selector: string;
  /** What it stands within, outermost first. */
  readonly within: readonly string[];
  readonly important: boolean;
  /** Path of the picture that it lays; undefined where that lies among others, which stay. */
  readonly picture: string | undefined;
  readonly declared: readonly Declared[];
}

/** A slot of an own page with what its files are to be told of it. */
export interface PlaceWish {
  readonly slot: Slot;
  readonly file: PlannedFile;
  /** The file that lies there now; undefined where there is none. */
  readonly was: OwnPageFile | undefined;
  /** How it is laid from now on, where that differs. */
  readonly declared: readonly Declared[];
  /** Rules that lay it: as they are written, with what they stand within. */
  readonly laying: readonly { readonly selector: string; readonly within: readonly string[] }[];
  readonly tag: boolean;
}

/** What a site wants of the files of an own page. */
export interface PageWishes {
  readonly places: readonly PlaceWish[];
  /** The pictures that come in place of the page's files, by the keys of those. */
  readonly replaced: ReadonlyMap<string, PlannedFile>;
  readonly rules: readonly SheetRuleWish[];
  readonly inTags: readonly { readonly key: string; readonly declared: readonly Declared[] }[];
  readonly tags: readonly TagWish[];
  readonly own: readonly OwnRule[];
  readonly inks: readonly WordsInk[];
}

const filling: readonly Declared[] = [
  { property: 'background-position', value: '0 0' },
  { property: 'background-size', value: '100% 100%' },
  { property: 'background-repeat', value: 'no-repeat' },
];

/** What comes out of a site file may be no plain selector. */
const isPlain = (selector: string): boolean => !/[<{}@;]/.test(selector);
const isPlainAround = (around: string): boolean => /^@[^@<{};]*$/.test(around);

const inkRule = ({ selector, colour }: WordsInk): OwnRule => ({
  slot: '',
  selector: outdoing(selector),
  within: [],
  important: false,
  picture: undefined,
  declared: [{ property: 'color', value: colour }],
});

/** Another layer of the same background. */
const isBeside = (p: PaintedPicture, { selector, pseudo }: OwnPlace): boolean =>
  p.as === 'background' && p.selector === selector && p.pseudo === pseudo;

/** As specific as what lays the picture now, or more so than anything. */
function ownRules(
  { slot, selector, pseudo, ruled }: OwnPlace,
  laying: PlaceWish['laying'],
  lays: Pick<OwnRule, 'picture' | 'declared'>,
): OwnRule[] {
  const important = ruled === 'important';
  const plain = {
    selector: important ? outdoing(selector, pseudo) : selector + pseudo,
    within: [],
  };
  if (selector === '' || (lays.picture === undefined && lays.declared.length === 0)) {
    return [];
  }
  const like = important ? [] : laying.filter((rule) => rule.selector !== '');
  return (like.length > 0 ? like : [plain])
    .filter((rule) => isPlain(rule.selector) && rule.within.every(isPlainAround))
    .map((rule) => ({ slot, ...rule, important, ...lays }));
}

/**
 * What the slots that lie on an own page want of its files.
 * @param plan pictures that are the page's own still want nothing
 */
export function pageWishes(
  own: OwnPage,
  survey: PageSurvey,
  plan: readonly SlotFiles[],
): PageWishes {
  const files = own.files.map((file) => ({ ...file, inside: insideArchive(file.path) }));
  const places: PlaceWish[] = [];
  const replaced = new Map<string, PlannedFile>();
  const rules: SheetRuleWish[] = [];
  const inTags: { key: string; declared: readonly Declared[] }[] = [];
  const tags: TagWish[] = [];
  const rulesOfOwn: OwnRule[] = [];
  for (const { slot, files: planned } of plan) {
    const was = slot.replaces === null ? undefined : files.find((f) => f.path === slot.replaces);
    const file = planned[0];
    if (was && file) {
      replaced.set(was.key, file);
    }
    const place = own.places.find((p) => p.slot === slot.id);
    if (!place || !file) {
      continue;
    }
    const declared = was ? laidOtherwise(survey, place, slot) : filling;
    const still = file.asItWas !== undefined;
    if (still && declared.length === 0) {
      continue;
    }
    const picture = pictureAt(survey, place);
    const ids = survey.at.flatMap(({ placed }) => {
      const one = picture && placed.get(picture.id);
      return one?.rule === undefined || one.source !== was?.key ? [] : [one.rule];
    });
    const laying = [...new Set(ids)].map((id) => survey.rules[id]);
    const tag = place.as === 'image' || place.as === 'poster';
    places.push({ slot, file, was, declared, laying, tag });
    const byRule = was !== undefined && place.ruled === 'page';
    if (byRule && declared.length > 0) {
      for (const { sheet, selector, line } of laying) {
        if (selector === '') {
          inTags.push({ key: was.key, declared });
        } else if (line !== undefined) {
          rules.push({ sheet, key: was.key, line, declared });
        }
      }
    }
    if (was?.size && tag && !still) {
      tags.push({ key: was.key, from: was.size, to: sizeOf(slot) });
    }
    if (!byRule && !tag) {
      const among = survey.pictures.some((p) => p !== picture && isBeside(p, place));
      rulesOfOwn.push(
        ...ownRules(place, laying, { picture: among ? undefined : file.path, declared }),
      );
    }
  }
  rulesOfOwn.push(...own.inks.filter(({ selector }) => isPlain(selector)).map(inkRule));
  return { places, replaced, rules, inTags, tags, own: rulesOfOwn, inks: own.inks };
}

const sizeOf = ({ width, height }: Slot): Size => ({ width, height });
