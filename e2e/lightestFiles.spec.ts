/**
 * The search for the lightest of all files of a site, as they are handed over; judged on the files
 * of the archive, decoded by sharp, against what is drawn without a browser.
 */
import { readFileSync } from 'node:fs';
import { unzipSync } from 'fflate';
import sharp from 'sharp';
import { drawingOf } from '../src/core/compose/drawing';
import { scaledDrawing } from '../src/core/compose/scaledDrawing';
import { readSiteFile, writeSiteFile } from '../src/core/handover/siteFile';
import { careLimits } from '../src/core/lightest/care';
import { lossTo, referenceOf } from '../src/core/likeness/loss';
import { backdropOf } from '../src/core/seam/adjacentColours';
import { applyEdit, setLayers } from '../src/core/site/edit';
import { newSite } from '../src/core/site/newSite';
import { pictureOf } from '../src/core/site/picture';
import { addSlot } from '../src/core/site/slots';
import { nodePorts } from '../src/engine/node';
import { expect, inNewTab as test } from './bench.fixture';

/** A site of one small header, so that all its files are found soon. */
const small = applyEdit(
  applyEdit(
    newSite('small', 'home', 'Small kiln'),
    addSlot('home', { id: 'h', kind: 'header', width: 640, height: 60 }),
  ),
  setLayers(
    'picture-h',
    {
      type: 'gradient',
      shape: 'radial',
      angle: 0,
      space: 'oklch',
      stops: [
        { at: 0, colour: '#c8693c' },
        { at: 1, colour: '#28405a' },
      ],
    },
    [],
  ),
);

test('all files of a site are searched while the screen is left, stopped, and begun again; each holds as it was asked @landing', async ({
  bench,
  page,
}) => {
  await bench.start();
  await page.getByRole('link', { name: 'Soyez', exact: true }).click();
  await page.setInputFiles('input[data-picks="Open a site file"]', {
    name: 'small.soyez',
    mimeType: 'application/zip',
    buffer: Buffer.from(writeSiteFile({ site: small, assets: new Map() })),
  });
  await expect(page.getByRole('heading', { name: 'Page plan of Small kiln' })).toBeAttached();
  await page.getByRole('button', { name: 'Hand over', exact: true }).click();
  const archive = page.getByRole('button', { name: /^Archive, / });
  await expect(archive).toBeEnabled();
  const group = page
    .getByRole('region', { name: 'What goes along' })
    .or(page.getByRole('complementary', { name: 'What goes along' }));
  await group.getByRole('button', { name: 'Search all files' }).click();
  await expect(group.getByRole('progressbar', { name: 'Files searched' })).toBeVisible();
  await expect(group.getByRole('status')).toHaveText(/^[12] of [56]: Header/);
  await group.getByRole('button', { name: 'Stop searching' }).click();
  await expect(group.getByRole('button', { name: 'Search all files' })).toBeVisible();
  await group.getByRole('button', { name: 'Search all files' }).click();
  // It goes on while something else is looked at.
  await page.getByRole('link', { name: 'Small kiln' }).click();
  await expect(page.getByRole('heading', { name: 'Page plan of Small kiln' })).toBeAttached();
  await expect(page.getByRole('button', { name: /^Undo: Lightest files of Header/ })).toBeEnabled();
  await page.getByRole('button', { name: 'Hand over', exact: true }).click();
  await expect(group.getByRole('status')).toHaveText(/^Every file was searched/);
  await expect(archive).toBeEnabled();
  const [download] = await Promise.all([page.waitForEvent('download'), archive.click()]);
  const entries = unzipSync(readFileSync(await download.path()));
  const packed = Object.entries(entries).find(([path]) => path.endsWith('.soyez'))![1];
  const { site } = readSiteFile('small.soyez', new Uint8Array(packed));
  const [slot] = site.slots;
  const picture = pictureOf(site, slot);
  expect(picture.sized.map((s) => s.scale).sort()).toEqual([0.5, 2]);
  const { careful } = careLimits;
  const ports = await nodePorts(site, new Map());
  const drawing = drawingOf(slot, picture);
  const under = backdropOf(site, slot);
  const names = Object.keys(entries).filter((path) => path.startsWith('pictures/'));
  expect(names.length).toBeGreaterThanOrEqual(5);
  for (const path of names) {
    const scale = [2, 0.5].find((s) => path.includes(s === 2 ? '-2x' : '-half')) ?? 1;
    const one = await ports.draw(scale > 1 ? scaledDrawing(drawing, scale) : drawing);
    const drawn = scale < 1 ? await ports.resize(one, 320, 30) : one;
    const { data, info } = await sharp(entries[path])
      .ensureAlpha()
      .raw()
      .toBuffer({ resolveWithObject: true });
    expect(`${path} ${info.width}×${info.height}`).toBe(`${path} ${drawn.width}×${drawn.height}`);
    const file = { ...drawn, data: new Uint8ClampedArray(data) };
    const loss = lossTo(referenceOf(drawn, under), file, under);
    expect(loss.overall).toBeLessThanOrEqual(careful.overall * 1.02);
    expect(loss.worst).toBeLessThanOrEqual(careful.worst * 1.02);
  }
  ports.close();
  // One step, taken back where it was made.
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: /^Redo: Lightest files of Header/ })).toBeEnabled();
});
