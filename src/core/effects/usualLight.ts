/** Where a picture's light comes from before another place is chosen: the upper left. */
export const usualLight = 315;

/** How high over the surface it stands, degrees: raised and sunken slopes stand out alike. */
export const usualHeight = 45;
