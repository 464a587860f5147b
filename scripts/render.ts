/**
 * `npm run render -- SITE.soyez --out DIR`: writes the hand-over of a site file, as the browser
 * does.
 */
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { createHash } from 'node:crypto';
import { basename, dirname, join, resolve, sep } from 'node:path';
import { produceHandOver } from '../src/core/handover/produce';
import { readSiteFile } from '../src/core/handover/siteFile';
import { nodePorts } from '../src/engine/node';

const usage = 'Expected: npm run render -- SITE.soyez --out DIR';

function argumentsOf(list: readonly string[]): { file: string; out: string } {
  const at = list.indexOf('--out');
  const rest = list.filter((_, i) => at < 0 || (i !== at && i !== at + 1));
  if (at < 0 || !list[at + 1] || rest.length !== 1) {
    throw new Error(`${usage}, found: ${list.join(' ') || 'nothing'}.`);
  }
  // npm runs scripts in the project's folder; paths are meant from where it was called.
  const from = process.env.INIT_CWD ?? process.cwd();
  return { file: resolve(from, rest[0]), out: resolve(from, list[at + 1]) };
}

async function main(): Promise<void> {
  const { file, out } = argumentsOf(process.argv.slice(2));
  const name = basename(file);
  const read = (): Uint8Array => {
    try {
      return readFileSync(file);
    } catch (error) {
      throw new Error(
        `${name}: expected a file that can be read, found none (${error instanceof Error ? error.message : String(error)}).`,
      );
    }
  };
  const packed = readSiteFile(name, read());
  for (const [id, bytes] of packed.assets) {
    const found = createHash('sha256').update(bytes).digest('hex');
    if (found !== id) {
      throw new Error(
        `${name}: expected the asset ${id.slice(0, 12)} as it was packed, found one that was changed.`,
      );
    }
  }
  const ports = await nodePorts(packed.site, packed.assets);
  try {
    const { files: handed, own } = await produceHandOver(packed.site, ports, {
      wanted: () => true,
      onProgress: (done, of, path) => {
        if (path) {
          console.log(`${done + 1}/${of} ${path}`);
        }
      },
    });
    // Lines of the owner's own pages, beside the pages that are for the rehearsal.
    const changed = own.flatMap(({ files: list }) =>
      list.flatMap(({ path, bytes }) => (bytes ? [{ path: `your-page/${path}`, bytes }] : [])),
    );
    const files = [...handed, ...changed];
    for (const { path, bytes } of files) {
      const to = resolve(out, path);
      // A name that a theme's file has may lead anywhere.
      if (!to.startsWith(out + sep)) {
        throw new Error(`${name}: expected a path inside the folder, found “${path}”.`);
      }
      mkdirSync(dirname(to), { recursive: true });
      writeFileSync(to, bytes);
    }
    console.log(`${files.length} files in ${join(out, '')}`);
  } finally {
    ports.close();
  }
}

main().then(
  () => process.exit(0),
  (error: unknown) => {
    console.error(error instanceof Error ? error.message : String(error));
    process.exit(1);
  },
);
