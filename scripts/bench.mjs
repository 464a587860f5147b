/**
 * `npm run bench [-- --json FILE --only PART,…]`: times against references in the same run, in Node and in
 * Chromium.
 */
import { build, installChromium, installPackages, must } from './setup.mjs';

installPackages();
installChromium();
if (!build()) {
  process.exit(1);
}
must('npx', 'tsx', 'bench/run.ts', ...process.argv.slice(2));
