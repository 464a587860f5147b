'use client';

import { useRef } from 'react';
import { coverScale, fillFrame, keepFilled, sharpness, shownShare, zoomAt } from '@/core/frame/placement';
import { photoSize } from '@/core/layers/photo';
import { backPhoto } from '@/core/readings/cover';
import { editLayer } from '@/core/site/edit';
import type { PhotoLayer } from '@/core/site/model';
import { Button } from '../../shared/Button';
import { Group, NumberRow } from '../../shared/fields';
import { FileButton } from '../FileButton';
import { largestZoom } from '../Handles';
import { PhotoFace } from '../LayerCards';
import { useBench } from '../useBench';

/** Which part: the photo, and what of it the slot shows. */
export function Part() {
  const bench = useBench(), { picture, slot, site } = bench, photo = backPhoto(picture);
  const files = useRef<HTMLInputElement>(null);
  return (
    <Group title="Photo" aside={<Button onClick={() => files.current?.click()}>Choose a file</Button>}>
      <FileButton ref={files} onFiles={(list) => void bench.lay(list)} />
      {photo ? <Framing photo={photo} /> : <p className="text-soft">Drop a photo on the page, paste one, choose a file, or take one from the shelf.</p>}
      <h4 className="caption mt-1">On the shelf</h4>
      <ul className="quiet-scroll flex shrink-0 gap-1.5 overflow-x-auto p-0.5">
        {site.shelf.toReversed().map((item) => (
          <li key={item.assetId} className="shrink-0">
            <button
              type="button" aria-pressed={photo?.assetId === item.assetId} aria-label={`Lay ${item.name}, ${item.width} by ${item.height} px`} title={`${item.name}, ${item.width} × ${item.height}`} onClick={() => bench.layItem(item)}
              className="block h-11 w-[68px] overflow-hidden rounded-sm border border-line hover:border-soft aria-pressed:outline-2 aria-pressed:outline-act"
            >
              <PhotoFace assetId={item.assetId} />
            </button>
          </li>
        ))}
      </ul>
      {slot.width / slot.height > 3 && !photo && <p className="text-soft">A wide photo leaves the most to choose from.</p>}
    </Group>
  );
}

function Framing({ photo }: { photo: PhotoLayer }) {
  const { picture, slot, preview, commit } = useBench();
  const size = photoSize(photo), least = coverScale(size, slot);
  const zoomed = (times: number) => editLayer<PhotoLayer>(picture.id, photo.id, keepFilled(zoomAt(photo, least * times, slot.width / 2, slot.height / 2), size, slot));
  return (
    <>
      <NumberRow label="Zoom" value={photo.scale / least} min={1} max={largestZoom} step={0.01} digits={2} unit="×" onPreview={(v) => preview(zoomed(v))} onCommit={(v) => commit('Zoom photo', zoomed(v))} />
      <div className="flex items-center gap-3">
        <p className="figure min-w-0 truncate text-soft">{photo.sourceWidth} × {photo.sourceHeight}, {Math.round(shownShare(photo, size, slot) * 100)}% shown, {sharpness(photo).toFixed(2)} photo px a px, {sharpness(photo, 2).toFixed(2)} at 2×</p>
        <Button className="ml-auto" onClick={() => commit('Fill the slot', editLayer<PhotoLayer>(picture.id, photo.id, fillFrame(size, slot)))}>Fill the slot</Button>
      </div>
    </>
  );
}
