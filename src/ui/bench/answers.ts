import { formatOf } from '@/core/encode/formats/registry';
import type { Reading, Verdict } from '@/core/readings/reading';
import { worstFirst } from '@/core/readings/reading';
import { colourName, kilobytes } from '@/core/readings/say';
import { shownShare, sharpness } from '@/core/frame/placement';
import { photoSize } from '@/core/layers/photo';
import { backPhoto } from '@/core/readings/cover';
import { isBlank } from '@/core/site/picture';
import { kindOf } from '@/core/layers/registry';
import { isOfColour } from '@/core/layers/recipe';
import type { Ground } from '@/core/site/model/picture';
import type { Site } from '@/core/site/model/site';
import type { Editing, Filed } from './useBench';

/** The answer to a question, and how it stands. */
export interface Answer {
  readonly verdict: Verdict | undefined;
  readonly words: string;
}

type Facts = Editing & Filed;

function groundWords(site: Site, ground: Ground): string {
  if (ground.type === 'colour') {
    return `on ${colourName(site, ground.colour)}`;
  }
  return ground.type === 'gradient' ? 'on a gradient' : 'see-through';
}

interface Question {
  readonly number: number;
  readonly title: string;
  answer(facts: Facts): Answer;
}

/** What does not blend, in a few words. */
const blendWords: Readonly<Record<string, string>> = {
  legibility: 'words hard to read',
  'page-words': 'words hard to read',
  'band-title': 'title hard to read',
  'band-title-room': 'the title is cut off',
  'join-x': 'a break sideways',
  'join-y': 'a break downwards',
  'tile-count': 'very many copies',
  banding: 'bands show',
  'strip-end': 'ends in another colour',
  'safe-words': 'words are cut off',
  'phone-text': 'words too small',
  'scaled-seam': 'an edge shows',
  calm: 'busy behind words',
};

/** The same of one edge, or of any reading that has no words here. */
const edgeWords = ({ id, plain }: Reading): string =>
  `${id.replace('seam-', '')} edge ${plain.includes('hardly') ? 'nearly exact' : 'shows'}`;

/** How the edges are, where all that is asked of them holds. */
function edgesWords(readings: readonly Reading[]): string {
  const edges = readings.filter((r) => r.id.startsWith('seam-'));
  if (edges.length === 0) {
    return 'it does';
  }
  return edges.some((r) => r.meant) ? 'as meant' : 'every edge exact';
}

const nothing: Answer = { verdict: undefined, words: 'nothing yet' };

/** A verdict that should be seen even when the figure speaks of something else. */
const worstOf = (readings: readonly Reading[], question: number): Reading | undefined =>
  worstFirst(readings.filter((r) => r.question === question))[0];

export const questions: readonly Question[] = [
  {
    number: 1,
    title: 'How big',
    answer: ({ slot, readings }) => {
      const size = worstOf(readings, 1);
      return {
        verdict: size?.verdict === 'unknown' ? undefined : size?.verdict,
        words: `${slot.width} × ${slot.height}${size?.verdict === 'holds' ? ' exact' : ''}`,
      };
    },
  },
  {
    number: 2,
    title: 'Which part',
    answer({ picture, slot, readings }) {
      const photo = backPhoto(picture);
      if (!photo) {
        return { verdict: undefined, words: 'no photo' };
      }
      const share = shownShare(photo, photoSize(photo), slot);
      return {
        verdict: worstOf(readings, 2)?.verdict,
        words: `${Math.round(share * 100)}% of it, ${sharpness(photo).toFixed(2)}×`,
      };
    },
  },
  {
    number: 3,
    title: 'What colour',
    answer({ site, picture }) {
      const top = picture.layers.findLast((l) => !l.hidden && isOfColour(l));
      if (top?.kind === 'fill') {
        return {
          verdict: undefined,
          words: `${colourName(site, top.colour)} at ${Math.round(top.opacity * 100)}%`,
        };
      }
      if (top) {
        return {
          verdict: undefined,
          words: `${kindOf(top).name(top).toLowerCase()} at ${Math.round(top.opacity * 100)}%`,
        };
      }
      return {
        verdict: undefined,
        words: groundWords(site, picture.ground),
      };
    },
  },
  {
    number: 4,
    title: 'What on top',
    answer({ picture }) {
      const texts = picture.layers.filter((l) => l.kind === 'text' && !l.hidden).length;
      const layers = picture.layers.length;
      if (!layers) {
        return nothing;
      }
      return {
        verdict: undefined,
        words: `${layers} ${layers === 1 ? 'layer' : 'layers'}, ${texts} ${texts === 1 ? 'text' : 'texts'}`,
      };
    },
  },
  {
    number: 5,
    title: 'Does it blend',
    answer({ readings, slot, picture }) {
      if (isBlank(picture)) {
        return nothing;
      }
      const worst = worstOf(readings, 5);
      if (!worst) {
        return {
          verdict: undefined,
          words: slot.repeat === 'no-repeat' ? 'no page beside it' : 'repeats',
        };
      }
      if (worst.verdict === 'unknown') {
        return { verdict: undefined, words: 'writing…' };
      }
      if (worst.verdict === 'holds') {
        return {
          verdict: 'holds',
          words: edgesWords(readings),
        };
      }
      return {
        verdict: worst.verdict,
        words: blendWords[worst.id] ?? edgeWords(worst),
      };
    },
  },
  {
    number: 6,
    title: 'How heavy',
    answer({ readings, picture, encodedFile, slot }) {
      if (isBlank(picture)) {
        return nothing;
      }
      if (!encodedFile.current || !encodedFile.file) {
        return {
          verdict: undefined,
          words: encodedFile.failure ? 'cannot be written' : 'writing…',
        };
      }
      return {
        verdict: worstOf(readings, 6)?.verdict,
        words: `${kilobytes(encodedFile.file.bytes).replace(' KB', '')} of ${kilobytes(slot.budgetBytes).replace('.0', '')}`,
      };
    },
  },
  {
    number: 7,
    title: 'Hand over',
    answer({ picture, encodedFile, readings }) {
      if (isBlank(picture) || !encodedFile.current) {
        return { verdict: undefined, words: 'not yet' };
      }
      const alt = worstOf(readings, 7);
      return alt?.verdict === 'look'
        ? { verdict: 'look', words: 'no alternative text' }
        : { verdict: 'holds', words: `${formatOf(picture.press.format).title} ready` };
    },
  },
];
