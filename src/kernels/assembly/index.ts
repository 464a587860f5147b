export { blendByTable, blendNormal, blendTogether, coverRow } from './blend';
export { blurPlane } from './blur';
export {
  blurRows,
  detailOf,
  differQuads,
  hidingOfPlane,
  lightOfLevels,
  opponentOfLight,
  orderBands,
  seenOfQuads,
  withoutQuads,
} from './likeness';
export { meanOfFour } from './halve';
export { freeFrom } from './memory';
export { filterRow, mixRows } from './resample';
