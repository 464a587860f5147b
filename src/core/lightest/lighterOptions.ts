import { castDraft } from 'immer';
import { scaledLayer } from '../layers/registry';
import { newBlur } from '../layers/rework';
import { formatOf, imageFormats } from '../encode/formats/registry';
import { wrapsOf } from '../readings/repeats';
import { addBehindWords, chain, editLayer, editPicture, editSlot, type Edit } from '../site/edit';
import type { Layer } from '../site/model/layer';
import type { TextLayer } from '../site/model/objectLayers';
import type { Care, Picture } from '../site/model/picture';
import type { Slot } from '../site/model/slot';
import { freeLayerId } from '../site/picture';
import { isContent } from '../slots/registry';
import { careTitle, cares, careWords } from './care';

/* What can be given up where a file as alike as is wanted is too heavy. */

/** One step of a way, with the care at which its file is searched. */
export interface LighterOptionStep {
  readonly label: string;
  readonly care: Care;
  readonly edit: Edit;
}

/** A way with steps that go further and further; the first that is light enough is offered. */
export interface LighterOption {
  readonly id: string;
  readonly tries: readonly LighterOptionStep[];
}

/** The care that is wanted; where a number of bytes is, the usual one. */
export const wantedCare = ({ aim }: Pick<Picture, 'aim'>): Care =>
  aim.by === 'care' ? aim.care : 'careful';

/** The most bytes that are wanted. */
export const wantedBytes = ({ aim }: Pick<Picture, 'aim'>, slot: Slot): number =>
  aim.by === 'bytes' ? Math.min(aim.bytes, slot.budgetBytes) : slot.budgetBytes;

const withCare = (picture: Picture, care: Care): Edit =>
  editPicture(picture.id, (p) => {
    p.aim = { by: 'care', care };
  });

/** Px of blurs behind the words that take away detail step by step (ours, by looking). */
const blurs = [1, 2, 4];
/** Shares of the px both ways. */
const shares = [0.8, 0.65, 0.5];

const lighterCares = (picture: Picture): LighterOption[] =>
  cares.slice(cares.indexOf(wantedCare(picture)) + 1).map((care) => ({
    id: `care ${care}`,
    tries: [
      {
        label: `${careTitle[care]}: ${careWords[care]}`,
        care,
        edit: withCare(picture, care),
      },
    ],
  }));

/** Fine detail, which takes most of the bytes, is in photos and textures. */
const hasDetail = ({ layers }: Picture): boolean =>
  layers.some((l) => !l.hidden && (l.kind === 'photo' || l.kind === 'texture'));

function calmer(slot: Slot, picture: Picture): LighterOption[] {
  if (!hasDetail(picture)) {
    return [];
  }
  const care = wantedCare(picture);
  const id = freeLayerId(picture, 'blur');
  return [
    {
      id: 'calmer',
      tries: blurs.map((px) => ({
        label: `Calmer: blur behind words by ${px} px`,
        care,
        edit: chain(
          withCare(picture, care),
          addBehindWords(picture.id, newBlur(id, px, wrapsOf(slot))),
        ),
      })),
    },
  ];
}

function liveWords(slot: Slot, picture: Picture): LighterOption[] {
  const texts = picture.layers.filter(
    (l): l is TextLayer => l.kind === 'text' && !l.hidden && !l.live && l.words.trim() !== '',
  );
  if (!isContent(slot.kind) || texts.length === 0) {
    return [];
  }
  const care = wantedCare(picture);
  return [
    {
      id: 'live words',
      tries: [
        {
          label: 'Words as live text, not in the file',
          care,
          edit: chain(
            withCare(picture, care),
            ...texts.map((t) => editLayer<TextLayer>(picture.id, t.id, { live: true })),
          ),
        },
      ],
    },
  ];
}

/** The style sheet lays it as large as before. */
const fillsByStyle = ({ kind, repeat, size }: Slot): boolean =>
  !isContent(kind) && repeat === 'no-repeat' && (size === 'cover' || size === 'contain');

/** The same picture in fewer px: layers, slot and all. */
const narrowerBy =
  (slot: Slot, picture: Picture, share: number): Edit =>
  (site) =>
    chain(
      editSlot(slot.id, (s) => {
        s.width = Math.round(slot.width * share);
        s.height = Math.round(slot.height * share);
        s.measured = null;
      }),
      editPicture(picture.id, (p) => {
        p.layers = picture.layers.map((l) => castDraft<Layer>(scaledLayer(l, share)));
      }),
    )(site);

function narrower(slot: Slot, picture: Picture): LighterOption[] {
  if (!fillsByStyle(slot)) {
    return [];
  }
  const care = wantedCare(picture);
  return [
    {
      id: 'narrower',
      tries: shares.map((share) => ({
        label: `${Math.round(slot.width * share)}×${Math.round(slot.height * share)} px, laid as large as now`,
        care,
        edit: chain(withCare(picture, care), narrowerBy(slot, picture, share)),
      })),
    },
  ];
}

/** Formats that the host was not said to take; a theme's file has to keep its own. */
function otherFormats(slot: Slot, picture: Picture): LighterOption[] {
  const care = wantedCare(picture);
  const missing = imageFormats.filter((f) => !slot.accepts.includes(f) && !formatOf(f).plain);
  return slot.replaces !== null
    ? []
    : missing.map((format) => ({
        id: `format ${format}`,
        tries: [
          {
            label: `${formatOf(format).title}, if your host accepts it`,
            care,
            edit: chain(
              withCare(picture, care),
              editSlot(slot.id, (s) => {
                s.accepts = [...slot.accepts, format];
              }),
            ),
          },
        ],
      }));
}

/** Nothing is given up: the lightest file that is as alike as is wanted. */
function asWanted(picture: Picture): LighterOption {
  const care = wantedCare(picture);
  return {
    id: 'as wanted',
    tries: [
      {
        label: `Nothing given up, ${careTitle[care].toLowerCase()}`,
        care,
        edit: withCare(picture, care),
      },
    ],
  };
}

/**
 * Every way that a picture in its slot can be made lighter, those that keep all of it first.
 */
export const lighterOptions = (slot: Slot, picture: Picture): readonly LighterOption[] => [
  asWanted(picture),
  ...otherFormats(slot, picture),
  ...lighterCares(picture),
  ...liveWords(slot, picture),
  ...calmer(slot, picture),
  ...narrower(slot, picture),
];
