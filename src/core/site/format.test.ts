import { readdirSync, readFileSync } from 'node:fs';
import { layerKinds, layerSchema } from '../layers/registry';
import { archiveLimits } from '../files/unzip';
import { schemaVersion } from './model/site';

/* `docs/FORMAT.md` says everything that is stored. */

const text = readFileSync('docs/FORMAT.md', 'utf8');
const named = new Set([...text.matchAll(/`([a-zA-Z-]+)`/g)].map((m) => m[1]));

/** Names of all fields of plain data, apart from ids that are keys. */
function fieldsOf(value: unknown, into = new Set<string>()): Set<string> {
  if (Array.isArray(value)) {
    value.forEach((one) => fieldsOf(one, into));
  } else if (typeof value === 'object' && value !== null) {
    for (const [key, inside] of Object.entries(value)) {
      if (!/[-:]|^\d/.test(key)) {
        into.add(key);
      }
      fieldsOf(inside, into);
    }
  }
  return into;
}

/** Words of CSS, and of sides, which mean what they say; fields of what is said to be of a kind. */
const plain = new Set(['top', 'right', 'bottom', 'left', 'type', 'at', 'by', 'care']);

test('every field of a stored site is named in it', () => {
  const newest = readdirSync('src/core/site/stored').find((f) =>
    f.endsWith(`-${schemaVersion}.json`),
  )!;
  const fields = fieldsOf(JSON.parse(readFileSync(`src/core/site/stored/${newest}`, 'utf8')));
  expect(fields.size).toBeGreaterThan(100);
  expect([...fields].filter((field) => !named.has(field) && !plain.has(field))).toEqual([]);
});

test('every field of every kind of layer is, and the version and the bounds are those of the code', () => {
  for (const kind of layerKinds) {
    const fields = Object.keys(layerSchema(kind).fields);
    expect(fields.length).toBeGreaterThan(6);
    expect([kind, ...fields].filter((name) => !named.has(name))).toEqual([]);
  }
  expect(text).toContain(`what is described here: ${schemaVersion} `);
  const mb = (bytes: number) => `${bytes / 2 ** 20} MB`;
  expect(text).toContain(
    `${mb(archiveLimits.bytes)} packed, ${mb(archiveLimits.unpacked)} unpacked`,
  );
});
