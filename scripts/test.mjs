/**
 * `npm test`: installs what is missing; then format, types, lint, Jest and the build side by side;
 * then the browser. Closes with `N passed, N failed`.
 *
 * With `--all` it is what a landing runs: suites named `*.landing.test.ts` and the browser's tests
 * that are marked `@landing` too, which take several times as long as all others. Other words go to
 * Playwright, such as `-g name`, and choose from all.
 */
import { existsSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { installChromium, installPackages, must, root, run, together } from './setup.mjs';

installPackages();
installChromium();
must('npm', 'run', '--silent', 'vendor');
must('npx', 'next', 'typegen');

const words = process.argv.slice(2).filter((word) => word !== '--all');
const isAll = process.argv.includes('--all') || words.length > 0;

const report = (name) => `${tmpdir()}/soyez-${process.pid}-${name}.json`;
const jestReport = report('jest');
const browserReport = report('browser');

let passed = 0;
let failed = 0;
/** A step without tests of its own counts as one. */
function step(name, ok) {
  console.log(`${ok ? 'passed' : 'FAILED'}: ${name}`);
  if (ok) {
    passed++;
  } else {
    failed++;
  }
}

const suites = isAll ? [] : ['--testPathIgnorePatterns', '\\.landing\\.test\\.'];

/** Each lane one command after the other, the lanes side by side: two cores are kept busy. */
const results = await together([
  [
    ['build', 'npm', 'run', '--silent', 'compile'],
    ['format', 'npm', 'run', '--silent', 'format'],
  ],
  [
    ['types', 'npm', 'run', '--silent', 'typecheck'],
    ['lint', 'npm', 'run', '--silent', 'lint'],
  ],
  [['jest', 'npx', 'jest', '--json', `--outputFile=${jestReport}`, ...suites]],
]);
for (const name of ['format', 'types', 'lint', 'build']) {
  step(name, results.get(name));
}

const jest = existsSync(jestReport) ? JSON.parse(readFileSync(jestReport, 'utf8')) : undefined;
passed += jest?.numPassedTests ?? 0;
failed += jest ? jest.numFailedTests + jest.numRuntimeErrorTestSuites : 1;
if (!results.get('jest') && jest && jest.numFailedTests + jest.numRuntimeErrorTestSuites === 0) {
  failed++;
}

if (results.get('build')) {
  process.env.BROWSER_REPORT = browserReport;
  const some = isAll ? [] : ['--grep-invert', '@landing'];
  const ok = run('npx', 'playwright', 'test', ...some, ...words);
  const stats = existsSync(browserReport)
    ? JSON.parse(readFileSync(browserReport, 'utf8')).stats
    : undefined;
  passed += stats ? stats.expected + stats.flaky : 0;
  // A run that left no report, or failed without a failed test, has not shown that anything works.
  failed += stats ? Math.max(stats.unexpected, ok ? 0 : 1) : 1;
}

for (const file of [jestReport, browserReport]) {
  rmSync(file, { force: true });
}
if (!isAll) {
  console.log('What is marked as for a landing was left to `npm test -- --all`.');
}
console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 && existsSync(`${root}/.next/BUILD_ID`) ? 0 : 1);
