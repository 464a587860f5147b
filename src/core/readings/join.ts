import { once } from '../raster/once';
import { newJoin } from '../layers/rework';
import { joinHolds, joinStep, type JoinStep } from '../seam/join';
import { withoutLoss } from '../seam/ways';
import { addLayer, chain } from '../site/edit';
import { freeLayerId, isBlank } from '../site/picture';
import type { JoinMethod } from '../site/model/blendLayers';
import type { Picture } from '../site/model/picture';
import type { Mend, ReadingKind } from './reading';
import { repeatsAlong } from './repeats';

/** Each way to make it join, by what one sees of it afterwards. */
export const joinWords: Readonly<Record<JoinMethod, string>> = {
  heal: 'Patch over the seam',
  overlap: 'Melt the edges together',
  mirror: 'Mirror its half',
};

const band = (length: number): number => Math.max(1, Math.round(length / 6));

/** It is made to join along an axis already. */
const isJoined = (picture: Picture, axis: 'x' | 'y'): boolean =>
  picture.layers.some(
    (l) => l.kind === 'join' && !l.hidden && (l.axes === axis || l.axes === 'both'),
  );

/** A join layer in front of everything. */
const lay = (picture: Picture, method: JoinMethod, axis: 'x' | 'y', length: number): Mend => ({
  label: joinWords[method],
  edit: addLayer(picture.id, newJoin(freeLayerId(picture, 'join'), method, axis, band(length))),
});

const levels = (v: number): string => (Math.round(v * 10) / 10).toFixed(1);

/** The step across the join of a repeated picture, against the steps inside of it. */
export const join = (axis: 'x' | 'y'): ReadingKind<JoinStep> => ({
  id: `join-${axis}`,
  question: 5,
  title: axis === 'x' ? 'Joins sideways' : 'Joins downwards',
  applies: ({ slot, picture }) =>
    repeatsAlong(slot.repeat, axis) &&
    !isBlank(picture) &&
    (axis === 'x' ? slot.width : slot.height) > 1,
  measure: ({ file }) =>
    file && once(file.decoded, `join ${axis}`, (raster) => joinStep(raster, axis)),
  judge: (step) => {
    if (joinHolds(step)) {
      return 'holds';
    }
    if (step.across <= Math.max(4, step.inside * 1.75)) {
      return 'look';
    }
    return 'fails';
  },
  figure: ({ across }) => `off by ${levels(across)}`,
  plain: (step) => {
    const how = axis === 'x' ? 'sideways' : 'downwards';
    return joinHolds(step)
      ? `Joins ${how} without a break`
      : `A break shows where it repeats ${how}`;
  },
  say: ({ across, inside, largest }) =>
    `The step across the join is ${levels(across)} levels on average, ${Math.round(largest)} at most; inside the picture nineteen of twenty steps are below ${levels(inside)}.`,
  mend: (_step, { picture, slot }) =>
    isJoined(picture, axis)
      ? withoutLoss(picture, slot)
      : lay(picture, 'heal', axis, axis === 'x' ? slot.width : slot.height),
  ways(_step, { picture, slot }) {
    const lossless = withoutLoss(picture, slot);
    // What joins as it is drawn is parted by the compression alone.
    if (isJoined(picture, axis)) {
      return lossless ? [lossless] : [];
    }
    const made = (['heal', 'overlap', 'mirror'] as const).map((method) =>
      lay(picture, method, axis, axis === 'x' ? slot.width : slot.height),
    );
    return lossless
      ? [...made, { label: `${made[0].label}, no loss`, edit: chain(made[0].edit, lossless.edit) }]
      : made;
  },
});
