'use client';

import { useEffect, useState } from 'react';
import { fileCopy } from '@/core/measure/background';
import { layoutPage, type LaidSlot } from '@/core/measure/layoutPage';
import { crop, intersect, type Raster } from '@/core/raster/raster';
import type { Reading } from '@/core/readings/reading';
import { takeReadings } from '@/core/readings/registry';
import { wordsOf } from '@/core/refusal';
import type { OwnPage, OwnPlace } from '@/core/site/model/ownPage';
import type { Page } from '@/core/site/model/page';
import type { Site } from '@/core/site/model/site';
import type { Slot } from '@/core/site/model/slot';
import { isBlank, pictureOf } from '@/core/site/picture';
import { withVersion } from '@/core/site/versions';
import { openKeptPage } from '@/work/ownPages';
import type { WrittenFile } from '@/work/pictureFiles';
import { paintPage } from '../page/paintPage';
import { replacedKey } from '../page/PicturesInPage';
import { hiddenHost } from './hiddenHost';
import { storedAsset } from './tab/assets';
import { theEngine } from './tab/engine';
import { theFiles } from './tab/files';
import { thumbBitmap } from './useThumb';

/** A version of a picture as its page shows it. */
export interface SeenVersion {
  readonly shot: Raster | undefined;
  /** Bytes of its file. */
  readonly bytes: number | undefined;
  readonly readings: readonly Reading[] | undefined;
  readonly failure: string | undefined;
}

const unseen: SeenVersion = {
  shot: undefined,
  bytes: undefined,
  readings: undefined,
  failure: undefined,
};

type Put = (pictureId: string, part: Partial<SeenVersion>) => void;

interface Asked {
  readonly site: Site;
  readonly slot: Slot;
  readonly page: Page;
  readonly screen: number;
}

/** Px of a drawn page that are seen above and below a picture. */
const around = 40;

async function drawnShot({ site, slot, page, screen }: Asked, picture: Raster) {
  const layout = layoutPage(site, page, screen);
  const laid = layout.boxes.find((b): b is LaidSlot => b.type === 'slot' && b.slot.id === slot.id);
  if (!laid) {
    return undefined;
  }
  const canvas = new OffscreenCanvas(picture.width, picture.height);
  const { data, width, height } = picture;
  canvas.getContext('2d')!.putImageData(new ImageData(data, width, height), 0, 0);
  const all = await paintPage(site, layout, async (id) =>
    id === slot.id ? canvas : thumbBitmap(site.id, id),
  );
  const whole = { x: 0, y: 0, width: layout.width, height: layout.height };
  const seen = intersect(fileCopy(laid), laid.rect);
  const y = Math.round(seen.y) - around;
  return crop(all, intersect({ ...whole, y, height: Math.ceil(seen.height) + 2 * around }, whole));
}

async function ownShots(
  { slot, screen }: Asked,
  own: OwnPage,
  place: OwnPlace,
  files: readonly (readonly [string, Raster])[],
  put: Put,
  wanted: () => boolean,
): Promise<void> {
  const [{ page, survey }, { openPageFrame }, { pictureShots }] = await Promise.all([
    openKeptPage(own, { read: storedAsset, survey: theEngine().readSurvey }),
    import('@/engine/page/frame'),
    import('@/engine/page/pictureShots'),
  ]);
  const host = hiddenHost();
  try {
    const frame = await openPageFrame(host, page);
    const target = { key: replacedKey(own, slot), selector: place.selector };
    const still = own.from === 'picture' ? own.files[0]?.size?.width : undefined;
    await pictureShots(
      frame,
      survey,
      { place, target, width: still ?? screen },
      files.map(([, raster]) => raster),
      (i, shot) => put(files[i][0], { shot }),
      wanted,
    );
    frame.close();
  } finally {
    host.remove();
  }
}

async function fileOf(
  { site, slot }: Asked,
  id: string,
  wanted: () => boolean,
): Promise<{ file: WrittenFile | undefined; readings: readonly Reading[] }> {
  const other = withVersion(site, slot, id);
  const picture = pictureOf(other.site, other.slot);
  const file = isBlank(picture)
    ? undefined
    : await theFiles().file(other.site, other.slot, picture, wanted);
  return { file, readings: takeReadings({ ...other, picture, file }) };
}

async function look(asked: Asked, ids: readonly string[], put: Put, wanted: () => boolean) {
  const files: [string, Raster][] = [];
  for (const id of ids) {
    const found = await fileOf(asked, id, wanted);
    if (!wanted()) {
      return;
    }
    const { file, readings } = found;
    put(id, { readings, bytes: file?.bytes });
    if (file) {
      files.push([id, file.whole ?? file.decoded]);
    }
  }
  const { own } = asked.page;
  const place = own?.places.find((p) => p.slot === asked.slot.id);
  if (own && place && !place.rect) {
    await ownShots(asked, own, place, files, put, wanted);
    return;
  }
  for (const [id, raster] of files) {
    const shot = await drawnShot(asked, raster);
    if (!wanted()) {
      return;
    }
    put(id, { shot });
  }
}

/** Versions of a slot's picture, each as its file lies in the page, with what is measured of it. */
export function useSeenVersions(
  asked: Asked,
  ids: readonly string[],
): ReadonlyMap<string, SeenVersion> {
  const { site, slot, page, screen } = asked;
  const [seen, setSeen] = useState<ReadonlyMap<string, SeenVersion>>(new Map());
  const list = ids.join(' ');
  useEffect(() => {
    let current = true;
    const wanted = () => current;
    const put: Put = (id, part) => {
      if (current) {
        setSeen((before) => new Map(before).set(id, { ...(before.get(id) ?? unseen), ...part }));
      }
    };
    const wished = list.split(' ');
    look({ site, slot, page, screen }, wished, put, wanted).catch((error: unknown) => {
      const failure = wordsOf(error);
      for (const id of wished) {
        put(id, { failure });
      }
    });
    return () => {
      current = false;
    };
  }, [site, slot, page, screen, list]);
  return seen;
}
