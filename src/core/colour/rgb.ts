import { modeRgb, useMode as withMode } from 'culori/fn';

/** Any colour of the library as sRGB, channels 0..1 and beyond where it lies outside. */
export const toRgb = withMode(modeRgb);
