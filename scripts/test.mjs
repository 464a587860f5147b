/**
 * `npm test`: installs what is missing, then type check, lint, Jest, build, Playwright. Closes with
 * `N passed, N failed`.
 */
import { existsSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { build, installChromium, installPackages, root, run } from './setup.mjs';

installPackages();
installChromium();

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

step(
  'type check',
  run('npm', 'run', '--silent', 'vendor') &&
    run('npx', 'next', 'typegen') &&
    run('npm', 'run', '--silent', 'typecheck'),
);
step('lint', run('npm', 'run', '--silent', 'lint'));

const jestOk = run('npx', 'jest', '--json', `--outputFile=${jestReport}`);
const jest = existsSync(jestReport) ? JSON.parse(readFileSync(jestReport, 'utf8')) : undefined;
passed += jest?.numPassedTests ?? 0;
failed += jest ? jest.numFailedTests + jest.numRuntimeErrorTestSuites : 1;
if (!jestOk && failed === 0) {
  failed++;
}

const built = build();
step('build', built);

if (built) {
  process.env.BROWSER_REPORT = browserReport;
  const ok = run('npx', 'playwright', 'test', ...process.argv.slice(2));
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
console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 && existsSync(`${root}/.next/BUILD_ID`) ? 0 : 1);
