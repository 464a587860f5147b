import { boundedCache, pixelBytes } from '@/core/boundedCache';
import type { PhotoMipLevel } from '@/core/frame/photos';
import type { Raster } from '@/core/raster/raster';

/** How much may be kept, bytes. */
export interface KeptLimits {
  /** Of all together. */
  readonly most: number;
  /** Of those that nothing on the screen or in work needs. */
  readonly spare: number;
}

/**
 * Decoded photos, each as large as it was needed: what is in hand is held as far as there is any
 * room, and only a little beyond that.
 */
export class KeptPhotos {
  private readonly photos;
  private readonly holds = new Map<string, ReadonlySet<string>>();
  private gone: string[] = [];

  constructor(private readonly limits: KeptLimits) {
    this.photos = boundedCache<PhotoMipLevel>(
      limits.most,
      ({ raster }) => pixelBytes(raster),
      (assetId) => this.gone.push(assetId),
    );
  }

  /** The largest that is there. */
  find = (assetId: string): PhotoMipLevel | undefined => this.photos.get(assetId);

  /** All its px; undefined while they are not there. */
  whole(assetId: string): Raster | undefined {
    const photo = this.photos.get(assetId);
    return photo?.mipLevel === 0 ? photo.raster : undefined;
  }

  /** @returns photos that had to make room since this was last asked; itself, where it has none */
  put(assetId: string, photo: PhotoMipLevel): readonly string[] {
    const before = this.photos.get(assetId);
    if (!before || before.mipLevel > photo.mipLevel) {
      this.photos.set(assetId, photo);
    }
    this.trim(assetId);
    const gone = this.photos.has(assetId) ? this.gone : [...this.gone, assetId];
    this.gone = [];
    return gone;
  }

  /** Says what somebody needs from now on; it stays before all others. */
  hold(by: string, assetIds: Iterable<string>): void {
    this.holds.set(by, new Set(assetIds));
  }

  release(by: string): void {
    this.holds.delete(by);
  }

  /** @param newest that is needed in a moment, by whoever asked for it */
  private trim(newest: string): void {
    const held = new Set([newest, ...[...this.holds.values()].flatMap((one) => [...one])]);
    let spare = 0;
    for (const [assetId, { raster }] of [...this.photos.entries()]) {
      if (held.has(assetId)) {
        continue;
      }
      spare += pixelBytes(raster);
      if (spare > this.limits.spare) {
        this.photos.delete(assetId);
        this.gone.push(assetId);
      }
    }
  }
}
