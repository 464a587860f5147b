import { recolourSheets } from '@/core/set/recolourSheets';
import { packRecolouredSheets, unpackRecolouredSheets } from './packedRecolouredSheets';

const followed = recolourSheets({
  sheets: [{ path: 'a.css', text: 'body{color:#2a6f77;background:#fff url(a.png) repeat-x}' }],
  samples: new Map([['a.png', [{ colour: { r: 42, g: 111, b: 119 }, share: 1 }]]]),
  areas: new Map([['a.png', 100]]),
  set: {
    from: '#2a6f77',
    follows: [],
    recipe: { id: 'r', name: '', steps: [], spare: true, hues: ['#2a6f77'] },
  },
  decided: { 'a.css:11': '#a4553a' },
  ends: new Map(),
});

test('what was packed and copied is what it was, and packed again costs nothing', () => {
  expect(followed.lines.length).toBeGreaterThan(1);
  expect(followed.continued).toHaveLength(1);
  const packed = structuredClone(packRecolouredSheets(followed));
  const out = unpackRecolouredSheets(packed);
  expect({ ...out }).toEqual({ ...followed });
  expect(out.lines).toBe(out.lines);
  expect(packRecolouredSheets(out)).toBe(packed);
});
