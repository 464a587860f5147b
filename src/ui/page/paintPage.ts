import { drawnBackground, fileArea, fileCopy } from '@/core/measure/background';
import type { PageLayout, LaidSlot, LaidTitle } from '@/core/measure/layoutPage';
import type { Raster } from '@/core/raster/raster';
import type { Site } from '@/core/site/model/site';
import { faceName, themeFace } from '@/core/text/fonts';
import { firstBase } from '@/core/text/lineHeight';
import { breakLines } from '@/core/text/lines';
import { titleFont, titleLeading, titleWeight } from '@/core/text/titleLook';

type Source = CanvasImageSource & { readonly width: number; readonly height: number };

/** Lays a slot's copies where the plan's drawing has them. */
function layCopies(context: CanvasRenderingContext2D, box: LaidSlot, picture: Source): void {
  const rect = fileArea(box);
  const copy = fileCopy(box);
  const repeat = drawnBackground(box).backgroundRepeat;
  const acrossToo = repeat === 'repeat' || repeat === 'repeat-x';
  const downToo = repeat === 'repeat' || repeat === 'repeat-y';
  const from = (at: number, step: number, edge: number, repeats: boolean) =>
    repeats ? at - Math.ceil((at - edge) / step) * step : at;
  context.save();
  context.beginPath();
  context.rect(rect.x, rect.y, rect.width, rect.height);
  context.clip();
  for (
    let y = from(copy.y, copy.height, rect.y, downToo);
    y < rect.y + rect.height;
    y += copy.height
  ) {
    for (
      let x = from(copy.x, copy.width, rect.x, acrossToo);
      x < rect.x + rect.width;
      x += copy.width
    ) {
      context.drawImage(picture, x, y, copy.width, copy.height);
      if (!acrossToo) {
        break;
      }
    }
    if (!downToo) {
      break;
    }
  }
  context.restore();
}

function paintTitle(
  context: CanvasRenderingContext2D,
  box: LaidTitle,
  site: Pick<Site, 'theme' | 'fonts'>,
): void {
  const { rect, title } = box;
  context.save();
  context.fillStyle = title.ink;
  context.font = `${titleWeight(title, site)} ${title.sizePx}px "${faceName(titleFont(title, site))}"`;
  context.textAlign = title.align === 'centre' ? 'center' : title.align;
  const lines = breakLines(title.heading, (l) => context.measureText(l).width, rect.width);
  const step = title.sizePx * titleLeading;
  const spare = rect.height - lines.length * step;
  const share = { left: 0, centre: 0.5, right: 1 }[title.align];
  const down = { top: 0, middle: 0.5, bottom: 1 }[title.high];
  lines.forEach((line, i) =>
    context.fillText(
      line,
      rect.x + share * rect.width,
      rect.y + down * spare + i * step + title.sizePx * firstBase,
    ),
  );
  context.restore();
}

/**
 * The page as pixels at its own size, for colours to be taken from.
 * @param pictureOf what lies in a slot now, or undefined while nothing does
 */
export async function paintPage(
  site: Site,
  layout: PageLayout,
  pictureOf: (slotId: string) => Promise<Source | undefined>,
): Promise<Raster> {
  const canvas = new OffscreenCanvas(layout.width, layout.height);
  const context = canvas.getContext('2d', {
    willReadFrequently: true,
  }) as unknown as CanvasRenderingContext2D;
  const heading = themeFace(site, 'headings');
  const text = themeFace(site, 'text');
  for (const box of layout.boxes) {
    const { x, y, width, height } = box.rect;
    switch (box.type) {
      case 'area':
        context.fillStyle = box.colour;
        context.fillRect(x, y, width, height);
        break;
      case 'slot': {
        const picture = await pictureOf(box.slot.id);
        if (picture) {
          layCopies(context, box, picture);
        }
        break;
      }
      case 'heading':
        context.fillStyle = box.ink;
        context.font = `${heading.weight} ${box.sizePx}px "${faceName(heading.font.id)}"`;
        context.fillText(box.words, x, y + box.sizePx);
        break;
      case 'title':
        paintTitle(context, box, site);
        break;
      case 'links':
        context.fillStyle = box.ink;
        context.font = `${text.weight} 15px "${faceName(text.font.id)}"`;
        context.fillText(box.words.join('    '), x, y + height / 2 + 5);
        break;
      case 'lines':
        context.globalAlpha = 0.14;
        context.fillStyle = box.ink;
        [1, 0.96, 1, 0.62].forEach((share, i) => context.fillRect(x, y + i * 23, width * share, 9));
        context.globalAlpha = 1;
    }
  }
  const { data } = context.getImageData(0, 0, layout.width, layout.height);
  return { width: layout.width, height: layout.height, data };
}
