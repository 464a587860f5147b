import { length, sizeWords } from '../theme/cssText';
import type { OwnPlace } from '../site/model/ownPage';
import type { Slot } from '../site/model/slot';
import type { Declared } from './patch/sheetPatches';
import { laidAs } from './places';
import type { LaidBackground, PageSurvey, PlacedPicture } from './survey';
import { pictureAt } from './takeOver';

type Laid = Pick<Slot, 'repeat' | 'position' | 'size' | 'attachment'>;

const declarations: readonly {
  readonly property: string;
  readonly of: keyof LaidBackground;
  readonly value: (laid: Laid) => string;
}[] = [
  { property: 'background-repeat', of: 'repeat', value: ({ repeat }) => repeat },
  {
    property: 'background-position',
    of: 'position',
    value: ({ position }) => `${length(position.x)} ${length(position.y)}`,
  },
  { property: 'background-size', of: 'size', value: sizeWords },
  { property: 'background-attachment', of: 'attachment', value: ({ attachment }) => attachment },
];

/** Layers of the element's background at one width, the one on top first. */
function layersOf(
  survey: PageSurvey,
  place: OwnPlace,
  placed: ReadonlyMap<string, PlacedPicture>,
): LaidBackground[] {
  return survey.pictures
    .filter((p) => p.as === 'background' && p.selector === place.selector)
    .filter((p) => p.pseudo === place.pseudo)
    .sort((a, b) => a.layer - b.layer)
    .flatMap((p) => placed.get(p.id)?.laid ?? []);
}

/** Screens whose laying a slot was taken over at are asked first, px. */
const usual = 1280;

/** What was measured comes out of a site file, which may be anybody's. */
const plainValue = /^[a-z0-9 .%(),+*/-]*$/i;

/** What a slot wants otherwise than its page lays it; nothing where the page does so at any width. */
export function laidOtherwise(survey: PageSurvey, place: OwnPlace, slot: Laid): Declared[] {
  const picture = pictureAt(survey, place);
  const shown = survey.at.filter(({ placed }) => picture && placed.get(picture.id)?.laid);
  const at = shown.find(({ width }) => width === usual) ?? shown[0];
  if (!picture || !at || picture.as !== 'background') {
    return [];
  }
  const layers = layersOf(survey, place, at.placed);
  return declarations.flatMap(({ property, of, value }) => {
    const wanted = value(slot);
    const has = shown.some(
      ({ placed }) => value(laidAs(placed.get(picture.id)!.laid!)!) === wanted,
    );
    const all = layers.map((layer, i) => (i === picture.layer ? wanted : layer[of]));
    const whole = all.length > picture.layer && all.every((one) => plainValue.test(one));
    return has ? [] : [{ property, value: whole ? all.join(', ') : wanted }];
  });
}
