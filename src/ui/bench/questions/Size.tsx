'use client';

import { useState } from 'react';
import { readPixels } from '@/core/measure/pixels';
import { editSlot } from '@/core/site/edit';
import { CommitField, Group, Row } from '../../shared/fields';
import { useBench } from '../useBench';
import { Behaviour } from './Behaviour';

/** How big: the exact size, typed. */
export function Size() {
  const { slot, commit } = useBench();
  const [note, setNote] = useState<string>();
  const set = (side: 'width' | 'height') => (text: string) => {
    const read = readPixels(text);
    if (!read.ok) return read.message;
    setNote(read.note);
    commit(`Set the ${side} to ${read.px} px`, editSlot(slot.id, (s) => { s[side] = read.px; }));
  };
  const background = slot.kind !== 'header' && slot.kind !== 'mark';
  return (
    <div className="flex gap-6">
      <Group title="Exact size" className="shrink-0 basis-[250px]">
        <Row label="Width" htmlFor="slot-width"><CommitField id="slot-width" label="Width" className="w-28" suffix="px" value={String(slot.width)} onCommit={set('width')} /></Row>
        <Row label="Height" htmlFor="slot-height"><CommitField id="slot-height" label="Height" className="w-28" suffix="px" value={String(slot.height)} onCommit={set('height')} /></Row>
        <p role="status" className="text-warn">{note}</p>
        <p className="text-soft">The file will have exactly this many pixels. A host crops a picture that is too large and stretches one that is too small, without a word.</p>
      </Group>
      {background && <Behaviour />}
    </div>
  );
}
