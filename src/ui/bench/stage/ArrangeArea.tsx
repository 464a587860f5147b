'use client';

import { useRef, useState, type PointerEvent } from 'react';
import { useStore } from 'zustand';
import {
  boundsOf,
  boxOfBounds,
  isInside,
  unionOf,
  type Bounds,
  type Box,
  type Place,
} from '@/core/arrange/box';
import {
  isCorner,
  resizedBox,
  resizeSnapped,
  snapDistance,
  turnBetween,
  type Handle,
} from '@/core/arrange/gesture';
import { gapsOf, snap, type Gap, type Guide } from '@/core/arrange/snap';
import { isObject, kindOf } from '@/core/layers/registry';
import { backPhoto } from '@/core/readings/cover';
import { editLayers, type Edit } from '@/core/site/edit';
import type { Layer } from '@/core/site/model/layer';
import { arrangeable, changeNames, tidied } from '@/core/arrange/layerEdits';
import { useAsking, useDrawn, useEditing, useSelecting } from '../useBench';
import { AreaBox, type Area } from './AreaBox';
import { InPlaceText } from './InPlaceText';
import { SelectionFrame } from './SelectionFrame';

/** What a gesture has made so far, and what is shown of it. */
interface Seen {
  readonly guides: readonly Guide[];
  readonly gaps: readonly Gap[];
  /** Figures at the box: its size while it is resized, its angle while it is turned. */
  readonly figure?: string;
  readonly marquee?: Bounds;
}

const nothingSeen: Seen = { guides: [], gaps: [] };

interface Drag {
  readonly from: Place;
  readonly layers: readonly Layer[];
  readonly box: Box | undefined;
  readonly others: readonly Bounds[];
  /** What the pointer went down on: a handle, the knob that turns, a layer, or nothing. */
  readonly grip: Handle | 'turn' | 'move' | 'marquee';
  /** What a press without a movement selects. */
  readonly click: (() => void) | undefined;
  moved: boolean;
}

/** Px of the screen the pointer may slip before a press becomes a drag. */
const slip = 3;

const gripWord = (grip: unknown): string =>
  ({ move: 'Move', turn: 'Turn' })[String(grip)] ?? 'Resize';

/** Layers are selected, moved, resized and turned; several at once too. */
export function ArrangeArea({ area, marks }: { area: Area; marks: boolean }) {
  const { slot, picture, commit, preview, session } = useEditing();
  const { drawn } = useDrawn();
  const { selection, tool, select, selectAll, selected, setTool, toggle } = useSelecting();
  const { ask } = useAsking();
  const drag = useRef<Drag>(undefined);
  const [seen, setSeen] = useState<Seen>(nothingSeen);
  const boxes = useStore(drawn, (d) => d.boxes);
  const objects = selection.filter((l) => isObject(l) && !l.hidden);
  const boxOf = (layers: readonly Layer[]): Box | undefined => {
    const found = layers.flatMap((l) => {
      const box = drawn.getState().boxes[l.id];
      return box ? [box] : [];
    });
    if (found.length <= 1) {
      return found[0];
    }
    const around = unionOf(found.map(boundsOf));
    return around && boxOfBounds(around);
  };
  const frame = boxOf(objects);

  /**
   * Layers under a point, front to back; the photo that fills the slot is the paper, and only a
   * click takes it.
   */
  const layersAt = (at: Place): Layer[] =>
    picture.layers
      .toReversed()
      .filter(
        (l) =>
          isObject(l) &&
          !l.hidden &&
          !l.locked &&
          boxes[l.id] &&
          isInside(boxes[l.id], at, 3 / area.scale),
      );
  const othersThan = (layers: readonly Layer[]): Bounds[] =>
    picture.layers
      .filter(
        (l) =>
          isObject(l) &&
          !l.hidden &&
          !layers.includes(l) &&
          l !== backPhoto(picture) &&
          boxes[l.id],
      )
      .map((l) => boundsOf(boxes[l.id]));

  const begin = (
    event: PointerEvent,
    grip: Drag['grip'],
    layers: readonly Layer[],
    click?: () => void,
  ) => {
    area.element.current?.setPointerCapture(event.pointerId);
    area.element.current?.focus({ preventScroll: true });
    const free = layers.filter(arrangeable);
    drag.current = {
      from: area.toSlot(event),
      grip,
      layers: free,
      box: boxOf(free),
      others: othersThan(free),
      click,
      moved: false,
    };
  };

  const down = (event: PointerEvent<HTMLDivElement>) => {
    if (event.button !== 0) {
      return;
    }
    if (tool) {
      setTool(undefined);
    }
    const at = area.toSlot(event);
    const under = layersAt(at);
    const paper = backPhoto(picture);
    const taken = under.filter((l) => l !== paper || selection.includes(l));
    const many = event.shiftKey || event.ctrlKey || event.metaKey;
    const mine = taken.find((l) => selection.includes(l));
    if (many && taken[0]) {
      toggle(taken[0].id);
      return;
    }
    if (mine) {
      // A press without a movement goes through to what lies behind, and from the hindmost back to
      // the front.
      const next = under[(under.indexOf(mine) + 1) % under.length];
      begin(event, 'move', selection, () => select(next.id));
    } else if (taken[0]) {
      select(taken[0].id);
      begin(event, 'move', [taken[0]]);
    } else {
      begin(event, 'marquee', [], () => select(under[0]?.id));
    }
  };

  /** What the drag so far makes of its layers, and what is to be seen of it. */
  const dragged = (event: PointerEvent): { edit?: Edit; seen: Seen } => {
    const { grip, layers, box, from, others } = drag.current!;
    const at = area.toSlot(event);
    const ids = layers.map((l) => l.id);
    if (grip === 'marquee') {
      const marquee = {
        left: Math.min(from.x, at.x),
        right: Math.max(from.x, at.x),
        top: Math.min(from.y, at.y),
        bottom: Math.max(from.y, at.y),
      };
      return { seen: { ...nothingSeen, marquee } };
    }
    if (!box) {
      return { seen: nothingSeen };
    }
    const near = event.altKey ? 0 : snapDistance / Math.min(1, area.scale);
    const of = (layer: Layer) => layers.find((l) => l.id === layer.id) ?? layer;
    if (grip === 'move') {
      let dx = at.x - from.x;
      let dy = at.y - from.y;
      // With Shift along one axis only.
      if (event.shiftKey) {
        if (Math.abs(dx) > Math.abs(dy)) {
          dy = 0;
        } else {
          dx = 0;
        }
      }
      const bounds = boundsOf(box);
      const to = {
        left: bounds.left + dx,
        right: bounds.right + dx,
        top: bounds.top + dy,
        bottom: bounds.bottom + dy,
      };
      const found = snap(to, slot, others, near);
      const x = Math.round(dx + found.dx);
      const y = Math.round(dy + found.dy);
      const there = {
        left: bounds.left + x,
        right: bounds.right + x,
        top: bounds.top + y,
        bottom: bounds.bottom + y,
      };
      return {
        edit: editLayers(picture.id, ids, (layer) => kindOf(layer).moved?.(of(layer), x, y)),
        seen: { guides: found.guides, gaps: gapsOf(there, slot, others) },
      };
    }
    if (grip === 'turn') {
      const by = turnBetween(box, from, at, box.turn, event.shiftKey ? 15 : undefined);
      return {
        edit: editLayers(picture.id, ids, (layer) => kindOf(layer).turned?.(of(layer), by, box)),
        seen: { ...nothingSeen, figure: `${(box.turn + by).toFixed(1)}°` },
      };
    }
    // Shapes are free, texts and photos keep their proportions at the corners; Shift does the
    // other.
    const keep = layers.length > 1 || layers.every((l) => l.kind !== 'shape') !== event.shiftKey;
    const { resize, guides } = resizeSnapped(
      box,
      grip,
      at,
      keep && isCorner(grip),
      slot,
      others,
      near,
    );
    const larger = resizedBox(box, resize);
    return {
      edit: editLayers(picture.id, ids, (layer) =>
        tidied(layer, kindOf(layer).resized?.(of(layer), resize)),
      ),
      seen: {
        guides,
        gaps: [],
        figure: `${Math.round(larger.width)} × ${Math.round(larger.height)}`,
      },
    };
  };

  const move = (event: PointerEvent) => {
    const held = drag.current;
    if (!held) {
      return;
    }
    const at = area.toSlot(event);
    if (!held.moved && Math.hypot(at.x - held.from.x, at.y - held.from.y) * area.scale < slip) {
      return;
    }
    held.moved = true;
    const { edit, seen: now } = dragged(event);
    setSeen(now);
    if (edit) {
      preview(edit);
    }
  };

  const up = (event: PointerEvent) => {
    const held = drag.current;
    if (!held) {
      return;
    }
    const { edit, seen: now } = dragged(event);
    drag.current = undefined;
    setSeen(nothingSeen);
    if (!held.moved) {
      held.click?.();
      return;
    }
    if (now.marquee) {
      const m = now.marquee;
      selectAll(
        picture.layers
          .filter((l) => isObject(l) && !l.hidden && !l.locked && boxes[l.id])
          .filter((l) => {
            const b = boundsOf(boxes[l.id]);
            return b.left >= m.left && b.right <= m.right && b.top >= m.top && b.bottom <= m.bottom;
          })
          .map((l) => l.id),
      );
    } else if (edit) {
      commit(`${gripWord(held.grip)} ${changeNames(held.layers)}`, edit);
    }
  };

  const abandon = (): boolean => {
    if (!drag.current) {
      return false;
    }
    drag.current = undefined;
    setSeen(nothingSeen);
    session.dropPreview();
    return true;
  };

  const text = tool?.kind === 'words' && selected?.kind === 'text' ? selected : undefined;
  return (
    <AreaBox
      area={area}
      cursor="default"
      marks={marks}
      onPointerDown={down}
      onPointerMove={move}
      onPointerUp={up}
      onPointerCancel={abandon}
      onEscape={abandon}
      onDoubleClick={(e) => {
        const layer = layersAt(area.toSlot(e)).find((l) => l.kind === 'text');
        if (layer) {
          select(layer.id);
          ask(4);
          setTool({ kind: 'words', layerId: layer.id });
        }
      }}
    >
      {marks && (
        <SelectionFrame
          area={area}
          frame={frame}
          boxes={
            objects.length > 1 ? objects.flatMap((l) => (boxes[l.id] ? [boxes[l.id]] : [])) : []
          }
          {...seen}
          dragging={seen !== nothingSeen}
          free={!text && objects.length > 0 && objects.every(arrangeable)}
          sides={objects.length === 1}
          onGrip={(event, grip) => {
            event.stopPropagation();
            begin(event, grip, objects);
          }}
        />
      )}
      {text && <InPlaceText key={text.id} area={area} text={text} box={boxes[text.id]} />}
    </AreaBox>
  );
}
