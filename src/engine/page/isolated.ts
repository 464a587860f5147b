import { intersect, isEmpty, type Rect } from '@/core/raster/raster';

/** Px around a picture that are read beside it. */
const ring = 2;

const grown = ({ x, y, width, height }: Rect): Rect => ({
  x: x - ring,
  y: y - ring,
  width: width + 2 * ring,
  height: height + 2 * ring,
});

/** Things in as few groups as are met in their order, in each of which none lies near another. */
export function isolated<T>(things: readonly T[], rectOf: (thing: T) => Rect): T[][] {
  const groups: T[][] = [];
  for (const thing of things) {
    const around = grown(rectOf(thing));
    const free = groups.find((group) =>
      group.every((other) => isEmpty(intersect(around, grown(rectOf(other))))),
    );
    if (free) {
      free.push(thing);
    } else {
      groups.push([thing]);
    }
  }
  return groups;
}
