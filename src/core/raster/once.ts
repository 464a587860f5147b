import type { Raster } from './raster';

/**
 * What was measured of rasters that are never changed, such as decoded files; it is gone when its
 * raster is.
 */
const known = new WeakMap<Raster, Map<string, unknown>>();

/**
 * A measure of a raster, worked out once for as long as the raster is there.
 * @param what names the measure; the same name is always the same measure
 */
export function once<V>(raster: Raster, what: string, measure: (raster: Raster) => V): V {
  const measures = known.get(raster) ?? new Map<string, unknown>();
  known.set(raster, measures);
  if (!measures.has(what)) {
    measures.set(what, measure(raster));
  }
  return measures.get(what) as V;
}
