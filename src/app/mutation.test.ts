/**
 * Files that come of others by chance: those by which a part of the core runs that never ran before
 * are kept, and changed in their turn. Some seconds for all doors, and always the same files, so that
 * what is found does not depend on the machine. MUTATION sets a longer time in seconds, MUTATION_SEED
 * other files.
 */
import { corpus, type Door, type Specimen } from './corpus.fixture';
import { Coverage } from './coverage.fixture';
import { doors, wrongWith } from './doors.fixture';
import { Mutation, wholeFiles } from './mutation.fixture';
import { numbers } from './numbers.fixture';

/** For longer than usual, s. */
const seconds = Number(process.env.MUTATION ?? 0);
const seed = Number(process.env.MUTATION_SEED ?? 20_261_130);
/** Usual batches: as many as take about a second. */
const usual: Readonly<Partial<Record<Door, number>>> = {
  picture: 8,
  sheet: 1,
  archive: 8,
  page: 1,
  set: 1,
  tokens: 2,
  visitors: 16,
  openRaster: 5,
  site: 2,
  recipe: 16,
};
/** Fonts are read by a library alone. */
const ours = (Object.keys(doors) as Door[]).filter((door) => door !== 'font');

/** Of a batch it is asked whether anything new ran; only then, by which of its files. */
const batch = 25;

/** Files to begin with are small, so that many are tried. */
const mostBytes = 4000;

let all: readonly Specimen[];
beforeAll(async () => {
  all = [...(await corpus()), ...(await wholeFiles())];
});

test('what is guided by is told: what runs again is nothing new, what runs for the first time is', async () => {
  const coverage = new Coverage();
  const list = (csv: string): Specimen => ({
    door: 'visitors',
    name: 'a.csv',
    bytes: new TextEncoder().encode(csv),
  });
  const [good, bad] = [list('1280,5\n1440,6'), list('')];
  await wrongWith(good);
  const first = coverage.ran();
  expect(first.size).toBeGreaterThan(0);
  await wrongWith(good);
  expect([...coverage.ran()].filter((block) => !first.has(block))).toEqual([]);
  await wrongWith(bad);
  const fresh = new Set([...coverage.ran()].filter((block) => !first.has(block)));
  expect(fresh.size).toBeGreaterThan(0);
  expect(await thoseOf([good, bad, bad], fresh, coverage)).toEqual([bad]);
  coverage.close();
});

test.each(ours)(
  'whatever becomes of a %s by chance, something is made of it or it is said why not',
  async (door) => {
    const mutation = new Mutation(numbers(seed + ours.indexOf(door)));
    const coverage = new Coverage();
    const kept = all.filter((s) => s.door === door && s.bytes.length <= mostBytes);
    for (const specimen of kept) {
      expect(await wrongWith(specimen)).toEqual([]);
    }
    const seen = coverage.ran();
    const before = seen.size;
    const until = performance.now() + (seconds * 1000) / ours.length;
    let tried = 0;
    const goesOn = () =>
      seconds > 0 ? performance.now() < until : tried < batch * (usual[door] ?? 20);
    while (goesOn()) {
      const made = Array.from({ length: batch }, () => mutation.of(mutation.pick(kept), kept));
      for (const specimen of made) {
        const wrong = await wrongWith(specimen);
        // What it was is all that is needed to see it again.
        expect(wrong.map((w) => [w, Buffer.from(specimen.bytes).toString('base64')])).toEqual([]);
        tried++;
      }
      const fresh = new Set([...coverage.ran()].filter((block) => !seen.has(block)));
      if (fresh.size > 0) {
        kept.push(...(await thoseOf(made, fresh, coverage)));
        fresh.forEach((block) => seen.add(block));
      }
    }
    coverage.close();
    if (seconds > 0) {
      process.stdout.write(`${door}: ${tried} tried, ${before} to ${seen.size} blocks\n`);
    }
  },
  (seconds + 120) * 1000,
);

/** Those of a batch by which some blocks ran, one for each: told by running them once more. */
async function thoseOf(
  made: readonly Specimen[],
  blocks: ReadonlySet<string>,
  coverage: Coverage,
): Promise<Specimen[]> {
  const left = new Set(blocks);
  const found: Specimen[] = [];
  for (const specimen of made) {
    await wrongWith(specimen);
    const ran = coverage.ran();
    if ([...left].some((block) => ran.has(block))) {
      found.push(specimen);
      ran.forEach((block) => left.delete(block));
    }
  }
  return found;
}
