import { below } from './below';

/**
 * The address that the server gives something at, which may stand below a path of another's.
 * @param path from the root of the application, `/sample/theme.zip`
 */
export const served = (path: string): string => below(process.env.SOYEZ_PATH ?? '', path);
