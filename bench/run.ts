import { writeFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { backgroundRows, headerRows } from './benches';
import { coreRows } from './core';
import { foregroundRow } from './foreground';
import { changedRecipe } from './changedRecipe';
import { onPlan } from './onPlan';
import { ownBenchInBrowser, ownPageInBrowser } from './ownPage';
import type { Row, Rows } from './rows';
import { setInBrowser, setRows } from './set';
import { waitRows } from './waits';

const parts: Readonly<Record<string, () => Rows>> = {
  core: coreRows,
  set: setRows,
  header: () => onPlan(headerRows),
  background: () => onPlan(backgroundRows),
  setOnScreen: () => onPlan(setInBrowser),
  changedRecipe: () => onPlan(changedRecipe),
  ownPage: () => onPlan(ownPageInBrowser),
  ownBench: () => onPlan(ownBenchInBrowser),
  foreground: () => onPlan(foregroundRow),
  waits: () => onPlan(waitRows),
};

async function main(): Promise<void> {
  const { values } = parseArgs({
    options: { json: { type: 'string' }, only: { type: 'string' } },
  });
  const chosen = values.only?.split(',') ?? Object.keys(parts);
  const unknown = chosen.find((name) => !(name in parts));
  if (unknown) {
    throw new Error(`Expected parts of ${Object.keys(parts).join(', ')}, found ${unknown}.`);
  }
  const rows: Row[] = [];
  // One part that cannot be measured leaves the others.
  const failures: string[] = [];
  for (const name of chosen) {
    try {
      for await (const row of parts[name]()) {
        rows.push(row);
        console.log(
          `${row.ratio}\t${row.name}\t${row.ours_ms} to ${row.reference_ms} ms, ${row.reference}`,
        );
      }
    } catch (error) {
      failures.push(`${name}: ${String(error)}`);
    }
  }
  console.table(rows);
  if (values.json) {
    writeFileSync(values.json, `${JSON.stringify({ times: rows }, null, 2)}\n`);
  }
  if (failures.length > 0) {
    throw new Error(`Not measured: ${failures.join('; ')}`);
  }
}

main().then(
  () => process.exit(0),
  (error: unknown) => {
    console.error(error);
    process.exit(1);
  },
);
