'use client';

import clsx from 'clsx';
import { Lock } from 'lucide-react';
import { useEffect, useRef, type MouseEvent, type ReactNode } from 'react';
import { kindOf } from '@/core/layers/registry';
import type { Layer } from '@/core/site/model/layer';
import { inputLook } from '../../shared/inputLook';
import { layerActions } from '../layerActions';
import { useActing } from '../useBench';

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

export function Card({
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

export function Rename({ layer, onDone }: { layer: Layer; onDone(): void }) {
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
