'use client';

import { useEffect, useRef, useState, type PointerEvent } from 'react';
import type { Place } from '@/core/arrange/box';
import { setCutOut } from '@/core/cutout/editCutOut';
import { photoBox, photoPoint } from '@/core/layers/photo';
import { wordsOf } from '@/core/refusal';
import type { PhotoLayer } from '@/core/site/model/photoLayer';
import { theEngine } from '../../hooks/tab/engine';
import { Button } from '../../shared/Button';
import { notify } from '../../shared/notices';
import { useEditing, useSelecting } from '../useBench';
import { AreaSvg } from './AreaSvg';
import { AreaBox, type Area } from './AreaBox';
import { Cross } from './SampleArea';
import { useCursor } from './useCursor';

/** Px of the screen that corners of a loop are apart at least. */
const step = 4;

/** A thing in a photo is cut out by a loop drawn roughly around it. */
export function LoopArea({ area, photo }: { area: Area; photo: PhotoLayer }) {
  const { picture, commit } = useEditing();
  const { setTool } = useSelecting();
  const px = 1 / area.scale;
  const box = photoBox(photo);
  const drawing = useRef(false);
  const [corners, setCorners] = useState<readonly Place[]>([]);
  const [busy, setBusy] = useState(false);
  /** Gives up what is being cut. */
  const work = useRef<AbortController>(undefined);
  useEffect(() => () => work.current?.abort(), []);

  const cut = async (loop: readonly Place[]) => {
    drawing.current = false;
    if (loop.length < 3) {
      setCorners([]);
      return;
    }
    setBusy(true);
    const { signal } = (work.current = new AbortController());
    const points = loop.flatMap((at) => {
      const p = photoPoint(photo, at);
      return [Math.round(p.x * 10) / 10, Math.round(p.y * 10) / 10];
    });
    try {
      const found = await theEngine().cutByLoop(photo.assetId, points);
      if (signal.aborted) {
        return;
      }
      if (found) {
        commit(
          'Cut out by a loop',
          setCutOut(picture.id, photo.id, (c) => ({ ...c, area: found })),
        );
        setTool(undefined);
        return;
      }
      notify(
        'bad',
        'Nothing in the loop stands off what is around it. Draw closer around the thing.',
      );
    } catch (error) {
      if (signal.aborted) {
        return;
      }
      notify('bad', wordsOf(error));
    }
    setBusy(false);
    setCorners([]);
  };
  const add = (at: Place) => {
    const last = corners.at(-1);
    if (last && last.x === at.x && last.y === at.y) {
      void cut(corners);
    } else {
      setCorners([...corners, at]);
    }
  };
  const down = (event: PointerEvent<HTMLDivElement>) => {
    if (event.button !== 0 || busy) {
      return;
    }
    event.currentTarget.setPointerCapture(event.pointerId);
    drawing.current = true;
    setCorners([area.toSlot(event)]);
  };
  const move = (event: PointerEvent) => {
    setCursor(undefined);
    if (!drawing.current) {
      return;
    }
    const at = area.toSlot(event);
    setCorners((list) => {
      const last = list.at(-1);
      const far = last ? Math.hypot(at.x - last.x, at.y - last.y) * area.scale : Infinity;
      return far >= step ? [...list, at] : list;
    });
  };
  const up = () => {
    if (drawing.current) {
      void cut(corners);
    }
  };
  const abandon = () => {
    const going = drawing.current || corners.length > 0;
    drawing.current = false;
    work.current?.abort();
    setBusy(false);
    setCorners([]);
    return going;
  };
  const [cursor, setCursor] = useCursor(
    area,
    { x: Math.round(box.x), y: Math.round(box.y) },
    (at) => {
      if (!busy) {
        add(at);
      }
    },
    () => setTool(undefined),
  );
  const path = corners.map(({ x, y }) => `${x},${y}`).join(' ');
  return (
    <AreaBox
      area={area}
      cursor={busy ? 'progress' : 'crosshair'}
      onPointerDown={down}
      onPointerMove={move}
      onPointerUp={up}
      onPointerCancel={abandon}
      onEscape={abandon}
    >
      <AreaSvg area={area}>
        <polygon points={path} stroke="#fcfcfb" strokeWidth={3 * px} />
        <polygon
          points={path}
          stroke="#0d6b62"
          strokeWidth={1.5 * px}
          strokeDasharray={`${4 * px} ${3 * px}`}
        />
        {cursor && <Cross at={cursor} px={px} />}
      </AreaSvg>
      {busy && (
        <div className="absolute inset-0 grid place-items-center">
          <p className="flex items-center gap-2 rounded-sm border border-line bg-white py-1 pr-1 pl-2">
            <span role="status">Cutting out…</span>
            <Button className="pointer-events-auto h-[22px]" onClick={abandon}>
              Cancel
            </Button>
          </p>
        </div>
      )}
    </AreaBox>
  );
}
