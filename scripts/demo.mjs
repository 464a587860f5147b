/**
 * `npm run demo`: installs what is missing, builds, and starts with the sample. PORT changes the
 * port.
 */
import { spawn } from 'node:child_process';
import { build, installPackages, root } from './setup.mjs';

installPackages();
if (!build()) {
  process.exit(1);
}

const port = process.env.PORT ?? '3210';
const address = `http://localhost:${port}${process.env.SOYEZ_PATH ?? ''}`;
const server = spawn('node', ['.next/standalone/server.js'], {
  cwd: root,
  stdio: ['ignore', 'ignore', 'inherit'],
  env: { ...process.env, PORT: port, HOSTNAME: '0.0.0.0', NEXT_TELEMETRY_DISABLED: '1' },
});
server.on('exit', (code) => process.exit(code ?? 1));
for (const signal of ['SIGINT', 'SIGTERM']) {
  process.on(signal, () => server.kill(signal));
}

for (;;) {
  const answer = await fetch(address).catch(() => undefined);
  if (answer?.ok) {
    break;
  }
  await new Promise((resolve) => setTimeout(resolve, 200));
}
console.log(
  `\nSoyez is ready: ${address}\nWith the sample site: ${address}/?sample\nCtrl+C ends it.`,
);
