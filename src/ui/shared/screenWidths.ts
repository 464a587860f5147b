/** Widths of the screen that are offered to look at a page, px. */
export const screenWidths = [360, 412, 768, 1080, 1280, 1440, 1920, 2560] as const;
