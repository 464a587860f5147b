/** Brings a fresh clone to where it can be built and tested: needs Node and npm, nothing else. */
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';

export const root = new URL('..', import.meta.url).pathname;
export const chromium = '/usr/bin/chromium';

/**
 * Runs a command in the project and tells whether it went well; its output is shown as it comes.
 */
export function run(command, ...args) {
  return (
    spawnSync(command, args, {
      cwd: root,
      stdio: 'inherit',
      env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1' },
    }).status === 0
  );
}

/** The same for steps that nothing can go on without. */
export function must(command, ...args) {
  if (run(command, ...args)) {
    return;
  }
  console.error(`Stopped: ${[command, ...args].join(' ')} did not succeed.`);
  process.exit(1);
}

/** Packages exactly as the lock file has them; skipped when they are there already. */
export function installPackages() {
  const stamp = `${root}/node_modules/.lock-installed`;
  const lock = createHash('sha256')
    .update(readFileSync(`${root}/package-lock.json`))
    .digest('hex');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) {
    return;
  }
  // Not `npm ci`: it refuses a lock file in which binaries for other systems are missing, and
  // registries do not all carry them.
  must('npm', 'install', '--no-save', '--no-audit', '--no-fund');
  writeFileSync(stamp, lock);
}

/** Chromium from Debian's packages, for the tests in a browser. */
export function installChromium() {
  if (existsSync(chromium)) {
    return;
  }
  const sudo = process.getuid?.() === 0 ? [] : ['sudo'];
  const apt = (...args) => must(...[...sudo, 'apt-get', ...args]);
  apt('update', '-qq');
  apt('install', '-y', '-qq', '--no-install-recommends', 'chromium');
}

/** A production build, with what the workers load put in place first. */
export const build = () => run('npm', 'run', '--silent', 'build');
