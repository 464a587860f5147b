import type { Raster } from '@/core/raster/raster';
import { notify } from './notices';

/** Puts a picture on the clipboard, as PNG, which is what clipboards take. */
export async function copyPicture(raster: Raster): Promise<void> {
  try {
    const canvas = new OffscreenCanvas(raster.width, raster.height);
    canvas
      .getContext('2d')!
      .putImageData(new ImageData(raster.data, raster.width, raster.height), 0, 0);
    const png = canvas.convertToBlob({ type: 'image/png' });
    await navigator.clipboard.write([new ClipboardItem({ 'image/png': png })]);
    notify('done', 'The picture is on the clipboard.');
  } catch {
    notify('bad', 'The browser did not allow copying. Download the file instead.');
  }
}
