'use client';

import clsx from 'clsx';
import { X } from 'lucide-react';
import { useState } from 'react';
import { effectNames, effectOf } from '@/core/effects/registry';
import { editLayers } from '@/core/site/edit';
import { isObject } from '@/core/layers/registry';
import type { Effect } from '@/core/site/model/effects';
import type { ObjectLayer } from '@/core/site/model/layer';
import { Button, IconButton } from '../../../shared/Button';
import { addEffect } from '../../addOnTop';
import { useActing, useEditing } from '../../useBench';
import { ShadowControls, GlowControls, OutlineControls, ReliefControls } from './EffectControls';

/** One more effect of each kind, whatever the layer has already. */
export function AddEffects({ layer }: { layer: ObjectLayer }) {
  const bench = useActing();
  return (
    <span className="inline-flex" role="group" aria-label="Add an effect">
      {effectNames.map((name) => (
        <Button
          key={name}
          className="-ml-px rounded-none px-2 first:ml-0 first:rounded-l-sm last:rounded-r-sm"
          onClick={() => addEffect(bench, [layer], name)}
        >
          + {effectOf({ kind: name }).title}
        </Button>
      ))}
    </span>
  );
}

/** Effects of a layer: which it has, and the controls of one of them. */
export function EffectsFacet({ layer }: { layer: ObjectLayer }) {
  const { picture, commit, preview } = useEditing();
  const { effects } = layer;
  // The newest is the one to be adjusted, until another is asked for.
  const [asked, setAsked] = useState({ index: effects.length - 1, of: effects.length });
  const at = asked.of === effects.length ? asked.index : effects.length - 1;
  const effect = effects[at];
  const setAll = (list: (effects: readonly Effect[]) => readonly Effect[]) =>
    editLayers(picture.id, [layer.id], (l) =>
      isObject(l) ? { effects: list(l.effects) } : undefined,
    );
  const part = (change: Partial<Effect>) =>
    setAll((list) => list.map((e, i) => (i === at ? ({ ...e, ...change } as Effect) : e)));
  const given = {
    onPreview: (change: Partial<Effect>) => preview(part(change)),
    onCommit: (label: string, change: Partial<Effect>) => commit(label, part(change)),
  };
  if (!effect) {
    return (
      <p className="text-soft">
        No effects yet. Several can be laid on at once, and each changed or removed at any time.
      </p>
    );
  }
  return (
    <>
      <ul
        aria-label="Effects of this layer"
        className="quiet-scroll flex shrink-0 gap-1.5 overflow-x-auto"
      >
        {effects.map((e, i) => (
          <li
            key={i}
            className={clsx(
              'flex shrink-0 items-stretch rounded-sm border',
              i === at ? 'border-act bg-act-wash' : 'border-line bg-white',
            )}
          >
            <button
              type="button"
              aria-pressed={i === at}
              title={effectOf(e).figure(e)}
              onClick={() => setAsked({ index: i, of: effects.length })}
              className="h-6 pl-2"
            >
              {effectOf(e).title}
            </button>
            <IconButton
              variant="bare"
              label={`Remove the ${effectOf(e).title.toLowerCase()}`}
              className="h-6 w-6"
              onClick={() =>
                commit(
                  `Remove the ${effectOf(e).title.toLowerCase()}`,
                  setAll((list) => list.filter((_, k) => k !== i)),
                )
              }
            >
              <X size={13} />
            </IconButton>
          </li>
        ))}
      </ul>
      <div
        key={`${at} ${effect.kind}`}
        className="grid min-h-0 grow auto-rows-min grid-cols-[minmax(0,1fr)_minmax(0,1fr)] gap-x-4 overflow-y-auto [&_label]:w-[66px]"
      >
        {effect.kind === 'shadow' && <ShadowControls effect={effect} {...given} />}
        {effect.kind === 'glow' && <GlowControls effect={effect} {...given} />}
        {effect.kind === 'outline' && <OutlineControls effect={effect} {...given} />}
        {effect.kind === 'relief' && <ReliefControls effect={effect} {...given} />}
      </div>
    </>
  );
}
