'use client';

import { hexOf } from '@/core/colour/hex';
import type { Place } from '@/core/arrange/box';
import { photoBox, photoPoint, slotPoint } from '@/core/layers/photo';
import type { PhotoLayer } from '@/core/site/model/photoLayer';
import { theEngine } from '../../hooks/tab/engine';
import { notify } from '../../shared/notices';
import { setCutOut } from '@/core/cutout/editCutOut';
import { useEditing, useSelecting } from '../useBench';
import { AreaSvg } from './AreaSvg';
import { AreaBox, type Area } from './AreaBox';
import { useCursor } from './useCursor';

/** Colours of the plain surround are taken from the photo itself. */
export function SampleArea({ area, photo }: { area: Area; photo: PhotoLayer }) {
  const { commit, picture } = useEditing();
  const { setTool: benchTake } = useSelecting();
  const px = 1 / area.scale;
  const box = photoBox(photo);
  const take = async (at: Place) => {
    const { x, y } = photoPoint(photo, at);
    const colour = await theEngine().sample(photo.assetId, x, y, 3);
    if (!colour) {
      notify('bad', 'There is no photo at this place. Point at the surround that is to go.');
      return;
    }
    const sample = {
      x: Math.round(x * 10) / 10,
      y: Math.round(y * 10) / 10,
      colour: hexOf(colour),
    };
    commit(
      `Remove ${sample.colour}`,
      setCutOut(picture.id, photo.id, (c) => ({
        ...c,
        samples: [...c.samples, sample].slice(-32),
      })),
    );
  };
  const [cursor, setCursor] = useCursor(
    area,
    { x: Math.round(box.x), y: Math.round(box.y) },
    (at) => void take(at),
    () => benchTake(undefined),
  );
  return (
    <AreaBox
      area={area}
      cursor="crosshair"
      onPointerMove={() => setCursor(undefined)}
      onPointerDown={(e) => {
        if (e.button === 0) {
          void take(area.toSlot(e));
        }
      }}
    >
      <AreaSvg area={area}>
        {photo.cutOut?.samples.map((s, i) => {
          const p = slotPoint(photo, s);
          return (
            <circle
              key={i}
              cx={p.x}
              cy={p.y}
              r={4 * px}
              fill={s.colour}
              stroke="#fcfcfb"
              strokeWidth={2 * px}
            />
          );
        })}
        {cursor && <Cross at={cursor} px={px} />}
      </AreaSvg>
    </AreaBox>
  );
}

export function Cross({ at, px }: { at: Place; px: number }) {
  const d = `M${at.x - 9 * px} ${at.y}H${at.x + 9 * px}M${at.x} ${at.y - 9 * px}V${at.y + 9 * px}`;
  return (
    <>
      <path d={d} stroke="#fcfcfb" strokeWidth={3 * px} />
      <path d={d} stroke="#0d6b62" strokeWidth={px} />
    </>
  );
}
