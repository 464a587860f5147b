import type { Raster } from '../raster/raster';
import { mipLevelOf, quickMipLevelOf } from './mipLevels';
import type { Size } from './placement';

/** A photo made half as large along each side, so many times over. */
export interface PhotoMipLevel {
  readonly raster: Raster;
  readonly mipLevel: number;
}

/** A photo as it was read, as far as it is kept. */
export interface ReadPhoto {
  readonly photo: PhotoMipLevel;
  /** Of all of it, px. */
  readonly size: Size;
}

/** Pixels of photos, at the size that something is drawn from. */
export interface Photos {
  /**
   * Halved exactly so often; more often where no larger one is there, and undefined where there is
   * none at all.
   */
  exactly(assetId: string, mipLevel: number): PhotoMipLevel | undefined;
  /** The same by a tenth of the work, for what stands on the screen a moment. */
  roughly(assetId: string, mipLevel: number): PhotoMipLevel | undefined;
}

/** @param find the largest that is there of a photo */
export function photosFrom(find: (assetId: string) => PhotoMipLevel | undefined): Photos {
  const by =
    (halve: (photo: Raster, times: number) => Raster) => (assetId: string, mipLevel: number) => {
      const kept = find(assetId);
      if (!kept) {
        return undefined;
      }
      const times = Math.max(0, mipLevel - kept.mipLevel);
      return { raster: halve(kept.raster, times), mipLevel: kept.mipLevel + times };
    };
  return { exactly: by(mipLevelOf), roughly: by(quickMipLevelOf) };
}

/** Of photos that are there whole. */
export const wholePhotos = (find: (assetId: string) => Raster | undefined): Photos =>
  photosFrom((assetId) => {
    const raster = find(assetId);
    return raster && { raster, mipLevel: 0 };
  });
