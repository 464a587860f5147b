/** Brings a fresh clone to where it can be built and tested: needs Node and npm, nothing else. */
import { spawn, spawnSync } from 'node:child_process';
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

const quiet = () => ({ ...process.env, NEXT_TELEMETRY_DISABLED: '1' });

/** Runs a command and gives its output once it is over, so that several do not mix theirs. */
function collected(command, ...args) {
  return new Promise((resolve) => {
    const child = spawn(command, args, { cwd: root, env: quiet() });
    let output = '';
    const add = (text) => {
      output += text;
    };
    child.stdout.on('data', add);
    child.stderr.on('data', add);
    child.on('close', (status) => resolve({ ok: status === 0, output }));
  });
}

/**
 * Lanes of commands, each a name and its words: one after the other within a lane, the lanes side
 * by side. Tells by their names which went well.
 */
export async function together(lanes) {
  const results = new Map();
  const along = async (lane) => {
    for (const [name, ...words] of lane) {
      const start = Date.now();
      const { ok, output } = await collected(...words);
      results.set(name, ok);
      console.log(`--- ${name}, ${Math.round((Date.now() - start) / 1000)} s\n${output}`);
    }
  };
  await Promise.all(lanes.map(along));
  return results;
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
  must('npm', 'ci', '--no-audit', '--no-fund');
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
