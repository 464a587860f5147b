/** At home on the machine: installed, opened with a file, the clipboard; and the words explained. */
import { readFileSync } from 'node:fs';
import sharp from 'sharp';
import { check } from './accessible.fixture';
import { expect, inNewTab, test } from './bench.fixture';

test('it can be installed: a manifest with an icon that is there, and the files it opens', async ({
  bench,
  page,
}) => {
  await bench.start();
  const address = await page.locator('link[rel=manifest]').getAttribute('href');
  const manifest = (await (await page.request.get(address!)).json()) as {
    name: string;
    start_url: string;
    display: string;
    icons: { src: string; type: string }[];
    file_handlers: { action: string; accept: Record<string, string[]> }[];
  };
  expect(manifest).toMatchObject({ name: 'Soyez', start_url: '/', display: 'standalone' });
  const icon = await page.request.get(manifest.icons[0].src);
  expect(icon.headers()['content-type']).toContain(manifest.icons[0].type);
  expect((await sharp(await icon.body()).metadata()).format).toBe('svg');
  expect(manifest.file_handlers[0].accept).toEqual({ 'application/x-soyez': ['.soyez'] });
});

inNewTab(
  'a site file that the system opens it with is opened @landing',
  async ({ bench, page }) => {
    await bench.start();
    await bench.kept();
    const plan = page.url();
    await page.getByRole('button', { name: 'Hand over' }).click();
    const saved = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Site file' }).click();
    const base64 = readFileSync(await (await saved).path()).toString('base64');
    // In place of the system's queue, which nothing fills in an automated browser.
    await page.addInitScript(() => {
      Object.defineProperty(window, 'launchQueue', {
        value: { setConsumer: (consumer: unknown) => Object.assign(window, { consumer }) },
      });
    });
    await page.goto('/');
    await expect(page.getByRole('button', { name: 'Open the sample' })).toBeEnabled();
    await page.evaluate((text) => {
      const bytes = Uint8Array.from(atob(text), (c) => c.charCodeAt(0));
      const handle = { getFile: async () => new File([bytes], 'studio.soyez') };
      (window as never as { consumer(launched: unknown): void }).consumer({ files: [handle] });
    }, base64);
    await page.waitForURL(/\/sites\/[^/]+$/);
    expect(page.url()).not.toBe(plan);
    await bench.planned();
  },
);

inNewTab('a finished picture is copied as it is written @landing', async ({ bench, page }) => {
  await page.context().grantPermissions(['clipboard-read', 'clipboard-write']);
  await bench.start();
  await bench.open('Header');
  await bench.ask('Hand over');
  await expect(page.getByRole('button', { name: /^Download / })).toBeEnabled();
  await page.getByRole('button', { name: 'Copy the picture' }).click();
  await expect(page.getByText('The picture is on the clipboard.')).toBeVisible();
  const copied = await page.evaluate(async () => {
    const [item] = await navigator.clipboard.read();
    const { width, height } = await createImageBitmap(await item.getType('image/png'));
    return [width, height];
  });
  expect(copied).toEqual([1080, 220]);
});

test('a word of ours is found among all commands and explained', async ({ bench, page }) => {
  await bench.start();
  await bench.command('meant by: veil');
  const dialog = page.getByRole('dialog', { name: 'What our words mean' });
  const veil = dialog.locator('[data-word=Veil]');
  await expect(veil).toContainText('A wash between picture and words');
  await expect(veil).toBeInViewport();
  await check(page, 'words', '[role=dialog]');
  await page.keyboard.press('Escape');
  await expect(dialog).toBeHidden();
});

inNewTab(
  'a picture is pasted on any screen, and the way back leads to where one was @landing',
  async ({ bench, page }) => {
    await bench.start();
    await bench.kept();
    const plan = page.url();
    const paste = () =>
      page.evaluate(async () => {
        const canvas = new OffscreenCanvas(640, 400);
        canvas.getContext('2d')!.fillRect(0, 0, 640, 400);
        const file = new File([await canvas.convertToBlob()], 'cut-from-elsewhere.png');
        const clipboardData = new DataTransfer();
        clipboardData.items.add(file);
        window.dispatchEvent(new ClipboardEvent('paste', { clipboardData, cancelable: true }));
      });
    await page.goto(`${plan}/hand-over`);
    await expect(page.getByRole('heading', { name: /^Hand over of/ })).toBeAttached();
    await paste();
    await page.waitForURL(`${plan}/shelf`);
    await expect(page.getByText('cut-from-elsewhere').first()).toBeVisible();
    await bench.kept();

    await page.goto(`${plan}/slots/sidebar`);
    await bench.drawn();
    await page.getByRole('link', { name: 'Soyez', exact: true }).click();
    await page
      .getByRole('link', { name: 'Go on where you were: Sidebar strip of Veldrin Clayworks' })
      .click();
    await page.waitForURL(`${plan}/slots/sidebar`);
    await bench.drawn();
    // A picture that was removed is nowhere to go on at.
    await page.evaluate(() => localStorage.setItem('soyez.place', '/sites/none/slots/sidebar'));
    await page.getByRole('link', { name: 'Soyez', exact: true }).click();
    await expect(page.getByRole('link', { name: 'Open Veldrin Clayworks' })).toBeVisible();
    await expect(page.getByRole('link', { name: /^Go on where you were/ })).toBeHidden();
  },
);
