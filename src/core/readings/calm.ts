import type { CalmReport } from '../calm/calm';
import { newWash } from '../layers/fill';
import { newBlur } from '../layers/rework';
import { newTexture } from '../layers/texture';
import { addBehindWords } from '../site/edit';
import { ownPlaceOf } from '../site/pages';
import { freeLayerId, isBlank } from '../site/picture';
import type { Picture } from '../site/model/picture';
import type { Site } from '../site/model/site';
import type { Slot } from '../site/model/slot';
import type { Mend, ReadingKind } from './reading';
import { isUnderContent, wrapsOf } from './repeats';
import { colourName } from './say';

function ways({ veil, mesh, blur }: CalmReport, picture: Picture, slot: Slot, site: Site): Mend[] {
  const out: Mend[] = [];
  if (veil) {
    out.push({
      label: `Veil of ${colourName(site, veil.colour)} at ${veil.percent}%`,
      edit: addBehindWords(picture.id, {
        ...newWash(freeLayerId(picture, 'veil'), veil.colour, veil.percent / 100),
        name: 'Veil',
      }),
    });
  }
  if (blur) {
    out.push({
      label: `Blur by ${blur} px`,
      edit: addBehindWords(picture.id, newBlur(freeLayerId(picture, 'blur'), blur, wrapsOf(slot))),
    });
  }
  if (mesh) {
    out.push({
      label: `Mesh of ${colourName(site, mesh.colour)} at ${mesh.percent}%`,
      edit: addBehindWords(picture.id, {
        ...newTexture(freeLayerId(picture, 'mesh'), 'mesh', mesh.colour),
        opacity: mesh.percent / 100,
      }),
    });
  }
  return out;
}

/** How busy a background is where the page's words lie over it. */
export const calm: ReadingKind<CalmReport> = {
  id: 'calm',
  question: 5,
  title: 'Calm under the content',
  applies: ({ site, slot, picture }) =>
    // On an own page it was looked at whether words lie on it, and not on a ground between.
    isUnderContent(slot) &&
    !isBlank(picture) &&
    ownPlaceOf(site, slot.id)?.place.measured?.words !== false,
  measure: ({ file }) => file?.calm,
  judge: ({ contrast }, { site }) => {
    if (contrast <= site.limits.calm) {
      return 'holds';
    }
    if (contrast <= site.limits.calm * 1.5) {
      return 'look';
    }
    return 'fails';
  },
  figure: ({ contrast }) => contrast.toFixed(1),
  plain: ({ contrast }, { site }) =>
    contrast <= site.limits.calm ? 'Calm behind the page’s words' : 'Busy behind the page’s words',
  say: ({ contrast }, { site }) =>
    `Within the size of a word its lightness (CIE L*) changes by ${contrast.toFixed(1)} of 100${contrast > site.limits.calm ? `; ${site.limits.calm} is wanted under words` : ''}.`,
  mend: (report, { picture, slot, site }) => ways(report, picture, slot, site)[0],
  ways: (report, { picture, slot, site }) => ways(report, picture, slot, site),
};
