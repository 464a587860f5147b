import type { Codecs } from '../encode/codecs';
import { encodeSettings } from '../encode/settings';
import { fillRect } from '../raster/composite';
import { createRaster, type Raster } from '../raster/raster';
import { applyEdit } from '../site/edit';
import { newSite } from '../site/newSite';
import { addSlot } from '../site/slots';
import { createTrial } from './trial';

const page = '#20304a';

/** A header of 60 × 40 between two areas of the page's colour. */
const site = applyEdit(
  applyEdit(
    newSite('s', 'page', 'Veldrin'),
    addSlot('page', { id: 'h', kind: 'header', width: 60, height: 40 }),
  ),
  (s) => {
    const colour = { from: 'colour', colour: page } as const;
    s.pictures['picture-h'].ground = { type: 'colour', colour: page };
    s.slots[0].beside = { top: null, bottom: null, left: colour, right: colour };
  },
);

/** The page's colour along the borders, something else within. */
function drawn(scale: number): Raster {
  const raster = createRaster(60 * scale, 40 * scale);
  fillRect(raster, { r: 0x20, g: 0x30, b: 0x4a });
  for (let y = 8; y < 32 * scale; y++) {
    for (let x = 8; x < 50 * scale; x++) {
      raster.data[(y * raster.width + x) * 4] = (x * y) % 256;
    }
  }
  return raster;
}

/** A file is the px themselves; of JPEG one at the right border comes out a level off. */
const codecs = (raster: Raster): Codecs => ({
  encode: async (source, { format }) =>
    new Uint8Array([source.width, source.height, Number(format === 'jpeg')]),
  async decode([width, height, off]) {
    const whole = width === raster.width && height === raster.height;
    const out = whole ? { ...raster, data: raster.data.slice() } : createRaster(width, height);
    if (off) {
      out.data[(width * 9 - 1) * 4 + 1] ^= 1;
    }
    return out;
  },
});

test.each([1, 2])(
  'at %i px of the file for one of the slot, a border that is exact as drawn has to be in the file',
  async (scale) => {
    const raster = drawn(scale);
    const trial = createTrial(
      { raster, scale, site, slotId: 'h', under: page, pinned: [] },
      codecs(raster),
    );
    const kept = await trial.tryOut(encodeSettings('webp'), 'whole');
    expect(kept.judgement).toMatchObject({ lost: [], loss: { overall: 0, worst: 0 } });
    const lost = await trial.tryOut(encodeSettings('jpeg'), 'whole');
    expect(lost.judgement.lost).toEqual(['seam-right']);
    expect(lost.file).toHaveLength(3);
    expect(trial.area.whole).toBe(60 * 40 * scale * scale);
  },
);

test('of the sample a file is written with little effort, or as the whole is; neither comes with its bytes', async () => {
  const raster = drawn(2);
  const asked: string[] = [];
  const plain = codecs(raster);
  const trial = createTrial(
    { raster, scale: 2, site, slotId: 'h', under: page, pinned: [] },
    {
      ...plain,
      encode(source, settings, pinned, options) {
        asked.push(`${settings.format} ${source.width * source.height} ${options?.draft ?? false}`);
        return plain.encode(source, settings, pinned, options);
      },
    },
  );
  for (const part of ['sample', 'sampleAsWhole', 'whole'] as const) {
    const { file, judgement } = await trial.tryOut(encodeSettings('avif'), part);
    expect(file === undefined).toBe(part !== 'whole');
    expect(judgement.lost).toEqual([]);
  }
  const { sample, whole } = trial.area;
  expect(sample).toBeLessThan(whole);
  expect(asked.filter((a) => a.startsWith('avif'))).toEqual([
    `avif ${sample} true`,
    `avif ${sample} false`,
    `avif ${whole} false`,
  ]);
});
