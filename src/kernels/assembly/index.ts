export { blendByTable, blendNormal, blendTogether, coverRow } from './blend';
export { freeFrom } from './memory';
export { filterRow, mixRows } from './resample';
