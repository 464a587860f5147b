'use client';

import { FlipHorizontal2, FlipVertical2 } from 'lucide-react';
import { useRef } from 'react';
import {
  coverScale,
  fillFrame,
  fitFrame,
  fitScale,
  keepFilled,
  sharpness,
  shownShare,
  zoomAt,
  type Framing as Placed,
} from '@/core/frame/placement';
import { fittingSharpness } from '@/core/frame/sharpen';
import { photoSize, usedSize } from '@/core/layers/photo';
import { backPhoto } from '@/core/readings/cover';
import { editLayer } from '@/core/site/edit';
import type { PhotoLayer } from '@/core/site/model/photoLayer';
import { useSmallPicture } from '../../hooks/useSmallPicture';
import { usePhotoSurvey } from '../../hooks/usePhotoSurvey';
import { Button, IconButton } from '../../shared/Button';
import { Group } from '../../shared/Group';
import { NumberRow } from '../../shared/NumberRow';
import { FileButton } from '../FileButton';
import { largestZoom } from '../stage/FramingArea';
import { PhotoStrip } from '../layers/PhotoStrip';
import { useEditing, useLaying } from '../useBench';

/** Which part: the photo, and what of it the slot shows. */
export function Part() {
  const { picture, slot, site } = useEditing();
  const { lay, layItem, openShelf } = useLaying();
  const photo = backPhoto(picture);
  const files = useRef<HTMLInputElement>(null);
  return (
    <Group
      title="Photo"
      aside={
        <span className="flex gap-1.5">
          <Button onClick={openShelf}>Shelf and library</Button>
          <Button onClick={() => files.current?.click()}>Choose a file</Button>
        </span>
      }
    >
      <FileButton ref={files} onFiles={(list) => void lay(list)} />
      {photo ? (
        <Framing photo={photo} />
      ) : (
        <p className="text-soft">
          Drop a photo on the page, paste one, choose a file, or take one from the shelf.
          {slot.width / slot.height > 3 && ' A wide photo leaves the most to choose from.'}
        </p>
      )}
      <div className="flex gap-4">
        <div className="min-w-0 grow">
          <h4 className="caption">On the shelf</h4>
          <PhotoStrip
            items={site.shelf.toReversed()}
            width={58}
            height={36}
            chosen={photo?.assetId ?? ''}
            nameOf={(item) => `Lay ${item.name}, ${item.width} by ${item.height} px`}
            onChoose={layItem}
          />
        </div>
        {photo && <Suggestions photo={photo} />}
      </div>
    </Group>
  );
}

/** How a photo lies in the slot, as far as it has a name. */
const fits = [
  { id: 'fill', label: 'Fill', hint: 'The slot is filled; what does not fit is cut off' },
  { id: 'fit', label: 'Fit', hint: 'The whole photo is seen; the ground shows beside it' },
  { id: 'stretch', label: 'Stretch', hint: 'The whole photo fills the slot, distorted' },
] as const;

function Framing({ photo }: { photo: PhotoLayer }) {
  const { picture, slot, preview, commit } = useEditing();
  const size = photoSize(photo);
  const least = coverScale(size, slot, photo.turn);
  const change = (part: Partial<PhotoLayer>) => editLayer<PhotoLayer>(picture.id, photo.id, part);
  const filled = (framing: Placed, turn = photo.turn) =>
    framing.scale >= coverScale(size, slot, turn) * 0.9999
      ? keepFilled(framing, size, slot, turn)
      : framing;
  const zoomed = (times: number) =>
    change(filled(zoomAt(photo, least * times, slot.width / 2, slot.height / 2)));
  const turned = (turn: number) => {
    // A photo that fills the slot goes on filling it while it is turned.
    const fillsNow = photo.scale >= least * 0.9999;
    return change({
      turn,
      ...(fillsNow
        ? keepFilled(
            { ...photo, scale: Math.max(photo.scale, coverScale(size, slot, turn)) },
            size,
            slot,
            turn,
          )
        : {}),
    });
  };
  const lay = (how: (typeof fits)[number]['id']) => {
    const plain = usedSize(photo);
    if (how === 'fill') {
      return change({ stretch: 1, ...fillFrame(plain, slot, photo.turn) });
    }
    if (how === 'fit') {
      return change({ stretch: 1, ...fitFrame(plain, slot, photo.turn) });
    }
    const scale = slot.width / plain.width;
    return change({ turn: 0, stretch: slot.height / plain.height / scale, scale, x: 0, y: 0 });
  };
  const distortion = Math.round((Math.max(photo.stretch, 1 / photo.stretch) - 1) * 100);
  const amount = photo.sharpen === 'fitting' ? fittingSharpness(photo.scale) : photo.sharpen;
  return (
    <>
      <NumberRow
        label="Zoom"
        value={photo.scale / least}
        min={Math.min(1, Math.floor((fitScale(size, slot, photo.turn) / least) * 100) / 100)}
        max={largestZoom}
        step={0.01}
        digits={2}
        unit="×"
        onPreview={(v) => preview(zoomed(v))}
        onCommit={(v) => commit('Zoom photo', zoomed(v))}
      />
      <NumberRow
        label="Straighten"
        value={photo.turn}
        min={-45}
        max={45}
        step={0.1}
        digits={1}
        unit="°"
        onPreview={(v) => preview(turned(v))}
        onCommit={(v) => commit(`Turn the photo to ${v.toFixed(1)}°`, turned(v))}
      />
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <span className="inline-flex">
          {fits.map((f) => (
            <Button
              key={f.id}
              title={f.hint}
              className="-ml-px rounded-none px-2 first:ml-0 first:rounded-l-sm last:rounded-r-sm"
              onClick={() => commit(`${f.label} the slot`, lay(f.id))}
            >
              {f.label}
            </Button>
          ))}
        </span>
        <span className="inline-flex">
          <IconButton
            label="Flip left and right"
            aria-pressed={photo.flipX}
            className="rounded-r-none"
            onClick={() => commit('Flip the photo', change({ flipX: !photo.flipX }))}
          >
            <FlipHorizontal2 size={14} />
          </IconButton>
          <IconButton
            label="Flip top and bottom"
            aria-pressed={photo.flipY}
            className="-ml-px rounded-l-none"
            onClick={() => commit('Flip the photo', change({ flipY: !photo.flipY }))}
          >
            <FlipVertical2 size={14} />
          </IconButton>
        </span>
        <label className="flex items-center gap-1.5">
          Sharpen
          <input
            type="range"
            aria-label="Sharpen"
            min={0}
            max={1}
            step={0.05}
            value={amount}
            className="w-16 accent-act"
            onChange={(e) =>
              commit('Sharpen the photo', change({ sharpen: Number(e.target.value) }))
            }
          />
        </label>
        <Button
          aria-pressed={photo.sharpen === 'fitting'}
          title="As much as the reduction needs"
          className="px-2"
          onClick={() => commit('Fitting sharpness', change({ sharpen: 'fitting' }))}
        >
          fitting
        </Button>
        <p className="min-w-0 truncate figure text-soft">
          {photo.sourceWidth} × {photo.sourceHeight},{' '}
          {Math.round(shownShare(photo, size, slot) * 100)}% shown,{' '}
          <span className={sharpness(photo) < 1 ? 'text-warn' : ''}>
            sharpness {sharpness(photo).toFixed(2)}×
          </span>
          , {sharpness(photo, 2).toFixed(2)}× at double density
          {distortion > 0 && <span className="text-warn">, distorted by {distortion}%</span>}
        </p>
      </div>
    </>
  );
}

/** Width of a suggestion's preview, px. */
const previewWidth = 84;

/** The best parts of this photo for this very shape, as small pictures. */
function Suggestions({ photo }: { photo: PhotoLayer }) {
  const { picture, slot, commit } = useEditing();
  const survey = usePhotoSurvey(photo, slot);
  const url = useSmallPicture(photo.assetId, 'screen');
  const k = Math.min(previewWidth / slot.width, 36 / slot.height);
  const width = Math.max(8, slot.width * k);
  const height = Math.max(8, slot.height * k);
  return (
    <div className="shrink-0">
      <h4 className="caption">Suggested parts</h4>
      <ul className="mt-0.5 flex h-10 items-center gap-1.5 p-0.5">
        {!survey && <li className="text-soft">looking…</li>}
        {survey?.frames.map(({ x, y, scale }, i) => (
          <li key={i}>
            <button
              type="button"
              aria-label={`Take suggested part ${i + 1}`}
              title={`Suggested part ${i + 1}`}
              style={{ width, height }}
              className="relative block overflow-hidden rounded-sm border border-line hover:border-act"
              onClick={() =>
                commit(
                  `Suggested part ${i + 1}`,
                  editLayer<PhotoLayer>(picture.id, photo.id, {
                    x,
                    y,
                    scale,
                    turn: 0,
                    stretch: 1,
                    flipX: false,
                    flipY: false,
                    crop: null,
                  }),
                )
              }
            >
              {/* A piece of the photo, placed as the slot would show it. */}
              {url && (
                <img
                  src={url}
                  alt=""
                  className="absolute max-w-none"
                  style={{
                    left: x * k,
                    top: y * k,
                    width: photo.sourceWidth * scale * k,
                    height: photo.sourceHeight * scale * k,
                  }}
                />
              )}
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}
