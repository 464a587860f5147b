import { calmReport } from '@/core/calm/calm';
import { colourOf } from '@/core/colour/parse';
import { sampleAt } from '@/core/colour/sample';
import { mainColours } from '@/core/colour/palette';
import { cutByLoop } from '@/core/cutout/loop';
import { firstFrame } from '@/core/frame/firstFrame';
import { mipLevelToKeep } from '@/core/frame/mipLevels';
import { photosFrom } from '@/core/frame/photos';
import type { Size } from '@/core/frame/placement';
import { suggestFrames } from '@/core/frame/suggest';
import { createComposer, type Drawing } from '@/core/compose/compose';
import { placedText } from '@/core/layers/fitting';
import { kindOf } from '@/core/layers/registry';
import { wantedContrast } from '@/core/legibility/contrast';
import { titleReport } from '@/core/legibility/bandTitle';
import { legibilityOf } from '@/core/legibility/report';
import { placeText } from '@/core/legibility/placeText';
import { composite, fillRect } from '@/core/raster/composite';
import { createRaster, crop, isEmpty, wholeRaster, type Raster } from '@/core/raster/raster';
import { Refusal } from '@/core/refusal';
import type { Hex } from '@/core/site/model/hex';
import { ownAssetId, ownFontId } from '@/core/text/fonts';
import { canvasGlyphs, type TextContext } from '@/core/text/glyphs';
import { serve, type ServerScope } from './channel';
import { MainThreadTurns } from './yieldToMain';
import { addOwnFace, cssFont, fontLoader } from './fontFaces';
import { KeptPhotos } from './keptPhotos';
import { photoLimits } from './limits';
import type { RenderCalls } from './protocol';

const faces = (self as unknown as { fonts: FontFaceSet }).fonts;
const loadFonts = fontLoader(faces);
const ownFonts = new Set<string>();

const fontsOf = (drawing: Drawing) =>
  loadFonts(drawing.layers.filter((layer) => layer.kind === 'text'));

const glyphs = canvasGlyphs(
  (width, height) => {
    const context = new OffscreenCanvas(width, height).getContext('2d', {
      willReadFrequently: true,
    });
    if (!context) {
      throw new Refusal('This browser gave no canvas to draw text on.');
    }
    return context as unknown as TextContext;
  },
  cssFont,
  (font) => ownAssetId(font) === undefined || ownFonts.has(font),
);

const kept = new KeptPhotos(photoLimits);
const resources = { glyphs, photos: photosFrom(kept.find) };
const photosOf = ({ layers }: Drawing): string[] =>
  layers.flatMap((layer) => (layer.kind === 'photo' ? [layer.assetId] : []));

/** A photo as large as it is looked at, whatever larger one is there. */
function lookedAt(assetId: string, size: Size | undefined): Raster | undefined {
  const mipLevel = size ? mipLevelToKeep(size) : 0;
  const photo = resources.photos.exactly(assetId, mipLevel);
  return photo?.mipLevel === mipLevel ? photo.raster : undefined;
}

/** Who holds the photos of what is drawn aside. */
const aside = 'aside';

interface OpenView {
  readonly composer: ReturnType<typeof createComposer>;
  /** What its raster shows in full, as text; empty while it does not. */
  shown: string;
  raster: Raster | undefined;
}

const views = new Map<string, OpenView>();

function viewOf(name: string): OpenView {
  let view = views.get(name);
  if (!view) {
    views.set(name, (view = { composer: createComposer(resources), shown: '', raster: undefined }));
  }
  return view;
}

/** A drawing as it is seen on what shows through where it does not cover the page. */
function seenOver(drawing: Drawing, backdrop: Hex): Raster {
  const seen = createRaster(drawing.width, drawing.height);
  fillRect(seen, colourOf(backdrop));
  const { raster } = createComposer(resources).compose(drawing);
  composite(seen, { type: 'raster', raster, x: 0, y: 0 });
  return seen;
}

serve<RenderCalls>(self as unknown as ServerScope, {
  ready() {
    return { answer: null };
  },
  async frame({ view, drawing, whole, focus }) {
    await fontsOf(drawing);
    const start = performance.now();
    const open = viewOf(view);
    kept.hold(view, photosOf(drawing));
    const {
      raster,
      changed: part,
      complete,
      rough,
      boxes,
      missing,
    } = open.composer.compose(drawing, whole ? undefined : focus);
    open.shown = complete && missing.length === 0 ? JSON.stringify(drawing) : '';
    open.raster = raster;
    const changed = whole ? wholeRaster(raster) : part;
    const pixels = isEmpty(changed) ? new Uint8ClampedArray(0) : crop(raster, changed).data;
    const ms = performance.now() - start;
    return {
      answer: {
        width: raster.width,
        height: raster.height,
        changed,
        pixels,
        complete,
        rough,
        boxes,
        missing,
        ms,
      },
      transfer: [pixels.buffer],
    };
  },
  async lacking({ view, drawing }) {
    await fontsOf(drawing);
    kept.hold(view, photosOf(drawing));
    return { answer: viewOf(view).composer.lacking(drawing) };
  },
  asset({ assetId, raster, mipLevel }) {
    return { answer: kept.put(assetId, { raster, mipLevel: mipLevel }) };
  },
  async font({ assetId, bytes }) {
    await addOwnFace(faces, ownFontId(assetId), bytes);
    ownFonts.add(ownFontId(assetId));
    return { answer: null };
  },
  async pixels({ drawing }) {
    // What is on the screen is what is pressed most of the time: a copy of it is far quicker than
    // drawing it anew.
    const key = JSON.stringify(drawing);
    const open = [...views.values()].find((view) => view.shown === key);
    if (open?.raster) {
      const raster = { ...open.raster, data: open.raster.data.slice() };
      return { answer: { raster, missing: [] }, transfer: [raster.data.buffer] };
    }
    // They are asked about once more when the drawing is surveyed.
    kept.hold(aside, photosOf(drawing));
    await fontsOf(drawing);
    const { raster, missing } = createComposer(resources).compose(drawing);
    return { answer: { raster, missing }, transfer: [raster.data.buffer] };
  },
  firstFrame({ assetId, size, frame }) {
    const photo = lookedAt(assetId, size);
    return { answer: photo ? firstFrame(photo, frame, size) : null };
  },
  cutByLoop({ assetId, loop }) {
    const photo = kept.whole(assetId);
    return { answer: photo ? { area: cutByLoop(photo, loop) ?? null } : null };
  },
  async placeText({ drawing, text, wish: { backdrop, colours, within } }) {
    await loadFonts([text, ...drawing.layers.filter((layer) => layer.kind === 'text')]);
    const box = kindOf(text).box!(text, { ...drawing, glyphs });
    if (!box) {
      return { answer: text };
    }
    const part = crop(seenOver(drawing, backdrop), within);
    const textPlacement = placeText(part, box, colours, wantedContrast(text), 0);
    const at = { ...textPlacement, x: textPlacement.x + within.x, y: textPlacement.y + within.y };
    return { answer: placedText(text, box, at) };
  },
  surveyPhoto({ assetId, size, frame }) {
    const photo = lookedAt(assetId, size);
    return {
      answer: photo
        ? { frames: suggestFrames(photo, frame, size), colours: mainColours(photo) }
        : null,
    };
  },
  sample({ assetId, x, y, size }) {
    const photo = kept.whole(assetId);
    return { answer: (photo && sampleAt(photo, x, y, size)) ?? null };
  },
  async survey({ drawing, questions: { backdrop, colours, calm, live, title } }) {
    await fontsOf(drawing);
    if (title) {
      await loadFonts([{ font: title.font, italic: false, words: title.band.heading }]);
    }
    const bare = { ...drawing, layers: drawing.layers.filter((l) => l.kind !== 'text') };
    // Words are measured at many widths: what is drawn meanwhile does not wait for all of them.
    const breath = new MainThreadTurns(16);
    const rest = () => breath.yieldToMain();
    // Photos as they are now: others may take their places meanwhile.
    const photos = new Map(photosOf(drawing).map((id) => [id, kept.find(id)] as const));
    const held = { glyphs, photos: photosFrom((assetId) => photos.get(assetId)) };
    const under = title && seenOver(drawing, title.band.colour);
    return {
      answer: {
        calm: calm
          ? calmReport(seenOver(bare, backdrop), calm.limit, calm.veil, calm.wraps)
          : undefined,
        texts: await legibilityOf(drawing, held, backdrop, colours, live ?? undefined, rest),
        title: title && under ? await titleReport(under, title, colours, glyphs, rest) : undefined,
      },
    };
  },
  close({ view }) {
    views.delete(view);
    kept.release(view);
    return { answer: null };
  },
});
