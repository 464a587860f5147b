export { blendByTable, blendNormal, blendTogether, coverRow } from './blend';
export { blurPlane } from './blur';
export { freeFrom } from './memory';
export { filterRow, mixRows } from './resample';
