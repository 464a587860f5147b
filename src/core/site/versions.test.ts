import { applyEdit } from './edit';
import { removeSlot } from './dropSlot';
import type { Site } from './model/site';
import { newSite } from './newSite';
import { readSite } from './schema';
import { addSlot } from './slots';
import {
  addVersion,
  chooseVersion,
  freeVersionName,
  mostVersions,
  removeVersion,
  renameVersion,
  versionsOf,
  withVersion,
} from './versions';

const site = applyEdit(
  newSite('s', 'p', 'Site'),
  addSlot('p', { id: 'head', kind: 'header', width: 40, height: 20 }),
);
const head = (s: Site) => s.slots[0];
const two = applyEdit(site, addVersion('head', 'second', 'With a veil'));

test('a version is a picture of its own, as the one before was, and is chosen', () => {
  expect(versionsOf(head(site))).toEqual([{ pictureId: 'picture-head', name: 'Version 1' }]);
  expect(head(two)).toMatchObject({
    pictureId: 'second',
    versions: [
      { pictureId: 'picture-head', name: 'Version 1' },
      { pictureId: 'second', name: 'With a veil' },
    ],
  });
  expect(two.pictures.second).toEqual({ ...site.pictures['picture-head'], id: 'second' });
  expect(readSite(JSON.parse(JSON.stringify(two)))).toEqual(two);
  const inked = applyEdit(two, (s) => {
    s.pictures.second.ground = { type: 'colour', colour: '#123456' };
  });
  expect(inked.pictures['picture-head'].ground).toEqual({ type: 'none' });
  expect(freeVersionName(head(two))).toBe('Version 3');
});

test('one is chosen, renamed and taken away; the last stays', () => {
  const first = applyEdit(two, chooseVersion('head', 'picture-head'));
  expect(head(first).pictureId).toBe('picture-head');
  expect(applyEdit(two, chooseVersion('head', 'none'))).toBe(two);
  const named = applyEdit(two, renameVersion('head', 'picture-head', 'Plain'));
  expect(head(named).versions[0].name).toBe('Plain');
  const one = applyEdit(two, removeVersion('head', 'second'));
  expect([head(one).pictureId, Object.keys(one.pictures)]).toEqual([
    'picture-head',
    ['picture-head'],
  ]);
  expect(applyEdit(one, removeVersion('head', 'picture-head'))).toBe(one);
  expect(readSite(JSON.parse(JSON.stringify(one)))).toEqual(one);
});

test('with its slot all of a slot’s pictures go; there are not more than can be looked through', () => {
  expect(Object.keys(applyEdit(two, removeSlot('head')).pictures)).toEqual([]);
  let many = site;
  for (let n = 0; n < mostVersions + 5; n++) {
    many = applyEdit(many, addVersion('head', `v${n}`, `V${n}`));
  }
  expect(head(many).versions).toHaveLength(mostVersions);
  expect(applyEdit(two, addVersion('head', 'second', 'Again'))).toBe(two);
});

test('a site whose slot names a lost version, or has one that is not among them, is refused', () => {
  const broken = (change: (s: { slots: { versions: unknown; pictureId: string }[] }) => void) => {
    const copy = JSON.parse(JSON.stringify(two));
    change(copy);
    return () => readSite(copy);
  };
  expect(broken((s) => (s.slots[0].versions = [{ pictureId: 'gone', name: 'x' }]))).toThrow('gone');
  expect(broken((s) => (s.slots[0].versions = [{ pictureId: 'picture-head', name: 'x' }]))).toThrow(
    'among its versions',
  );
});

test('a slot is looked at with another version without that being chosen', () => {
  const seen = withVersion(two, head(two), 'picture-head');
  expect([seen.slot.pictureId, seen.site.slots[0].pictureId, head(two).pictureId]).toEqual([
    'picture-head',
    'picture-head',
    'second',
  ]);
});
