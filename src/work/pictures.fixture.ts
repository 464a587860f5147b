import type { EncodedImage } from '@/core/encode/codecs';
import { encodeSettings } from '@/core/encode/settings';
import { fillRect } from '@/core/raster/composite';
import { createRaster, type Raster } from '@/core/raster/raster';
import { noSurvey } from '@/core/readings/survey';
import { applyEdit, editPicture, setLayers } from '@/core/site/edit';
import type { Site } from '@/core/site/model/site';
import { newSite } from '@/core/site/newSite';
import { addSlot } from '@/core/site/slots';
import type { FileEngine } from './pictureFiles';

/** A site with a red header of 20 × 10 and an empty mark. */
export const siteWithHeader: Site = [
  addSlot('page', { id: 'h', kind: 'header', width: 20, height: 10 }),
  addSlot('page', { id: 'm', kind: 'mark', width: 8, height: 8 }),
  setLayers('picture-h', { type: 'colour', colour: '#aa0000' }, []),
  editPicture('picture-h', (p) => {
    p.press = encodeSettings('webp', 80);
  }),
].reduce(applyEdit, newSite('s', 'page', 'Veldrin'));

export const plain = (width: number, height: number): Raster => {
  const raster = createRaster(width, height);
  fillRect(raster, { r: 170, g: 0, b: 0 });
  return raster;
};

/** An engine that draws one colour, counts what it is asked, and waits where it is told to. */
export function countingEngine() {
  const asked: string[] = [];
  const urgencies: string[] = [];
  const engine: FileEngine & { asked: string[]; urgencies: string[]; gate: Promise<void> } = {
    asked,
    urgencies,
    gate: Promise.resolve(),
    async pixels({ width, height }, urgency) {
      asked.push('pixels');
      urgencies.push(urgency);
      await engine.gate;
      return plain(width, height);
    },
    async press(raster, settings, _pinned, urgency): Promise<EncodedImage> {
      urgencies.push(urgency);
      asked.push(`press ${settings.format} ${settings.quality}`);
      const decoded = { ...raster, data: raster.data.slice() };
      return { bytes: new Uint8Array(settings.quality), decoded };
    },
    async decode(bytes) {
      asked.push(`decode ${bytes.length}`);
      return plain(20, 10);
    },
    async survey() {
      asked.push('survey');
      return noSurvey;
    },
  };
  return engine;
}
