import { randomRuns } from '@/core/randomRuns.fixture';
import fc from 'fast-check';
import { colourOf } from '../colour/parse';
import type { Spans } from '../files/spans';
import { isWithin } from '../files/spans';
import { newWash } from '../layers/fill';
import { loneRules } from '../theme/loneRules';
import { recolourSheets, recolourSheetsWithout, type SheetRecolourInput } from './recolourSheets';

const colour = fc.constantFrom('#2a6f77', '#f7f5f0', 'rgba(42,111,119,.5)', 'var(--brand)', 'teal');
const property = fc.constantFrom('color', 'background', 'border-color', 'box-shadow: 0 1px 2px');
const rule = fc
  .tuple(
    fc.constantFrom('.a', '.b p', 'body', '.error', 'a:hover', '.bar', 'code'),
    fc.array(fc.tuple(property, colour), { minLength: 1, maxLength: 4 }),
  )
  .map(([selector, list]) => {
    const declared = list.map(([p, c]) => (p.includes(':') ? `${p} ${c}` : `${p}: ${c}`));
    return `${selector} { ${declared.join('; ')} }`;
  });
const part = fc.oneof(
  { weight: 6, arbitrary: rule },
  rule.map((r) => `@media (prefers-color-scheme: dark) { ${r} }`),
  fc.constant(':root { --brand: #2a6f77 }'),
  fc.constant('.strip { background: #2a6f77 url(strip.png) repeat-x }'),
  fc.constant('.g { background: linear-gradient(#2a2a2a, #2a6f77 50%, #9a9a9a) }'),
);

const samples: SheetRecolourInput['samples'] = new Map([
  ['strip.png', [{ colour: colourOf('#2a6f77'), share: 1 }]],
]);
const row = (c: string) => ({ colour: c, uneven: 0 });
const sides = (c: string) => ({ top: row(c), right: row(c), bottom: row(c), left: row(c) });

test('what is put in beside some rules is what is put in of all, without theirs', () => {
  fc.assert(
    fc.property(
      fc.array(part, { minLength: 1, maxLength: 12 }),
      fc.infiniteStream(fc.boolean()),
      fc.boolean(),
      (parts, leave, spare) => {
        const text = parts.join('\n');
        const idle: Spans = new Uint32Array(
          loneRules(text).flatMap(({ start, end }) => (leave.next().value ? [start, end] : [])),
        );
        const input: SheetRecolourInput = {
          sheets: [
            { path: 'a.css', text },
            { path: 'a.scss', text: '$brand: #2a6f77;' },
          ],
          samples,
          areas: new Map([['strip.png', 100]]),
          set: {
            from: '#2a6f77',
            follows: [],
            recipe: {
              id: 'r',
              name: '',
              steps: [newWash('w', '#f3d9c2', 0.59)],
              spare,
              hues: null,
            },
          },
          decided: {},
          ends: new Map([['strip.png', { before: sides('#2a6f77'), after: sides('#c8a99a') }]]),
        };
        const whole = recolourSheets(input).patches.get('a.css')!;
        expect(recolourSheetsWithout(input, new Map([['a.css', idle]])).get('a.css')).toEqual(
          whole.filter(({ from }) => !isWithin(idle, from)),
        );
      },
    ),
    { numRuns: randomRuns(300) },
  );
});
