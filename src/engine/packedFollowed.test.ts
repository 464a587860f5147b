import { follow } from '@/core/set/follow';
import { packFollowed, unpackFollowed } from './packedFollowed';

const followed = follow({
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
  const packed = structuredClone(packFollowed(followed));
  const out = unpackFollowed(packed);
  expect({ ...out }).toEqual({ ...followed });
  expect(out.lines).toBe(out.lines);
  expect(packFollowed(out)).toBe(packed);
});
