'use client';

import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import type { Place } from '@/core/arrange/box';
import { addPoint, drawnOver, movePoint } from '@/core/divider/ownLine';
import { editLayer } from '@/core/site/edit';
import type { LinePoint, ProfileLayer } from '@/core/site/model/blendLayers';
import { useEditing, useSelecting } from '../useBench';
import { AreaSvg } from './AreaSvg';
import { AreaBox, type Area } from './AreaBox';
import { Cross } from './SampleArea';
import { useCursor } from './useCursor';

/** Half of what can be taken hold of around a point, px of the screen. */
const reach = 8;

const arrows: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** A line of one's own is drawn along the slot, and its points are moved. */
export function LineArea({ area, profile }: { area: Area; profile: ProfileLayer }) {
  const { slot, picture, commit, preview, session } = useEditing();
  const { setTool } = useSelecting();
  const { points, count, rise } = profile;
  const width = slot.width / count;
  const path = useRef<Place[]>(undefined);
  const held = useRef<number>(undefined);
  const edit = (next: readonly LinePoint[]) =>
    editLayer<ProfileLayer>(picture.id, profile.id, { points: next });
  /** As it was when the pointer went down, since what is shown changes meanwhile. */
  const before = useRef(points);
  /** Heights are counted from the slot's lower edge, and lessened with the whole line. */
  const unlessened = ({ x, y }: Place, from: number): Place => ({
    x: x - from,
    y: slot.height - (slot.height - y) / rise,
  });
  const pointAt = (at: Place): LinePoint => {
    const { x, y } = unlessened(at, Math.floor(at.x / width) * width);
    return { at: x / width, level: 1 - y / slot.height };
  };
  const placeOf = ({ at, level }: LinePoint): Place => ({
    x: at * width,
    y: slot.height * (1 - level * rise),
  });
  const drawn = () => {
    const start = Math.floor(path.current![0].x / width) * width;
    return drawnOver(
      before.current,
      path.current!.map((p) => unlessened(p, start)),
      { width, height: slot.height },
    );
  };

  const down = (event: PointerEvent<HTMLDivElement>) => {
    if (event.button !== 0) {
      return;
    }
    event.currentTarget.setPointerCapture(event.pointerId);
    before.current = points;
    path.current = [area.toSlot(event)];
  };
  const move = (event: PointerEvent) => {
    setCursor(undefined);
    if (!path.current) {
      return;
    }
    path.current.push(area.toSlot(event));
    preview(edit(drawn()));
  };
  const up = () => {
    if (!path.current) {
      return;
    }
    const next = drawn();
    path.current = undefined;
    if (JSON.stringify(next) === JSON.stringify(before.current)) {
      session.dropPreview();
    } else {
      commit('Draw the line', edit(next));
    }
  };
  const abandon = () => {
    const going = path.current !== undefined || held.current !== undefined;
    path.current = undefined;
    held.current = undefined;
    if (going) {
      session.dropPreview();
    }
    return going;
  };
  const add = (at: Place) => {
    const added = addPoint(points, pointAt(at));
    if (added) {
      commit('Add a point to the line', edit(added.points));
    }
  };
  const [cursor, setCursor] = useCursor(
    area,
    { x: Math.round(width / 2), y: Math.round(slot.height / 2) },
    add,
    () => setTool(undefined),
  );

  const grab = (event: PointerEvent<HTMLButtonElement>, i: number) => {
    event.stopPropagation();
    event.currentTarget.setPointerCapture(event.pointerId);
    before.current = points;
    held.current = i;
  };
  const drag = (event: PointerEvent) => {
    if (held.current !== undefined) {
      preview(edit(movePoint(before.current, held.current, pointIn(area.toSlot(event)))));
    }
  };
  /** A point stays in its own repetition, however far the pointer goes. */
  const pointIn = ({ x, y }: Place): LinePoint => ({
    at: x / width,
    level: (slot.height - y) / rise / slot.height,
  });
  const drop = (event: PointerEvent) => {
    if (held.current !== undefined) {
      const next = movePoint(before.current, held.current, pointIn(area.toSlot(event)));
      held.current = undefined;
      commit('Move a point of the line', edit(next));
    }
  };
  const key = (event: KeyboardEvent, i: number) => {
    if (event.key === 'Delete' || event.key === 'Backspace') {
      event.preventDefault();
      event.stopPropagation();
      commit('Remove a point of the line', edit(points.filter((_, k) => k !== i)));
      return;
    }
    const [dx, dy] = arrows[event.key] ?? [0, 0];
    if (dx === 0 && dy === 0) {
      return;
    }
    event.preventDefault();
    event.stopPropagation();
    const by = event.shiftKey ? 10 : 1;
    const { x, y } = placeOf(points[i]);
    commit(
      'Move a point of the line',
      edit(movePoint(points, i, pointIn({ x: x + by * dx, y: y + by * dy }))),
    );
  };
  return (
    <AreaBox
      area={area}
      cursor="crosshair"
      onPointerDown={down}
      onPointerMove={move}
      onPointerUp={up}
      onPointerCancel={abandon}
      onEscape={abandon}
    >
      {points.map((point, i) => {
        const { x, y } = placeOf(point);
        return (
          <button
            key={i}
            type="button"
            aria-label={`Point ${i + 1} of ${points.length}: ${Math.round(point.at * 100)}% across, ${Math.round(point.level * 100)}% high`}
            className="group pointer-events-auto absolute grid cursor-move place-items-center rounded-full"
            style={{
              left: x * area.scale - reach,
              top: y * area.scale - reach,
              width: 2 * reach,
              height: 2 * reach,
              touchAction: 'none',
            }}
            onPointerDown={(e) => grab(e, i)}
            onPointerMove={drag}
            onPointerUp={drop}
            onPointerCancel={abandon}
            onKeyDown={(e) => key(e, i)}
          >
            <span className="size-[9px] rounded-full border-2 border-act bg-white group-hover:bg-act" />
          </button>
        );
      })}
      {cursor && (
        <AreaSvg area={area}>
          <Cross at={cursor} px={1 / area.scale} />
        </AreaSvg>
      )}
      {points.length === 0 && (
        <p className="absolute inset-0 grid place-items-center">
          <span className="rounded-sm border border-line bg-white px-2 py-0.5">
            Draw the line from left to right
          </span>
        </p>
      )}
    </AreaBox>
  );
}
