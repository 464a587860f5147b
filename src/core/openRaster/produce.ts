import type { Drawing } from '../compose/compose';
import type { HandOverPorts } from '../handover/ports';
import { baseDefaults } from '../layers/base';
import { encodeSettings } from '../encode/settings';
import { noOverlap } from '../frame/overlap';
import type { PhotoLayer } from '../site/model/photoLayer';
import type { OraLayer } from './openRaster';
import { partsOf, rasterSize, seenPart } from './parts';

const png = encodeSettings('png');

/** Longest side of a thumbnail, px, as the format has it. */
const thumbnail = 256;

/** Draws a picture's parts and packs them as an OpenRaster file. */
export async function produceOpenRaster(
  drawing: Drawing,
  ports: Pick<HandOverPorts, 'draw' | 'encode' | 'resize' | 'packPicture'>,
): Promise<Uint8Array<ArrayBuffer>> {
  const layers: OraLayer[] = [];
  const write = (raster: Parameters<typeof ports.encode>[0]) => ports.encode(raster, png, []);
  for (const { name, drawing: part, opacity, blend, hidden } of partsOf(drawing)) {
    const { raster, at } = seenPart(await ports.draw(part));
    layers.push({ name, png: await write(raster), x: at.x, y: at.y, opacity, blend, hidden });
  }
  const { width, height } = rasterSize(drawing);
  const whole = await ports.draw(drawing);
  const k = Math.min(1, thumbnail / Math.max(width, height));
  const w = Math.max(1, Math.round(width * k));
  const h = Math.max(1, Math.round(height * k));
  return ports.packPicture(
    { width, height, layers },
    await write(whole),
    await write(await ports.resize(whole, w, h)),
  );
}

/**
 * A layer of an OpenRaster file as a photo that shows it px for px; it may hang out where the slot
 * lets it.
 */
export function photoFrom(
  { name, x, y, opacity, blend, hidden }: Omit<OraLayer, 'png'>,
  item: { assetId: string; width: number; height: number },
  id: string,
  { left, top } = noOverlap,
): PhotoLayer {
  return {
    ...baseDefaults(id),
    kind: 'photo',
    name,
    assetId: item.assetId,
    sourceWidth: item.width,
    sourceHeight: item.height,
    crop: null,
    cutOut: null,
    x: x - left,
    y: y - top,
    scale: 1,
    stretch: 1,
    turn: 0,
    flipX: false,
    flipY: false,
    sharpen: 0,
    effects: [],
    hangs: left + top > 0,
    opacity,
    blend,
    hidden,
  };
}
