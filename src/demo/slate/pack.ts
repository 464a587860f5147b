/**
 * Makes the archive of Slate, the sample theme: `npm run slate` writes it to public/sample; it is
 * committed.
 */
import { writeFileSync } from 'node:fs';
import { strToU8, zipSync } from 'fflate';
import { slatePieces } from './pieces';
import { slateHtml, slateCss } from './sheets';

async function main(): Promise<void> {
  const files: Record<string, Uint8Array> = {
    'slate/style.css': strToU8(slateCss),
    'slate/index.html': strToU8(slateHtml),
    'slate/readme.txt': strToU8(
      'Slate, an invented theme. All pictures were drawn by a script and belong to nobody.\n',
    ),
  };
  for (const [path, bytes] of Object.entries(await slatePieces())) {
    files[`slate/${path}`] = new Uint8Array(bytes);
  }
  writeFileSync(
    'public/sample/slate-theme.zip',
    zipSync(
      Object.fromEntries(
        Object.entries(files).map(([path, bytes]) => [
          path,
          [
            bytes,
            { level: /\.(css|html|txt|svg)$/.test(path) ? 9 : 0, mtime: '1980-01-01T12:00:00' },
          ],
        ]),
      ),
    ),
  );
}

void main();
