'use client';

import {
  closestCenter,
  DndContext,
  PointerSensor,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core';
import { restrictToRow } from './restrictToRow';
import { horizontalListSortingStrategy, SortableContext, useSortable } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import clsx from 'clsx';
import {
  ArrowLeft,
  ArrowRight,
  Copy,
  Eye,
  EyeOff,
  Lock,
  LockOpen,
  PencilLine,
  Trash2,
} from 'lucide-react';
import { useCallback, useEffect, useRef, useState, type MouseEvent, type ReactNode } from 'react';
import { isOfColour } from '@/core/layers/recipe';
import { kindOf } from '@/core/layers/registry';
import { backPhoto } from '@/core/readings/cover';
import type { Layer } from '@/core/site/model/layer';
import { HelpButton } from '../../help/HelpButton';
import { IconButton } from '../../shared/Button';
import { isBlendLayer } from '../questions/blend/Blend';
import { layerActions } from '../layerActions';
import { useActing } from '../useBench';
import { AddLayer } from './AddLayer';
import { GroundFace, LayerFace } from './faces';
import { VersionsButton } from '../versions/VersionsButton';
import { Card, Rename } from './LayerCard';

/** The layers as a row of cards from back to front, stepping up towards the front. */
export function LayerCards({ onVersions }: { onVersions(): void }) {
  const bench = useActing();
  const { picture, selected, selection, site } = bench;
  const { ground, layers } = picture;
  const [renaming, setRenaming] = useState<string>();
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));
  const at = layers.findIndex((l) => l.id === selected?.id);
  const none = selection.length === 0;
  const one = selection.length === 1;
  const hidden = !none && selection.every((l) => l.hidden);
  const locked = !none && selection.every((l) => l.locked);
  const dropped = ({ active, over }: DragEndEvent) => {
    const layer = layers.find((l) => l.id === active.id);
    const to = layers.findIndex((l) => l.id === over?.id);
    if (layer && to >= 0 && layers[to] !== layer) {
      layerActions.place(bench, layer, to);
    }
  };
  const choose = (event: MouseEvent, layer: Layer) => {
    if (event.shiftKey || event.ctrlKey || event.metaKey) {
      bench.toggle(layer.id);
      return;
    }
    bench.select(layer.id);
    bench.ask(questionOf(layer, layer === backPhoto(picture) && bench.slot.kind !== 'mark'));
  };
  return (
    <section
      aria-label="Layers, back to front"
      className="flex h-full min-w-0 flex-col px-3.5 py-2"
    >
      <div className="flex h-[26px] shrink-0 items-center justify-between">
        <span className="flex shrink-0 items-center gap-1.5">
          <h2 className="caption">Layers, back to front</h2>
          <HelpButton topic="layers" />
        </span>
        <span className="flex min-w-0 gap-1.5">
          <VersionsButton onOpen={onVersions} />
          <AddLayer />
        </span>
      </div>
      <DndContext
        id="layers"
        sensors={sensors}
        collisionDetection={closestCenter}
        modifiers={[restrictToRow]}
        onDragEnd={dropped}
      >
        <SortableContext items={layers.map((l) => l.id)} strategy={horizontalListSortingStrategy}>
          <ol className="quiet-scroll flex min-h-0 grow items-end gap-1 overflow-x-auto overflow-y-hidden px-0.5 pb-2">
            <li className="shrink-0">
              <Card
                name="Ground"
                figure={ground.type === 'colour' ? ground.colour : ground.type}
                current={false}
                dimmed={false}
                onSelect={() => {
                  bench.select(undefined);
                  bench.ask(3);
                }}
                face={<GroundFace ground={ground} />}
              />
            </li>
            {layers.map((layer, i) => (
              <SortableCard
                key={layer.id}
                layer={layer}
                step={(i + 1) * Math.min(8, 32 / Math.max(1, layers.length))}
                current={selection.includes(layer)}
              >
                {renaming === layer.id ? (
                  <Rename layer={layer} onDone={() => setRenaming(undefined)} />
                ) : (
                  <Card
                    name={kindOf(layer).name(layer)}
                    figure={layer.hidden ? 'hidden' : kindOf(layer).figure(layer)}
                    current={selection.includes(layer)}
                    dimmed={layer.hidden}
                    locked={layer.locked}
                    onSelect={(e) => choose(e, layer)}
                    onRename={() => setRenaming(layer.id)}
                    face={
                      <LayerFace
                        layer={layer}
                        backdrop={ground.type === 'colour' ? ground.colour : site.pages[0].ground}
                      />
                    }
                  />
                )}
              </SortableCard>
            ))}
          </ol>
        </SortableContext>
      </DndContext>
      <div role="toolbar" aria-label="Selected layers" className="flex shrink-0 gap-1 pt-1">
        <IconButton
          label="Send back"
          keys="Ctrl+["
          disabled={!one || at < 1}
          onClick={() => selected && layerActions.move(bench, selected, -1)}
        >
          <ArrowLeft size={14} />
        </IconButton>
        <IconButton
          label="Bring forward"
          keys="Ctrl+]"
          disabled={!one || at < 0 || at === layers.length - 1}
          onClick={() => selected && layerActions.move(bench, selected, 1)}
        >
          <ArrowRight size={14} />
        </IconButton>
        <IconButton
          label={hidden ? 'Show' : 'Hide'}
          keys="H"
          disabled={none}
          onClick={() => layerActions.hide(bench, selection)}
        >
          {hidden ? <Eye size={14} /> : <EyeOff size={14} />}
        </IconButton>
        <IconButton
          label={locked ? 'Unlock' : 'Lock'}
          keys="L"
          disabled={none}
          onClick={() => layerActions.lock(bench, selection)}
        >
          {locked ? <LockOpen size={14} /> : <Lock size={14} />}
        </IconButton>
        <IconButton
          label="Duplicate"
          keys="D"
          disabled={none}
          onClick={() => layerActions.duplicate(bench, selection)}
        >
          <Copy size={14} />
        </IconButton>
        <IconButton label="Rename" disabled={!one} onClick={() => setRenaming(selected?.id)}>
          <PencilLine size={14} />
        </IconButton>
        <IconButton
          label="Remove"
          keys="Delete"
          disabled={none || locked}
          onClick={() => layerActions.remove(bench, selection)}
        >
          <Trash2 size={14} />
        </IconButton>
        {selection.length > 1 && (
          <span className="self-center pl-1 text-soft">{selection.length} layers</span>
        )}
      </div>
    </section>
  );
}

/**
 * The question under which a layer's own controls are. @param framed it is the photo that the slot
 * is framed with
 */
const questionOf = (layer: Layer, framed: boolean): number => {
  if (isOfColour(layer)) {
    return 3;
  }
  if (isBlendLayer(layer)) {
    return 5;
  }
  if (framed) {
    return 2;
  }
  return 4;
};

function SortableCard({
  layer,
  step,
  current,
  children,
}: {
  layer: Layer;
  step: number;
  current: boolean;
  children: ReactNode;
}) {
  const { setNodeRef, listeners, transform, transition, isDragging } = useSortable({
    id: layer.id,
  });
  const element = useRef<HTMLLIElement>(null);
  useEffect(() => {
    if (current) {
      element.current?.scrollIntoView({ inline: 'nearest', block: 'nearest' });
    }
  }, [current]);
  const attach = useCallback(
    (node: HTMLLIElement | null) => {
      element.current = node;
      setNodeRef(node);
    },
    [setNodeRef],
  );
  return (
    <li
      ref={attach}
      {...listeners}
      className={clsx('shrink-0', isDragging && 'relative z-10 shadow-md')}
      style={{ marginBottom: step, transform: CSS.Translate.toString(transform), transition }}
    >
      {children}
    </li>
  );
}
