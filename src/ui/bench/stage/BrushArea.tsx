'use client';

import { useRef, useState, type PointerEvent } from 'react';
import type { Place } from '@/core/arrange/box';
import { mostStrokes } from '@/core/cutout/field';
import { photoBox, photoPoint } from '@/core/layers/photo';
import type { Edit } from '@/core/site/edit';
import type { PhotoLayer } from '@/core/site/model/photoLayer';
import { notify } from '../../shared/notices';
import { setCutOut } from '@/core/cutout/editCutOut';
import { type Tool, useEditing, useSelecting } from '../useBench';
import { AreaSvg } from './AreaSvg';
import { AreaBox, type Area } from './AreaBox';
import { Cross } from './SampleArea';
import { useCursor } from './useCursor';

/** Points nearer to each other than this share of the brush make no difference. */
const step = 0.12;

/** The brush takes parts of the photo away, or brings them back. */
export function BrushArea({
  area,
  photo,
  tool,
}: {
  area: Area;
  photo: PhotoLayer;
  tool: Extract<Tool, { kind: 'brush' }>;
}) {
  const { picture, commit, preview, session } = useEditing();
  const { setTool } = useSelecting();
  const px = 1 / area.scale;
  const box = photoBox(photo);
  const points = useRef<number[]>(undefined);
  const [pointer, setPointer] = useState<Place>();
  const label = tool.mode === 'away' ? 'Brush away' : 'Brush back';
  const scale = Math.sqrt(photo.scale * photo.scale * photo.stretch);
  const sizePx = tool.size / scale;
  const stroke = (list: readonly number[]): Edit =>
    setCutOut(picture.id, photo.id, (c) => ({
      ...c,
      strokes: [...c.strokes, { mode: tool.mode, size: sizePx, points: [...list] }],
    }));
  const full = () => {
    if ((photo.cutOut?.strokes.length ?? 0) < mostStrokes) {
      return false;
    }
    notify(
      'bad',
      `A cut-out keeps ${mostStrokes} strokes, and this one has them all. Take some back, or sample the surround instead.`,
    );
    return true;
  };
  const add = (at: Place) => {
    const p = photoPoint(photo, at);
    const list = points.current!;
    const far = Math.hypot(p.x - (list.at(-2) ?? Infinity), p.y - (list.at(-1) ?? Infinity));
    if (list.length === 0 || far >= sizePx * step) {
      list.push(Math.round(p.x * 10) / 10, Math.round(p.y * 10) / 10);
    }
  };
  const down = (event: PointerEvent<HTMLDivElement>) => {
    if (event.button !== 0 || full()) {
      return;
    }
    event.currentTarget.setPointerCapture(event.pointerId);
    points.current = [];
    add(area.toSlot(event));
    preview(stroke(points.current));
  };
  const move = (event: PointerEvent) => {
    setPointer(area.toSlot(event));
    setCursor(undefined);
    if (!points.current) {
      return;
    }
    add(area.toSlot(event));
    preview(stroke(points.current));
  };
  const up = () => {
    if (!points.current) {
      return;
    }
    commit(label, stroke(points.current));
    points.current = undefined;
  };
  const abandon = () => {
    const held = points.current !== undefined;
    points.current = undefined;
    if (held) {
      session.dropPreview();
    }
    return held;
  };
  const dab = (at: Place) => {
    if (!full()) {
      points.current = [];
      add(at);
      commit(label, stroke(points.current));
      points.current = undefined;
    }
  };
  const [cursor, setCursor] = useCursor(
    area,
    { x: Math.round(box.x), y: Math.round(box.y) },
    dab,
    () => setTool(undefined),
  );
  const shown = cursor ?? pointer;
  return (
    <AreaBox
      area={area}
      cursor="none"
      onPointerDown={down}
      onPointerMove={move}
      onPointerUp={up}
      onPointerCancel={abandon}
      onPointerLeave={() => setPointer(undefined)}
      onEscape={abandon}
    >
      <AreaSvg area={area}>
        {shown && (
          <>
            <circle
              cx={shown.x}
              cy={shown.y}
              r={tool.size / 2}
              stroke="#fcfcfb"
              strokeWidth={3 * px}
            />
            <circle cx={shown.x} cy={shown.y} r={tool.size / 2} stroke="#0d6b62" strokeWidth={px} />
          </>
        )}
        {cursor && <Cross at={cursor} px={px} />}
      </AreaSvg>
    </AreaBox>
  );
}
