import { writeFileSync } from 'node:fs';
import { browserRows } from './browser';
import { coreRows } from './core';
import { setRows } from './set';

async function main(): Promise<void> {
  const at = process.argv.indexOf('--json');
  const file = at > 0 ? process.argv[at + 1] : undefined;
  const rows = [...(await coreRows()), ...(await setRows()), ...(await browserRows())];
  console.table(rows);
  if (file) {
    writeFileSync(file, `${JSON.stringify({ times: rows }, null, 2)}\n`);
  }
}

main().then(
  () => process.exit(0),
  (error: unknown) => {
    console.error(error);
    process.exit(1);
  },
);
