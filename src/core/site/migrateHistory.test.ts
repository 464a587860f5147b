import { applyPatches, enablePatches, produceWithPatches } from 'immer';
import type { Step } from './timeline';
import { migrateHistory } from './migrateHistory';

enablePatches();

interface Old {
  version: number;
  name: string;
  pictures: Record<string, { layers: { id: string; x?: number }[] }>;
}

/** The new version gives every layer a lock. */
const migrate = (site: unknown): unknown => {
  const { pictures, ...rest } = site as Old;
  return {
    ...rest,
    version: 2,
    pictures: Object.fromEntries(
      Object.entries(pictures).map(([key, p]) => [
        key,
        { layers: p.layers.map((l) => ({ ...l, locked: false })) },
      ]),
    ),
  };
};

test('every state of an old history comes back in the new form, from either end', () => {
  const start: Old = {
    version: 1,
    name: 'a',
    pictures: { p: { layers: [{ id: 'one' }, { id: 'two' }] } },
  };
  const edits: ((site: Old) => void)[] = [
    (s) => {
      s.name = 'b';
    },
    (s) => {
      s.pictures.p.layers.shift();
    },
    (s) => {
      s.pictures.q = { layers: [{ id: 'three' }] };
    },
    (s) => {
      s.pictures.q.layers[0].x = 5;
    },
    (s) => {
      delete s.pictures.p;
    },
  ];
  const states = [start];
  const steps: Step[] = [];
  for (const [i, edit] of edits.entries()) {
    const [next, patches, inverse] = produceWithPatches(states[i], edit);
    states.push(next);
    steps.push({ seq: i + 1, label: String(i), patches, inverse });
  }
  for (const cursor of [0, 2, 5]) {
    const migrated = migrateHistory(
      states[cursor] as unknown as Record<string, unknown>,
      cursor,
      steps,
      migrate,
    );
    expect(migrated.map((s) => [s.seq, s.label])).toEqual(steps.map((s) => [s.seq, s.label]));
    let site = migrate(states[cursor]) as object;
    for (let at = cursor; at > 0; at--) {
      site = applyPatches(site, migrated[at - 1].inverse);
      expect(site).toEqual(migrate(states[at - 1]));
    }
    for (let at = 0; at < 5; at++) {
      site = applyPatches(site, migrated[at].patches);
      expect(site).toEqual(migrate(states[at + 1]));
    }
  }
});
