import type { Raster } from '../raster/raster';
import { halved, roughlyHalved } from './halved';
import type { Size } from './placement';

/** A photo made half as large along each side, so many times over. */
export interface HalvedPhoto {
  readonly raster: Raster;
  readonly halvings: number;
}

/** A photo as it was read, as far as it is kept. */
export interface ReadPhoto {
  readonly photo: HalvedPhoto;
  /** Of all of it, px. */
  readonly size: Size;
}

/** Pixels of photos, at the size that something is drawn from. */
export interface Photos {
  /**
   * Halved exactly so often; more often where no larger one is there, and undefined where there is
   * none at all.
   */
  exactly(assetId: string, halvings: number): HalvedPhoto | undefined;
  /** The same by a tenth of the work, for what stands on the screen a moment. */
  roughly(assetId: string, halvings: number): HalvedPhoto | undefined;
}

/** @param find the largest that is there of a photo */
export function photosFrom(find: (assetId: string) => HalvedPhoto | undefined): Photos {
  const by =
    (halve: (photo: Raster, times: number) => Raster) => (assetId: string, halvings: number) => {
      const kept = find(assetId);
      if (!kept) {
        return undefined;
      }
      const times = Math.max(0, halvings - kept.halvings);
      return { raster: halve(kept.raster, times), halvings: kept.halvings + times };
    };
  return { exactly: by(halved), roughly: by(roughlyHalved) };
}

/** Of photos that are there whole. */
export const wholePhotos = (find: (assetId: string) => Raster | undefined): Photos =>
  photosFrom((assetId) => {
    const raster = find(assetId);
    return raster && { raster, halvings: 0 };
  });
