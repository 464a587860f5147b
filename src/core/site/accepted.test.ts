import { layPhoto } from '../layers/layPhoto';
import { acceptedBy, setAccepted } from './accepted';
import { applyEdit, editSlot, type Edit } from './edit';
import type { ShelfItem } from './model/shelf';
import type { Site } from './model/site';
import { newSite } from './newSite';
import { addSlot } from './slots';

const after = (site: Site, ...edits: Edit[]): Site => edits.reduce(applyEdit, site);
const header = (id: string, width = 980, height = 210): Edit =>
  addSlot('home', { id, kind: 'header', width, height });
const two = after(newSite('s', 'home', 'Veldrin'), header('a'), header('b'));
const photo: ShelfItem = {
  assetId: 'f'.repeat(64),
  name: 'Bowls',
  width: 2400,
  height: 1600,
  format: 'jpeg',
  bytes: 500_000,
  maker: '',
  source: '',
  licence: 'own',
  date: '',
  subject: '',
  rightsChecked: true,
};

test('what a host accepts is said once for all slots, and holds for those that come later', () => {
  const old = after(two, setAccepted('avif', false), setAccepted('webp', false), header('c'));
  expect(old.slots.map((s) => s.accepts)).toEqual(Array(3).fill(['jpeg', 'png']));
  expect(old.pictures['picture-c'].press.format).toBe('png');
  const again = after(old, setAccepted('webp', true), header('d'));
  expect(new Set(again.slots.map((s) => s.accepts.join(' ')))).toEqual(new Set(['webp jpeg png']));
  expect(again.pictures['picture-d'].press.format).toBe('webp');
});

test('a slot keeps its last format, and most slots say what the host accepts', () => {
  const one = after(
    two,
    header('x'),
    editSlot('a', (s) => {
      s.accepts = ['png'];
    }),
    setAccepted('png', false),
    header('c'),
  );
  expect(one.slots.map((s) => s.accepts.includes('png'))).toEqual([true, false, false, false]);
  expect(acceptedBy(one)).not.toContain('png');
  expect(acceptedBy(newSite('s', 'home', 'Veldrin'))).toHaveLength(4);
});

test('a first photo is a JPEG where the host accepts nothing newer; what was chosen since stays', () => {
  const old = after(two, setAccepted('avif', false), setAccepted('webp', false), header('c'));
  const [slot, picture] = [old.slots[2], old.pictures['picture-c']];
  const laid = after(old, layPhoto(slot, picture, photo, 'photo'));
  expect(laid.pictures['picture-c'].press.format).toBe('jpeg');
  const usual = after(two, layPhoto(two.slots[0], two.pictures['picture-a'], photo, 'photo'));
  expect(usual.pictures['picture-a'].press.format).toBe('webp');
});

test('the budget of a large slot grows with its area, that of a usual one is its kind’s', () => {
  const wide = after(two, header('c', 2560, 900));
  expect(wide.slots.map((s) => s.budgetBytes)).toEqual([60_000, 60_000, 290_000]);
});
