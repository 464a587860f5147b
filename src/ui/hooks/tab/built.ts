/** Tells this build of the program from others; set by `next.config.ts`. */
export const built: string = process.env.SOYEZ_BUILT ?? '';
