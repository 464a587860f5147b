import { KeptAddresses } from './keptAddresses';

function world(room: number) {
  const freed: string[] = [];
  let made = 0;
  const addresses = new KeptAddresses<string>(
    { make: (what) => `${what} ${++made}`, free: (address) => freed.push(address) },
    room,
  );
  return { addresses, freed };
}

test('what is shown twice has one address, and the same when it is shown again', () => {
  const { addresses, freed } = world(2);
  expect(addresses.at('a')).toBeUndefined();
  const leave = addresses.hold('a');
  expect(addresses.put('a', 'jar')).toBe('jar 1');
  expect(addresses.put('a', 'jar')).toBe('jar 1');
  leave();
  expect(addresses.at('a')).toBe('jar 1');
  expect(freed).toEqual([]);
});

test('of what nobody shows the last ones stay, and what is shown however long ago it came', () => {
  const { addresses, freed } = world(2);
  const leave = ['a', 'b', 'c', 'd'].map((key) => {
    const left = addresses.hold(key);
    addresses.put(key, key);
    return left;
  });
  expect(freed).toEqual([]);
  leave[2]();
  leave[1]();
  expect(freed).toEqual([]);
  leave[3]();
  expect(freed).toEqual(['c 3']);
  expect(addresses.at('a')).toBe('a 1');
  expect(addresses.put('c', 'c')).toBe('c 5');
});

test('who shows it beside others takes it from nobody', () => {
  const { addresses, freed } = world(0);
  const first = addresses.hold('a');
  const second = addresses.hold('a');
  addresses.put('a', 'jar');
  first();
  expect(freed).toEqual([]);
  expect(addresses.at('a')).toBe('jar 1');
  second();
  expect(freed).toEqual(['jar 1']);
  expect(addresses.at('a')).toBeUndefined();
});

test('one that is held before it is there stays when it comes; one that never comes is forgotten', () => {
  const { addresses, freed } = world(0);
  addresses.hold('never')();
  const leave = addresses.hold('late');
  addresses.put('other', 'other');
  addresses.put('late', 'late');
  expect(freed).toEqual(['other 1']);
  leave();
  expect(freed).toEqual(['other 1', 'late 2']);
});
