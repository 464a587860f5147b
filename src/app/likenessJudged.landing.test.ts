/**
 * The measure of likeness against butteraugli of Debian's libjxl-devtools 0.7 (3-norm), which was asked
 * once about files of pictures that the measure was not fitted to: `bench/likeness/judged.json`.
 */
import judged from '../../bench/likeness/judged.json';
import { judgedPictures, judgedSettings, type JudgedFile } from '../../bench/likeness/judgedFiles';
import { lossTo, referenceOf } from '@/core/likeness/loss';
import { nodeCodecs } from '@/engine/nodeCodecs';

const rows = judged as readonly JudgedFile[];

const rankOf = (values: readonly number[]): readonly number[] => {
  const sorted = values.toSorted((a, b) => a - b);
  return values.map((v) => sorted.indexOf(v));
};

test('what is seen of a file is what the judge sees, on pictures that were left out of the fit', async () => {
  const { codecs, close } = await nodeCodecs();
  const ours: number[] = [];
  const theirs: number[] = [];
  for (const picture of judgedPictures()) {
    const drawn = await picture.draw();
    const reference = referenceOf(drawn, '#ffffff');
    let before = Infinity;
    for (const settings of judgedSettings) {
      const row = rows.find(
        (r) => r.name === picture.name && JSON.stringify(r.settings) === JSON.stringify(settings),
      );
      const file = await codecs.encode(drawn, settings, []);
      const { overall, worst } = lossTo(reference, await codecs.decode(file), '#ffffff');
      expect(worst).toBeGreaterThan(overall);
      // The second of a format is the better one.
      if (judgedSettings.indexOf(settings) % 2 === 1) {
        expect(overall).toBeLessThan(before);
      }
      before = overall;
      ours.push(overall);
      theirs.push(row!.norm);
    }
  }
  close();
  expect(ours).toHaveLength(rows.length);
  const off = ours.map((v, i) => Math.log(v / theirs[i])).sort((a, b) => a - b);
  const at = (share: number) => off[Math.round(share * (off.length - 1))];
  expect(Math.abs(at(0.5))).toBeLessThan(0.05);
  expect(at(0.05)).toBeGreaterThan(-0.17);
  expect(at(0.95)).toBeLessThan(0.17);
  // Spearman's rank correlation.
  const a = rankOf(ours);
  const b = rankOf(theirs);
  const n = a.length;
  const squares = a.reduce((sum, rank, i) => sum + (rank - b[i]) ** 2, 0);
  expect(1 - (6 * squares) / (n * (n * n - 1))).toBeGreaterThan(0.97);
});
