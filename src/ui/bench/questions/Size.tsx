'use client';

import { useState } from 'react';
import { readPixels } from '@/core/measure/pixels';
import { editSlot } from '@/core/site/edit';
import { CommitField, Group, Row } from '../../shared/fields';
import { useBench } from '../useBench';

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
  return (
    <Group title="Exact size">
      <Row label="Width" htmlFor="slot-width"><CommitField id="slot-width" label="Width" className="w-28" suffix="px" value={String(slot.width)} onCommit={set('width')} /></Row>
      <Row label="Height" htmlFor="slot-height"><CommitField id="slot-height" label="Height" className="w-28" suffix="px" value={String(slot.height)} onCommit={set('height')} /></Row>
      <p role="status" className="text-warn">{note}</p>
      <p className="max-w-md text-soft">The file will have exactly this many pixels. A host crops a picture that is too large and stretches one that is too small, without a word.</p>
    </Group>
  );
}
