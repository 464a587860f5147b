import { oklchOf } from '../colour/oklch';
import { hexOf } from '../colour/hex';
import type { Sample } from '../recolour/offers';
import { hueApart } from '../recolour/hueSelection';
import { hueOf } from '../recolour/neutrals';
import type { HarmonySeed } from './harmony';

/** Hues nearer than this are one to the eye, degrees (ours, by looking). */
const another = 35;

/**
 * The colour a photograph speaks of: of those with a hue, the one that much of it has and strongly;
 * and beside it another of its hues. Of a grey photograph its commonest colour.
 * @param samples main colours of the photograph, with their shares
 */
export function seedOfPhoto(samples: readonly Sample[]): HarmonySeed | undefined {
  const hued = samples
    .flatMap(({ colour, share }) => {
      const hue = hueOf(colour);
      // The root: a small strong colour counts for more than its area.
      return hue === undefined
        ? []
        : [{ colour, hue, weight: Math.sqrt(share) * oklchOf(colour).chroma }];
    })
    .sort((a, b) => b.weight - a.weight);
  const [lead] = hued;
  if (!lead) {
    const [most] = [...samples].sort((a, b) => b.share - a.share);
    return most && { lead: hexOf(most.colour) };
  }
  const second = hued.find(({ hue }) => hueApart(hue, lead.hue) >= another);
  return { lead: hexOf(lead.colour), ...(second && { second: hexOf(second.colour) }) };
}
