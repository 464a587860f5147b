import type { Drawing } from '../compose/compose';
import { createRaster, type Raster } from '../raster/raster';
import { applyEdit, setLayers, type Edit } from '../site/edit';
import type { Site } from '../site/model/site';
import { newSite } from '../site/newSite';
import { addSlot, type NewSlot } from '../site/slots';
import { planFiles } from './filePlan';
import { drawSlots, plannedFiles } from './plannedFiles';
import { HandOverStopped, type HandOverPorts } from './ports';

const filled = (part: NewSlot): Edit[] => [
  addSlot('page', part),
  setLayers(`picture-${part.id}`, { type: 'colour', colour: '#3b4a45' }, []),
];

/** A small header, a large one and a blank one, each with its file, half of it and twice of it. */
const site: Site = [
  ...filled({ id: 'small', kind: 'header', width: 700, height: 20 }),
  ...filled({ id: 'large', kind: 'header', width: 900, height: 60 }),
  addSlot('page', { id: 'blank', kind: 'header', width: 800, height: 50 }),
].reduce(applyEdit, newSite('s', 'page', 'Veldrin'));

const plan = planFiles(site, () => true);
interface Setup {
  readonly log: string[];
  readonly ports: HandOverPorts;
}

/** @param fails whether the file of that raster cannot be written */
function setUp(atOnce: number, fails: (raster: Raster) => boolean = () => false): Setup {
  const log: string[] = [];
  const later = <T>(value: T) => new Promise<T>((resolve) => setTimeout(() => resolve(value), 2));
  const ports: Partial<HandOverPorts> = {
    atOnce,
    draw({ width, height }: Drawing) {
      log.push(`draw ${width}`);
      return later(createRaster(width, height));
    },
    resize(raster, width, height) {
      log.push(`resize ${raster.width} to ${width}`);
      return later(createRaster(width, height));
    },
    async encode(raster, { format }) {
      log.push(`write ${raster.width} ${format}`);
      const bytes = await later(new TextEncoder().encode(`${raster.width} ${format}`));
      if (fails(raster)) {
        throw new Error('no clay');
      }
      log.push(`wrote ${raster.width} ${format}`);
      return bytes;
    },
  };
  return { log, ports: ports as HandOverPorts };
}

const listener = () => {
  const told: string[] = [];
  return {
    told,
    wanted: () => true,
    onProgress: (done: number, of: number) => void told.push(`${done} of ${of}`),
  };
};

const written = (log: readonly string[]) => log.filter((line) => line.startsWith('write '));

test('what takes longest is written first, slot by slot; what comes back is in the order of the plan', async () => {
  const { log, ports } = setUp(1);
  const heard = listener();
  const files = await plannedFiles(site, plan, new Map(), ports, heard);
  expect(files.map(({ planned }) => planned)).toEqual(plan.flatMap((s) => s.files));
  expect(files.map(({ bytes }) => new TextDecoder().decode(bytes))).toEqual(
    plan.flatMap((s) => s.files.map((f) => `${f.width} ${f.settings.format}`)),
  );
  expect(plan.map(({ slot }) => slot.id)).toEqual(['small', 'large']);
  expect(written(log).map((line) => Number(line.split(' ')[1]))).toEqual([
    1800, 1800, 900, 900, 450, 450, 1400, 1400, 700, 700, 350, 350,
  ]);
  expect(heard.told).toEqual(Array.from({ length: 12 }, (_, i) => `${i} of 12`));
});

test('each size is drawn once, while the file before it is being written', async () => {
  const { log, ports } = setUp(1);
  await plannedFiles(site, plan, new Map(), ports, listener());
  const drawn = log.filter((line) => /^(draw|resize)/.test(line));
  expect(drawn).toEqual([
    'draw 1800',
    'draw 900',
    'resize 900 to 450',
    'draw 1400',
    'draw 700',
    'resize 700 to 350',
  ]);
  // The larger header's last file is not written yet when the next one's drawing begins.
  expect(log.indexOf('draw 1400')).toBeLessThan(log.indexOf('wrote 450 jpeg'));
});

test.each([1, 2, 3, 20])('with %i at a time the files are the same', async (atOnce) => {
  const { log, ports } = setUp(atOnce);
  const files = await plannedFiles(site, plan, new Map(), ports, listener());
  const alone = await plannedFiles(site, plan, new Map(), setUp(1).ports, listener());
  expect(files).toEqual(alone);
  expect(written(log).sort()).toEqual([...new Set(written(log))].sort());
});

test('drawings that are there already are not drawn again, and go with their last file', async () => {
  const { log, ports } = setUp(2);
  const { held, opaque } = await drawSlots(site, ports, listener());
  expect([...held.keys()].sort()).toEqual(['large', 'small']);
  expect([...opaque].sort()).toEqual([
    ['large', false],
    ['small', false],
  ]);
  log.length = 0;
  await plannedFiles(site, plan, held, ports, listener());
  expect(log).not.toContain('draw 900');
  expect(log).not.toContain('draw 700');
  expect(held.size).toBe(0);
});

test('what cannot be written ends it, and nothing new is begun', async () => {
  const { log, ports } = setUp(2, ({ width }) => width === 900);
  await expect(plannedFiles(site, plan, new Map(), ports, listener())).rejects.toThrow('no clay');
  await new Promise((resolve) => setTimeout(resolve, 30));
  expect(written(log).length).toBeLessThanOrEqual(4);
});

test('once it is not wanted nothing more is drawn or written', async () => {
  const { log, ports } = setUp(1);
  const stopping = { ...listener(), wanted: () => written(log).length < 2 };
  await expect(plannedFiles(site, plan, new Map(), ports, stopping)).rejects.toThrow(
    HandOverStopped,
  );
  expect(written(log)).toHaveLength(2);
  await expect(drawSlots(site, ports, { ...listener(), wanted: () => false })).rejects.toThrow(
    HandOverStopped,
  );
});
