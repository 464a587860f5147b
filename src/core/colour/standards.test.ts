import { linearToOklab, oklabToLinear } from './oklab';
import { ciede2000 } from './difference';
import { toEncoded, toLinear } from './transfer';

/**
 * G. Sharma, W. Wu, E. N. Dalal, “The CIEDE2000 color-difference formula: implementation notes,
 * supplementary test data, and mathematical observations”, Color Research and Application 30
 * (2005), table 1: all 34 pairs (values from memory).
 */
const pairs: readonly (readonly [number, number, number, number, number, number, number])[] = [
  [50, 2.6772, -79.7751, 50, 0, -82.7485, 2.0425],
  [50, 3.1571, -77.2803, 50, 0, -82.7485, 2.8615],
  [50, 2.8361, -74.02, 50, 0, -82.7485, 3.4412],
  [50, -1.3802, -84.2814, 50, 0, -82.7485, 1],
  [50, -1.1848, -84.8006, 50, 0, -82.7485, 1],
  [50, -0.9009, -85.5211, 50, 0, -82.7485, 1],
  [50, 0, 0, 50, -1, 2, 2.3669],
  [50, -1, 2, 50, 0, 0, 2.3669],
  [50, 2.49, -0.001, 50, -2.49, 0.0009, 7.1792],
  [50, 2.49, -0.001, 50, -2.49, 0.001, 7.1792],
  [50, 2.49, -0.001, 50, -2.49, 0.0011, 7.2195],
  [50, 2.49, -0.001, 50, -2.49, 0.0012, 7.2195],
  [50, -0.001, 2.49, 50, 0.0009, -2.49, 4.8045],
  [50, -0.001, 2.49, 50, 0.001, -2.49, 4.8045],
  [50, -0.001, 2.49, 50, 0.0011, -2.49, 4.7461],
  [50, 2.5, 0, 50, 0, -2.5, 4.3065],
  [50, 2.5, 0, 73, 25, -18, 27.1492],
  [50, 2.5, 0, 61, -5, 29, 22.8977],
  [50, 2.5, 0, 56, -27, -3, 31.903],
  [50, 2.5, 0, 58, 24, 15, 19.4535],
  [50, 2.5, 0, 50, 3.1736, 0.5854, 1],
  [50, 2.5, 0, 50, 3.2972, 0, 1],
  [50, 2.5, 0, 50, 1.8634, 0.5757, 1],
  [50, 2.5, 0, 50, 3.2592, 0.335, 1],
  [60.2574, -34.0099, 36.2677, 60.4626, -34.1751, 39.4387, 1.2644],
  [63.0109, -31.0961, -5.8663, 62.8187, -29.7946, -4.0864, 1.263],
  [61.2901, 3.7196, -5.3901, 61.4292, 2.248, -4.962, 1.8731],
  [35.0831, -44.1164, 3.7933, 35.0232, -40.0716, 1.5901, 1.8645],
  [22.7233, 20.0904, -46.694, 23.0331, 14.973, -42.5619, 2.0373],
  [36.4612, 47.858, 18.3852, 36.2715, 50.5065, 21.2231, 1.4146],
  [90.8027, -2.0831, 1.441, 91.1528, -1.6435, 0.0447, 1.4441],
  [90.9257, -0.5406, -0.9208, 88.6381, -0.8985, -0.7239, 1.5381],
  [6.7747, -0.2908, -2.4247, 5.8714, -0.0985, -2.2286, 0.6377],
  [2.0776, 0.0795, -1.135, 0.9033, -0.0636, -0.5514, 0.9082],
];

test('CIEDE2000 is the published one, to the fourth digit', () => {
  for (const [l1, a1, b1, l2, a2, b2, wanted] of pairs) {
    expect(
      ciede2000({ mode: 'lab65', l: l1, a: a1, b: b1 }, { mode: 'lab65', l: l2, a: a2, b: b2 }),
    ).toBeCloseTo(wanted, 4);
  }
});

/**
 * B. Ottosson, “A perceptual color space for image processing” (2020), the table of XYZ and OKLab
 * values (from memory), given to three digits.
 */
test.each([
  [
    [0.95, 1, 1.089],
    [1, 0, 0],
  ],
  [
    [1, 0, 0],
    [0.45, 1.236, -0.019],
  ],
  [
    [0, 1, 0],
    [0.922, -0.671, 0.263],
  ],
  [
    [0, 0, 1],
    [0.153, -1.415, -0.449],
  ],
])('OKLab of XYZ %j', ([x, y, z], wanted) => {
  // XYZ to linear sRGB, IEC 61966-2-1 with its matrix to four and more digits.
  const lab = linearToOklab(
    3.2409699419 * x - 1.5373831776 * y - 0.4986107603 * z,
    -0.9692436363 * x + 1.8759675015 * y + 0.0415550574 * z,
    0.0556300797 * x - 0.2039769589 * y + 1.0569715142 * z,
  );
  lab.forEach((v, i) => expect(Math.abs(v - wanted[i])).toBeLessThan(0.0012));
});

test('OKLab there and back', () => {
  for (const c of [
    [0.1, 0.5, 0.9],
    [1, 0, 0],
    [0, 0, 0],
    [0.2, 0.2, 0.2],
  ]) {
    oklabToLinear(...linearToOklab(c[0], c[1], c[2])).forEach((v, i) =>
      expect(v).toBeCloseTo(c[i], 6),
    );
  }
});

/**
 * IEC 61966-2-1:1999: the two pieces of the curve, the place where they meet, and the value at a
 * half worked by hand.
 */
test('sRGB transfer', () => {
  expect(toLinear(0.04045)).toBeCloseTo(0.0031308, 7);
  expect(toEncoded(0.0031308)).toBeCloseTo(0.04045, 6);
  expect(toLinear(0.02)).toBeCloseTo(0.02 / 12.92, 12);
  expect(toLinear(0.5)).toBeCloseTo(((0.5 + 0.055) / 1.055) ** 2.4, 12);
  expect(toLinear(0.5)).toBeCloseTo(0.2140411, 6);
  expect(toEncoded(1)).toBeCloseTo(1, 12);
  for (let v = 0; v <= 1; v += 1 / 64) {
    expect(toEncoded(toLinear(v))).toBeCloseTo(v, 6);
  }
});
