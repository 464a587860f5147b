import { newWash } from '../layers/fill';
import { newText } from '../layers/text';
import { applyEdit } from './edit';
import type { Layer } from './model/layer';
import type { Picture } from './model/picture';
import { newSite } from './newSite';
import { drawingKey, isBlank } from './picture';
import { addSlot } from './slots';

const site = applyEdit(
  newSite('x', 'home', 'X'),
  addSlot('home', { id: 's', kind: 'header', width: 100, height: 50 }),
);
const slot = site.slots[0];
const text = newText('t', 'kiln', 'archivo', 20, '#ffffff', 5, 5);
const picture = (layers: readonly Layer[], part: Partial<Picture> = {}): Picture => ({
  ...site.pictures['picture-s'],
  ground: { type: 'none' },
  layers,
  ...part,
});
const key = (layers: readonly Layer[], part?: Partial<Picture>) =>
  drawingKey(picture(layers, part), slot);

test('what draws the same pixels has the same key: names, locks, alternative text, hidden layers', () => {
  const plain = key([text]);
  expect(key([{ ...text, name: 'Title', locked: true }])).toBe(plain);
  expect(key([text, { ...newWash('w', '#000000'), hidden: true }])).toBe(plain);
  expect(key([text], { alt: 'words' })).toBe(plain);
  for (const other of [
    { ...text, x: 6 },
    { ...text, opacity: 0.5 },
    {
      ...text,
      effects: [{ kind: 'glow', side: 'outside', size: 4, colour: '#ffffff', opacity: 1 }],
    } as Layer,
  ]) {
    expect(key([other])).not.toBe(plain);
  }
  expect(drawingKey(picture([text]), { ...slot, width: 99 })).not.toBe(plain);
});

test('blank is what has nothing to be seen on a see-through ground', () => {
  expect(isBlank(picture([]))).toBe(true);
  expect(isBlank(picture([{ ...text, hidden: true }]))).toBe(true);
  expect(isBlank(picture([text]))).toBe(false);
  expect(isBlank(picture([], { ground: { type: 'colour', colour: '#333333' } }))).toBe(false);
});
