import { kindOf } from '../layers/registry';
import { intersect, type Rect } from '../raster/raster';
import { chain, editLayer, type Edit } from '../site/edit';
import { arrangeForNarrow } from '../site/narrow';
import { isContent } from '../slots/registry';
import type { TextLayer } from '../site/model/objectLayers';
import type { Picture } from '../site/model/picture';
import type { Site } from '../site/model/site';
import type { Slot } from '../site/model/slot';
import { phone, safeArea, visibleAt } from '../widths/visible';
import type { Mend, ReadingKind } from './reading';

const visible = (picture: Picture): TextLayer[] =>
  picture.layers.filter(
    (l): l is TextLayer => l.kind === 'text' && !l.hidden && l.words.trim() !== '',
  );
const inFile = (picture: Picture): TextLayer[] => visible(picture).filter((t) => !t.live);
const nameOf = (text: TextLayer): string => {
  const name = kindOf(text).name(text);
  return name.length > 40 ? `${name.slice(0, 38).trimEnd()}…` : name;
};

const makeLive = (picture: Picture, texts: readonly TextLayer[]): Edit =>
  chain(...texts.map((t) => editLayer<TextLayer>(picture.id, t.id, { live: true })));

interface PhoneText {
  readonly text: TextLayer;
  readonly px: number;
}

/** Size of the smallest words of the picture on a phone. */
export const phoneText: ReadingKind<PhoneText> = {
  id: 'phone-text',
  question: 5,
  title: 'Words on a phone',
  applies: ({ picture, slot, site }) =>
    inFile(picture).length > 0 &&
    (!slot.narrow || slot.narrow.below <= phone) &&
    visibleAt(site, slot, phone) !== undefined,
  measure({ picture, site, slot }) {
    const { scale } = visibleAt(site, slot, phone)!;
    return inFile(picture)
      .map((text) => ({ text, px: text.sizePx * text.stretchY * scale }))
      .sort((a, b) => a.px - b.px)[0];
  },
  judge: ({ px }, { site }) => {
    if (px >= site.limits.phoneText) {
      return 'holds';
    }
    if (px >= site.limits.phoneText * 0.75) {
      return 'look';
    }
    return 'fails';
  },
  figure: ({ px }) => `${(Math.floor(px * 10) / 10).toFixed(1)} px`,
  plain: ({ text, px }, { site }) =>
    px >= site.limits.phoneText
      ? 'Its words can be read on a phone'
      : `Too small on a phone: “${nameOf(text)}”`,
  say: ({ text, px }, { site }) =>
    `On a screen of ${phone} px “${nameOf(text)}” is ${(Math.floor(px * 10) / 10).toFixed(1)} px tall; ${site.limits.phoneText} px are wanted.`,
  mend: (_value, { picture, slot, site }) => live(picture, slot, site)[0],
  ways: (_value, { picture, slot, site }) => [
    ...live(picture, slot, site),
    ...(slot.kind === 'header' ? [secondArrangement(slot)] : []),
  ],
};

/**
 * Words over content become text of the page; over a background the page's own words lie already.
 */
const live = (picture: Picture, slot: Slot, site: Site): Mend[] =>
  isContent(slot.kind)
    ? [
        {
          label: `Hand the words over as live text of ${site.limits.phoneText} px at least`,
          edit: makeLive(picture, inFile(picture)),
        },
      ]
    : [];

/** Screens below which a second arrangement is shown, px (common practice, no source). */
const narrowBelow = 600;

const secondArrangement = (slot: Slot): Mend => ({
  label: `A second arrangement below ${narrowBelow} px`,
  edit: arrangeForNarrow(slot.id, narrowBelow),
});

interface OutsideText {
  readonly text: TextLayer;
  readonly bounds: Rect;
  readonly safe: Rect;
  /** Px by which the farthest part of it lies outside. */
  readonly by: number;
}

function outside(bounds: Rect, safe: Rect): number {
  return Math.max(
    0,
    safe.x - bounds.x,
    safe.y - bounds.y,
    bounds.x + bounds.width - safe.x - safe.width,
    bounds.y + bounds.height - safe.y - safe.height,
  );
}

/** Moves a text into an area, made smaller where it is too large for it. */
function moveIn(picture: Picture, { text, bounds, safe }: OutsideText): Edit {
  const k =
    Math.min(1, safe.width / bounds.width, safe.height / bounds.height) *
    (safe.width < bounds.width || safe.height < bounds.height ? 0.98 : 1);
  const width = bounds.width * k;
  const height = bounds.height * k;
  const left = text.x + (bounds.x - text.x) * k;
  const top = text.y + (bounds.y - text.y) * k;
  const dx = Math.max(safe.x, Math.min(left, safe.x + safe.width - width)) - left;
  const dy = Math.max(safe.y, Math.min(top, safe.y + safe.height - height)) - top;
  const whole = (v: number) => (v > 0 ? Math.ceil(v) : Math.floor(v));
  return editLayer<TextLayer>(picture.id, text.id, {
    x: text.x + whole(dx),
    y: text.y + whole(dy),
    sizePx: Math.max(1, Math.floor(text.sizePx * k)),
    wrap: text.wrap === null ? null : text.wrap * k,
  });
}

/**
 * Words inside the part of the picture that is seen at every screen width, less the side margin.
 */
export const safeWords: ReadingKind<OutsideText> = {
  id: 'safe-words',
  question: 5,
  title: 'Words seen at every width',
  applies: ({ picture, slot, site }) =>
    inFile(picture).length > 0 && visibleAt(site, slot, 1920) !== undefined,
  measure({ picture, file, site, slot }) {
    if (!file?.texts) {
      return undefined;
    }
    const safe = safeArea(site, slot).part;
    return inFile(picture)
      .flatMap((text): OutsideText[] => {
        const bounds = file.texts?.[text.id]?.bounds;
        return bounds ? [{ text, bounds, safe, by: outside(bounds, safe) }] : [];
      })
      .sort((a, b) => b.by - a.by)[0];
  },
  judge: ({ by, bounds, safe }) => {
    if (by <= 0) {
      return 'holds';
    }
    if (by <= 8 && intersect(bounds, safe).width > 0) {
      return 'look';
    }
    return 'fails';
  },
  figure: ({ by }) => (by <= 0 ? 'inside' : `${Math.ceil(by)} px out`),
  plain: ({ text, by }) =>
    by <= 0
      ? 'All its words are seen on every screen'
      : `Cut off on some screens: “${nameOf(text)}”`,
  spot: ({ by, bounds }) => (by <= 0 ? undefined : bounds),
  say: ({ text, by, safe }) =>
    by <= 0
      ? `All words lie inside the part that is seen at every width, ${safe.width}×${safe.height} px with the side margin.`
      : `“${nameOf(text)}” lies ${Math.ceil(by)} px outside the part that is seen at every width, ${safe.width}×${safe.height} px with the side margin.`,
  mend: (value, { picture }) =>
    value.safe.width < 20 || value.safe.height < 8
      ? undefined
      : { label: `Move “${nameOf(value.text)}” in`, edit: moveIn(picture, value) },
  ways: (value, { picture, slot, site }) => [
    ...(value.safe.width < 20 || value.safe.height < 8
      ? []
      : [{ label: `Move “${nameOf(value.text)}” in`, edit: moveIn(picture, value) }]),
    ...live(picture, slot, site),
  ],
};
