/**
 * `npm run render -- SITE.soyez --out DIR`: installs what is missing, then writes the hand-over.
 */
import { installPackages, run } from './setup.mjs';

installPackages();
process.exit(run('npx', 'tsx', 'scripts/render.ts', ...process.argv.slice(2)) ? 0 : 1);
