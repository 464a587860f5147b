import { bitmapFile, type BitmapFile } from '@/core/raster/bitmapFile';
import type { Raster, Rect } from '@/core/raster/raster';
import { viewOf } from './rect';

/** Pixels of a picture that changed in a rectangle. */
export interface ChangedPixels {
  readonly width: number;
  readonly height: number;
  readonly changed: Rect;
  readonly pixels: Uint8ClampedArray;
}

/** What is seen: the picture as it is drawn, what the page has of its own, or other pixels. */
export type Seen = 'drawn' | 'own' | Raster;

function copyRows(to: BitmapFile, { changed, pixels }: Pick<ChangedPixels, 'changed' | 'pixels'>) {
  const row = changed.width * 4;
  for (let y = 0; y < changed.height; y++) {
    to.pixels.set(
      pixels.subarray(y * row, (y + 1) * row),
      ((changed.y + y) * to.width + changed.x) * 4,
    );
  }
}

/**
 * A picture that changes while it lies in a page: each state is a file that the page loads and
 * paints as it paints its own, so that nothing of how it lies there is ours. One file at a time is
 * on its way; of the states meanwhile only the newest is shown.
 */
export class LivePagePicture {
  private drawn = bitmapFile(1, 1);
  private other: BitmapFile | undefined;
  private seen: 'drawn' | 'own' | 'other' = 'own';
  private address: string | undefined;
  private busy = false;
  private due = false;
  private closed = false;

  /** @param show puts an address into the page; undefined for what it has of its own */
  constructor(
    private readonly document: Document,
    private readonly show: (address: string | undefined) => void,
    private readonly settled: () => void = () => {},
  ) {}

  draw(frame: ChangedPixels): void {
    if (this.drawn.width !== frame.width || this.drawn.height !== frame.height) {
      this.drawn = bitmapFile(frame.width, frame.height);
    }
    if (frame.changed.width > 0 && frame.changed.height > 0) {
      copyRows(this.drawn, frame);
      if (this.seen === 'drawn') {
        void this.bring();
      }
    }
  }

  look(seen: Seen): void {
    if (typeof seen === 'string') {
      this.seen = seen;
    } else {
      const { width, height, data } = seen;
      this.seen = 'other';
      this.other = bitmapFile(width, height);
      this.other.pixels.set(data);
    }
    void this.bring();
  }

  /** The page has what it had of its own again. */
  close(): void {
    this.closed = true;
    this.put(undefined);
  }

  private get file(): BitmapFile | undefined {
    return { drawn: this.drawn, other: this.other, own: undefined }[this.seen];
  }

  private async bring(): Promise<void> {
    this.due = true;
    if (this.busy) {
      return;
    }
    this.busy = true;
    while (this.due && !this.closed) {
      this.due = false;
      await this.bringOne();
    }
    this.busy = false;
    if (!this.closed) {
      this.settled();
    }
  }

  private async bringOne(): Promise<void> {
    const { file } = this;
    if (!file) {
      this.put(undefined);
      return;
    }
    const address = URL.createObjectURL(new Blob([file.bytes], { type: 'image/bmp' }));
    // Loaded by the page's own document before anything of it names it: it is there at once then,
    // and the page is never without a picture.
    const image = new (viewOf(this.document).Image)();
    image.src = address;
    await image.decode().catch(() => {});
    if (this.closed) {
      URL.revokeObjectURL(address);
      return;
    }
    this.put(address);
  }

  private put(address: string | undefined): void {
    const before = this.address;
    this.address = address;
    this.show(address);
    if (before !== undefined) {
      URL.revokeObjectURL(before);
    }
  }
}
