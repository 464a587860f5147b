import { randomRuns } from '@/core/randomRuns.fixture';
import { wcagContrast } from 'culori';
import fc from 'fast-check';
import { figuresOf, harmoniesOf, type Harmony } from './harmony';
import { seedOfPhoto } from './seedOfPhoto';
import { colourOf } from '../colour/parse';

const hex = fc
  .integer({ min: 0, max: 0xffffff })
  .map((n) => `#${n.toString(16).padStart(6, '0')}` as const);

/** Contrast ratios of WCAG 2.2 by another implementation (culori). */
const heldBy = ({ colours: c, onPage, onBar, onAccent }: Harmony): [string, number, number][] => [
  ['text on content, 1.4.6', wcagContrast(c.text, c.content), 7],
  ['link on content, 1.4.3', wcagContrast(c.link, c.content), 4.5],
  ['link beside text, G183', wcagContrast(c.link, c.text), 3],
  ['words on the bar, 1.4.3', wcagContrast(onBar, c.bar), 4.5],
  ['words on the accent, 1.4.3', wcagContrast(onAccent, c.accent), 4.5],
  ['accent on content, 1.4.11', wcagContrast(c.accent, c.content), 3],
  ['words on the page, 1.4.3', wcagContrast(onPage, c.page), 4.5],
];

test('every set of every colour, alone or with another, holds its contrasts', () => {
  fc.assert(
    fc.property(hex, fc.option(hex, { nil: undefined }), (lead, second) => {
      const seed = { lead, ...(second && { second }) };
      for (const harmony of [...harmoniesOf(seed), ...harmoniesOf(seed, 'dark')]) {
        const short = heldBy(harmony).filter(([, ratio, wanted]) => ratio < wanted);
        expect([harmony.kind, short]).toEqual([harmony.kind, []]);
      }
    }),
    { numRuns: randomRuns(400) },
  );
});

test('the figures that are shown are those of another implementation', () => {
  for (const harmony of harmoniesOf({ lead: '#3b4a45', second: '#a4553a' })) {
    const { onPage, onBar, onAccent } = harmony;
    const all = { ...harmony.colours, onPage, onBar, onAccent };
    for (const { of, on, ratio, wanted } of figuresOf(harmony)) {
      expect(ratio).toBeCloseTo(wcagContrast(all[of], all[on]), 3);
      expect(ratio).toBeGreaterThanOrEqual(wanted);
    }
  }
});

test('a colour has five sets, a grey three, all different; the bar is the colour to the level', () => {
  const kinds = (lead: string, second?: string) =>
    harmoniesOf({ lead, ...(second && { second }) } as never).map((h) => h.kind);
  expect(kinds('#3b4a45')).toEqual(['own', 'deep', 'neighbour', 'opposite', 'dark']);
  expect(kinds('#3b4a45', '#a4553a')).toEqual(['own', 'deep', 'second', 'opposite', 'dark']);
  expect(kinds('#777777')).toEqual(['own', 'deep', 'dark']);
  const on = (ground: 'light' | 'dark') =>
    harmoniesOf({ lead: '#3b4a45' }, ground).map((h) => h.kind);
  expect(on('light')).toEqual(['own', 'deep', 'neighbour', 'opposite']);
  expect(on('dark')).toEqual(['dark', 'neighbour', 'opposite']);
  for (const lead of ['#3b4a45', '#ffff00', '#777777', '#0000ff'] as const) {
    const sets = harmoniesOf({ lead });
    expect(new Set(sets.map((h) => JSON.stringify(h.colours))).size).toBe(sets.length);
    expect(sets.filter((h) => h.kind !== 'deep').map((h) => h.colours.bar)).toEqual(
      sets.filter((h) => h.kind !== 'deep').map(() => lead),
    );
  }
});

test('sets of a grey are of greys alone', () => {
  for (const { colours } of harmoniesOf({ lead: '#808080' })) {
    for (const value of Object.values(colours)) {
      const { r, g, b } = colourOf(value);
      expect(Math.max(r, g, b) - Math.min(r, g, b)).toBeLessThanOrEqual(1);
    }
  }
});

const sample = (value: string, share: number) => ({ colour: colourOf(value), share });

test('a photograph speaks of the colour that much of it has strongly, and of another hue', () => {
  expect(
    seedOfPhoto([
      sample('#8a8a88', 0.6),
      sample('#3a6a8a', 0.25),
      sample('#4a7a9c', 0.1),
      sample('#c0582a', 0.05),
    ]),
  ).toEqual({ lead: '#3a6a8a', second: '#c0582a' });
  expect(seedOfPhoto([sample('#8a8a88', 0.6), sample('#202020', 0.4)])).toEqual({
    lead: '#8a8a88',
  });
  expect(seedOfPhoto([sample('#3a6a8a', 0.9), sample('#4a7a9c', 0.1)])).toEqual({
    lead: '#3a6a8a',
  });
  expect(seedOfPhoto([])).toBeUndefined();
});

test('what is no colour is refused', () => {
  expect(() => harmoniesOf({ lead: 'clay' as never })).toThrow();
});
