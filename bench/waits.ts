/**
 * What is waited for after something was done, in Chromium, against the files that had to be written
 * for it: the same codecs in one thread of Node.
 */
import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import sharp from 'sharp';
import { sampleFiles, sampleSite } from '../src/demo/sample';
import type { HandOverPorts } from '../src/core/handover/ports';
import { produceHandOver } from '../src/core/handover/produce';
import { inspectPicture } from '../src/core/measure/inspect';
import { shelfItem } from '../src/core/shelf/item';
import { assetId } from '../src/store/assets';
import { nodePorts } from '../src/engine/node';
import { nodeCodecs } from '../src/engine/nodeCodecs';
import { encodeSettings } from '../src/core/encode/settings';
import type { OnPlan } from './onPlan';
import { median, row, type Rows } from './rows';

interface Encodes {
  /** Of each slot's own file, ms. */
  readonly findings: number;
  /** Of all that is handed over, ms. */
  readonly handOver: number;
}

async function encodesOfSample(): Promise<Encodes> {
  const assets = new Map<string, Uint8Array<ArrayBuffer>>();
  const shelf: Record<string, ReturnType<typeof shelfItem>> = {};
  for (const file of sampleFiles) {
    const bytes = new Uint8Array(readFileSync(`public${file.url}`));
    const id = await assetId(bytes);
    assets.set(id, bytes);
    const { format, width, height } = inspectPicture(file.name, bytes);
    const { name, maker } = file;
    const facts = { assetId: id, name, maker, width, height, format, bytes: bytes.length };
    shelf[file.key] = shelfItem(facts);
  }
  const site = sampleSite('s', shelf);
  const ports = await nodePorts(site, assets);
  const sums = { findings: 0, handOver: 0 };
  let last = 0;
  const timed: HandOverPorts = {
    ...ports,
    // One after the other, so that each time is of the file that is told next.
    atOnce: 1,
    async encode(...asked) {
      const start = performance.now();
      const bytes = await ports.encode(...asked);
      last = performance.now() - start;
      return bytes;
    },
  };
  await produceHandOver(site, timed, {
    wanted: () => true,
    onProgress: () => {},
    onFile({ planned }) {
      if (planned?.asItWas === undefined) {
        sums.handOver += last;
        sums.findings += planned?.scale === 1 && !planned.fallback ? last : 0;
      }
    },
  });
  ports.close();
  return sums;
}

/** The plan's findings are all there. */
const allFound = (page: Page) =>
  page.waitForFunction(() =>
    /^\d+$/.test(
      document.querySelector('[aria-label="Findings"] [role=status]')?.textContent ?? '',
    ),
  );

const photograph = { width: 2560, height: 1600 };
const slot = { width: 1400, height: 900 };

/** Decoding a photograph and writing it once for a slot, ms. */
async function decodeAndEncode(photo: Uint8Array<ArrayBuffer>): Promise<number> {
  const { codecs, close } = await nodeCodecs();
  const small = await sharp(photo).resize(slot.width, slot.height).ensureAlpha().raw().toBuffer();
  const raster = { ...slot, data: new Uint8ClampedArray(small) };
  const times: number[] = [];
  for (let i = 0; i < 4; i++) {
    const start = performance.now();
    await codecs.decode(photo);
    await codecs.encode(raster, encodeSettings('webp', 80), []);
    times.push(performance.now() - start);
  }
  close();
  return median(times.slice(1));
}

/** From dropping a photograph on a bench until its weight is known, ms. */
async function dropped(page: Page, photo: Uint8Array): Promise<number> {
  const base64 = Buffer.from(photo).toString('base64');
  const data = await page.evaluateHandle((text) => {
    const transfer = new DataTransfer();
    const bytes = Uint8Array.from(atob(text), (c) => c.charCodeAt(0));
    transfer.items.add(new File([bytes], 'photograph.jpg', { type: 'image/jpeg' }));
    return transfer;
  }, base64);
  const known = page.evaluate(
    () =>
      new Promise<number>((resolve) => {
        const answer = document.querySelector('[data-answer="6"]')!;
        const start = performance.now();
        let writing = false;
        const look = new MutationObserver(() => {
          writing ||= answer.textContent.includes('writing');
          if (writing && answer.textContent.includes('KB')) {
            look.disconnect();
            resolve(performance.now() - start);
          }
        });
        look.observe(answer, { subtree: true, childList: true, characterData: true });
      }),
  );
  const main = page.getByRole('main');
  await main.dispatchEvent('dragover', { dataTransfer: data });
  await main.dispatchEvent('drop', { dataTransfer: data });
  return known;
}

export async function* waitRows({ browser, address }: OnPlan): Rows {
  const encodes = await encodesOfSample();
  const photo = new Uint8Array(
    await sharp('public/sample/kiln-glow.jpg')
      .resize(photograph.width, photograph.height)
      .jpeg({ quality: 92 })
      .toBuffer(),
  );
  const once = await decodeAndEncode(photo);
  const found: number[] = [];
  const again: number[] = [];
  const handed: number[] = [];
  const drops: number[] = [];
  const longest: number[] = [];
  for (let i = 0; i < 3; i++) {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    const page = await context.newPage();
    await page.addInitScript(() => {
      const tasks: number[] = [];
      Object.assign(globalThis, { tasks });
      new PerformanceObserver((list) =>
        tasks.push(...list.getEntries().map((e) => e.duration)),
      ).observe({ entryTypes: ['longtask'] });
    });
    const timed = async (act: () => Promise<unknown>) => {
      const start = performance.now();
      await act();
      return performance.now() - start;
    };
    await page.goto(`${address}/?sample`);
    await page.waitForURL(/sites/);
    found.push(await timed(() => allFound(page)));
    await page.waitForTimeout(500);
    await page.reload();
    again.push(await timed(() => allFound(page)));
    await page.getByRole('link', { name: /^Header, .* open its bench/ }).click();
    await page.locator('canvas[data-ready=true]').waitFor();
    await page.keyboard.press('1');
    for (const [label, px] of [
      ['Width', slot.width],
      ['Height', slot.height],
    ] as const) {
      const field = page.getByRole('textbox', { name: label, exact: true });
      await field.fill(String(px));
      await field.press('Enter');
    }
    await page.waitForTimeout(6000);
    await page.evaluate(() => {
      (globalThis as never as { tasks: number[] }).tasks.length = 0;
    });
    drops.push(await dropped(page, photo));
    longest.push(
      Math.max(
        0,
        ...(await page.evaluate(() => (globalThis as never as { tasks: number[] }).tasks)),
      ),
    );
    await context.close();
    const fresh = await (await browser.newContext()).newPage();
    await fresh.goto(`${address}/?sample`);
    await fresh.waitForURL(/sites/);
    await fresh.goto(`${fresh.url()}/hand-over`);
    handed.push(
      await timed(() =>
        fresh.locator('button:enabled', { hasText: /^Archive, / }).waitFor({ timeout: 120_000 }),
      ),
    );
    await fresh.context().close();
  }
  yield row('findings of the sample, from nothing', median(found), 'its encodes', encodes.findings);
  yield row('the same after a reload', median(again), 'its encodes', encodes.findings);
  yield row(
    'hand-over of the sample, from nothing',
    median(handed),
    'its encodes',
    encodes.handOver,
  );
  yield row(
    'a photograph dropped until its weight is known, 1400×900',
    median(drops),
    'decode and one encode',
    once,
  );
  yield row('longest task meanwhile on the main thread', median(longest), 'wanted at most', 100);
}
