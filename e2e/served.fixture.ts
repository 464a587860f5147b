import { readFileSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import type { Page } from '@playwright/test';
import { unzipSync } from 'fflate';
import sharp from 'sharp';
import { fileType } from '../src/core/handover/fileType';

/** A plain web server over an unpacked archive. */
export function serve(
  files: Readonly<Record<string, Uint8Array>>,
): Promise<{ server: Server; address: string }> {
  const server = createServer((request, response) => {
    const path = decodeURIComponent(request.url!.slice(1).split('?')[0]);
    const bytes = files[path];
    if (!bytes) {
      response.writeHead(path === 'favicon.ico' ? 204 : 404).end();
      return;
    }
    response.writeHead(200, { 'content-type': fileType(path) }).end(Buffer.from(bytes));
  });
  return new Promise((resolve) => {
    server.listen(0, '127.0.0.1', () => {
      const at = server.address();
      resolve({
        server,
        address: `http://127.0.0.1:${typeof at === 'object' && at ? at.port : 0}`,
      });
    });
  });
}

/** Hands a site over, and serves its archive. */
export async function serveHandOver(page: Page, plan: string): ReturnType<typeof serve> {
  await page.goto(`${plan}/hand-over`);
  const saved = page.waitForEvent('download', { timeout: 200_000 });
  await page.getByRole('button', { name: /^Archive, / }).click({ timeout: 200_000 });
  return serve(unzipSync(readFileSync(await (await saved).path())));
}

/** Levels of a screenshot, three a px. */
export const rawPixels = async (png: Buffer | Uint8Array) => {
  const { data, info } = await sharp(png).removeAlpha().raw().toBuffer({ resolveWithObject: true });
  return { data, ...info };
};
