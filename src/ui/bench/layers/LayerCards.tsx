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
import { useEffect, useRef, useState, type MouseEvent, type ReactNode } from 'react';
import { isOfColour } from '@/core/layers/recipe';
import { kindOf } from '@/core/layers/registry';
import { backPhoto } from '@/core/readings/cover';
import type { Layer } from '@/core/site/model/layer';
import { IconButton } from '../../shared/Button';
import { inputLook } from '../../shared/inputLook';
import { isBlendLayer } from '../questions/blend/Blend';
import { layerActions } from '../layerActions';
import { useActing } from '../useBench';
import { AddLayer } from './AddLayer';
import { GroundFace, LayerFace } from './faces';

/** The layers as a row of cards from back to front, stepping up towards the front. */
export function LayerCards() {
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
        <h2 className="caption">Layers, back to front</h2>
        <AddLayer />
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
  return (
    <li
      ref={(node) => {
        element.current = node;
        setNodeRef(node);
      }}
      {...listeners}
      className={clsx('shrink-0', isDragging && 'relative z-10 shadow-md')}
      style={{ marginBottom: step, transform: CSS.Translate.toString(transform), transition }}
    >
      {children}
    </li>
  );
}

interface CardProps {
  name: string;
  figure: string;
  face: ReactNode;
  current: boolean;
  dimmed: boolean;
  locked?: boolean;
  onSelect(event: MouseEvent): void;
  onRename?(): void;
}

function Card({
  name,
  figure,
  face,
  current,
  dimmed,
  locked = false,
  onSelect,
  onRename,
}: CardProps) {
  return (
    <button
      type="button"
      aria-pressed={current}
      onClick={onSelect}
      onDoubleClick={onRename}
      title={name}
      className={clsx(
        'relative block w-[68px] rounded-sm border bg-sheet p-1.5 text-left hover:border-soft focus-visible:-outline-offset-1',
        current ? 'border-act bg-act-wash outline-1 outline-act' : 'border-line',
        dimmed && 'opacity-55',
      )}
    >
      <div className="h-10 overflow-hidden">{face}</div>
      <div className="mt-1 truncate">{name}</div>
      <div className="truncate figure text-[11px] text-soft">{figure}</div>
      {locked && (
        <Lock
          size={13}
          aria-label="locked"
          className="absolute top-1 right-1 rounded-sm bg-white p-px text-ink"
        />
      )}
    </button>
  );
}

function Rename({ layer, onDone }: { layer: Layer; onDone(): void }) {
  const bench = useActing();
  const field = useRef<HTMLInputElement>(null);
  const over = useRef(false);
  useEffect(() => {
    field.current?.select();
  }, []);
  const done = (keep: boolean) => {
    if (over.current) {
      return;
    }
    over.current = true;
    const name = field.current!.value;
    if (keep && name.trim() !== layer.name && name.trim() !== kindOf(layer).name(layer)) {
      layerActions.rename(bench, layer, name);
    }
    onDone();
  };
  return (
    <div
      className="w-[136px] rounded-sm border border-act bg-act-wash p-1.5"
      onPointerDown={(e) => e.stopPropagation()}
    >
      <input
        ref={field}
        autoFocus
        aria-label="Name of the layer"
        defaultValue={kindOf(layer).name(layer)}
        className={`${inputLook} w-full`}
        onBlur={() => done(true)}
        onKeyDown={(e) => {
          e.stopPropagation();
          if (e.key === 'Enter') {
            done(true);
          }
          if (e.key === 'Escape') {
            done(false);
          }
        }}
      />
      <p className="mt-0.5 text-[11px] text-soft">Enter keeps it</p>
    </div>
  );
}
