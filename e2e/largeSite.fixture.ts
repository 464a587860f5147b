import { createHash } from 'node:crypto';
import sharp from 'sharp';
import { writeSiteFile } from '@/core/handover/siteFile';
import { newWash } from '@/core/layers/fill';
import { newPhoto } from '@/core/layers/photo';
import { shelfItem } from '@/core/shelf/item';
import { addLayer, addLayers, applyEdit, chain, shelve, type Edit } from '@/core/site/edit';
import type { Layer } from '@/core/site/model/layer';
import type { ShelfItem } from '@/core/site/model/shelf';
import type { SlotKind } from '@/core/site/model/slot';
import { emptyPage, newSite } from '@/core/site/newSite';
import { addSlot } from '@/core/site/slots';

export interface LargeSite {
  readonly pictures: number;
  readonly pages: number;
  /** On every page. */
  readonly slots: readonly {
    readonly kind: SlotKind;
    readonly width: number;
    readonly height: number;
  }[];
  /** Of the first slot's picture. */
  readonly layers: number;
  /** Longer side of a picture, px. */
  readonly px: number;
}

/** A photograph of soft areas, no two alike. */
async function photograph(i: number, px: number): Promise<ShelfItem & { file: Buffer }> {
  const [width, height] = i % 5 === 0 ? [px / 1.5, px] : [px, px / 1.5];
  const areas = Buffer.from(
    Uint8Array.from({ length: 24 * 16 * 3 }, (_, k) => Math.sin((k * (i + 3)) / 37) * 90 + 128),
  );
  const file = await sharp(areas, { raw: { width: 24, height: 16, channels: 3 } })
    .resize(Math.round(width), Math.round(height), { fit: 'fill' })
    .jpeg({ quality: 80 })
    .toBuffer();
  return {
    ...shelfItem({
      assetId: createHash('sha256').update(file).digest('hex'),
      name: `Kiln ${i + 1}`,
      width: Math.round(width),
      height: Math.round(height),
      format: 'jpeg',
      bytes: file.length,
    }),
    file,
  };
}

/** A site far larger than the sample, as a file. */
export async function largeSiteFile(large: LargeSite): Promise<Buffer> {
  const shelf = [];
  for (let i = 0; i < large.pictures; i++) {
    shelf.push(await photograph(i, large.px));
  }
  const edits: Edit[] = [
    ...shelf.map(({ file: _file, ...item }) => shelve(item)),
    (site) => {
      for (let p = 1; p < large.pages; p++) {
        site.pages.push(emptyPage(`page-${p}`, `Page ${p + 1}`) as (typeof site.pages)[number]);
      }
    },
  ];
  for (let p = 0; p < large.pages; p++) {
    for (const [k, size] of large.slots.entries()) {
      const id = `s${p}-${k}`;
      const picture = `picture-${id}`;
      const photo = newPhoto('photo-1', shelf[(p * 7 + k * 3) % shelf.length], size);
      const layers: Layer[] = [photo, newWash('wash-1', '#223344', 0.3)];
      edits.push(
        addSlot(p === 0 ? 'home' : `page-${p}`, { id, ...size }),
        addLayers(picture, layers),
      );
    }
  }
  for (let n = 2; n < large.layers; n++) {
    const small = {
      ...newPhoto(`photo-${n}`, shelf[n % shelf.length], large.slots[0]),
      scale: 0.08,
    };
    const layer = n % 3 ? newWash(`wash-${n}`, '#a4553a', 0.03) : { ...small, x: n * 30, y: 20 };
    edits.push(addLayer('picture-s0-0', layer));
  }
  const site = applyEdit(newSite('large', 'home', 'Large'), chain(...edits));
  const assets = new Map(shelf.map((s) => [s.assetId, new Uint8Array(s.file)] as const));
  return Buffer.from(writeSiteFile({ site, assets }));
}
