'use client';

import { kilobytes } from '@/core/readings/say';
import { hasOverlap, overlapOf } from '@/core/frame/overlap';
import { isLossless, pressAs } from '@/core/press/settings';
import { formatTitle } from '@/core/press/codecs';
import { editPicture, editSlot } from '@/core/site/edit';
import type { PressFormat } from '@/core/site/model';
import { CommitField, Group, NumberRow, Row, Switch } from '../../shared/fields';
import { useBench } from '../useBench';

const formats: readonly PressFormat[] = ['webp', 'avif', 'jpeg', 'png'];

/** How heavy: the format and quality of the file; its real bytes, and the file itself on the page. */
export function Heavy() {
  const { picture, slot, press, commit, preview } = useBench(), { format, quality, lossless, colours } = picture.press;
  const change = (part: Partial<typeof picture.press>) => editPicture(picture.id, (p) => { Object.assign(p.press, part); });
  return (
    <Group title="The file">
      <Row label="Format"><Switch label="Format" value={format} choices={formats.map((value) => ({ value, label: formatTitle[value] }))} onChange={(value) => commit(`Press as ${formatTitle[value]}`, change(pressAs(value, quality)))} /></Row>
      {format === 'png' && <Row label="Colours"><Switch label="Colours" value={colours === null ? 'all' : String(colours)} choices={[{ value: 'all', label: 'all' }, ...[256, 128, 64, 32].map((n) => ({ value: String(n), label: String(n) }))]} onChange={(v) => commit(v === 'all' ? 'All colours' : `${v} colours`, change({ colours: v === 'all' ? null : Number(v) }))} /></Row>}
      {(format === 'webp' || format === 'avif') && <Row label="Loss"><Switch label="Loss" value={lossless ? 'none' : 'some'} choices={[{ value: 'some', label: 'by quality' }, { value: 'none', label: 'none' }]} onChange={(v) => commit(v === 'none' ? 'Press without loss' : 'Press by quality', change({ lossless: v === 'none' }))} /></Row>}
      {format === 'png' || isLossless(picture.press)
        ? <p className="text-soft">{colours === null ? 'Every level is kept; there is no quality to choose.' : 'The commonest colours of the border and the page’s own are kept exactly.'}</p>
        : <NumberRow label="Quality" value={quality} min={1} max={100} unit="" onPreview={(v) => preview(change({ quality: v }))} onCommit={(v) => commit(`Quality ${Math.round(v)}`, change({ quality: Math.round(v) }))} />}
      <Row label="Budget" htmlFor="budget">
        <CommitField id="budget" label="Budget" className="w-28" suffix="KB" value={String(slot.budgetBytes / 1000)} onCommit={(text) => {
          const kb = Number(text.replace(',', '.'));
          if (!(kb >= 1 && kb <= 20000)) return `Expected 1 to 20000 KB, found “${text}”.`;
          commit(`Budget ${kb} KB`, editSlot(slot.id, (s) => { s.budgetBytes = Math.round(kb * 1000); }));
        }} />
      </Row>
      <p role="status" className="figure" data-testid="weight">
        {press.failure ? <span className="text-bad">{press.failure}</span> : press.current && press.file
          ? `${kilobytes(press.file.bytes)}, ${((press.file.bytes * 8) / (press.file.width * press.file.height)).toFixed(2)} bits a px` : 'Pressing…'}
      </p>
      {format === 'jpeg' && (picture.ground.type === 'none' || hasOverlap(overlapOf(slot))) && <p className="text-warn">JPEG cannot be see-through: it will lie on white.</p>}
    </Group>
  );
}
