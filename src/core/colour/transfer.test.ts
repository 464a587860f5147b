import { levelOfLinear, levelOfStep, toEncoded } from './transfer';

test('the level of each of 65536 steps is the one its encoded value is nearest to', () => {
  const wrong = [...levelOfStep.keys()].filter(
    (i) => levelOfStep[i] !== Math.round(255 * toEncoded(i / 65535)),
  );
  expect(wrong).toEqual([]);
});

test('what is outside of 0 to 1 is black or white', () => {
  expect([-0.1, 0, 1, 7].map(levelOfLinear)).toEqual([0, 0, 255, 255]);
});
