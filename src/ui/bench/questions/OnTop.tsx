'use client';

import { AlignCenter, AlignLeft, AlignRight } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { newText } from '@/core/layers/text';
import { addLayer, editLayer } from '@/core/site/edit';
import type { TextAlign, TextLayer } from '@/core/site/model';
import { faceName, fontOf, fonts } from '@/core/text/fonts';
import { Button } from '../../shared/Button';
import { ColourField } from '../../shared/ColourField';
import { Choose, CommitField, Group, inputLook, NumberRow, Switch } from '../../shared/fields';
import { newId } from '../edits';
import { useBench, useLayerBounds } from '../useBench';

/** What on top: the words on the picture. */
export function OnTop() {
  const bench = useBench(), { picture, selected, site, slot } = bench;
  const text = selected?.kind === 'text' ? selected : undefined;
  const addText = () => {
    const layer = newText(newId(), 'Your words', site.theme.headingFont, Math.min(48, Math.round(slot.height * 0.4)), site.theme.colours[1]?.hex ?? '#ffffff', Math.round(slot.width / 2), Math.round(slot.height * 0.3));
    bench.commit('Add a text', addLayer(picture.id, layer));
    bench.select(layer.id);
  };
  return (
    <Group title={text ? 'Text' : 'On top'} aside={<Button onClick={addText}>+ Text</Button>}>
      {text ? <TextControls key={text.id} text={text} /> : <p className="text-soft">Add a text, or select one on the picture or among the cards. Several can stand on one picture, each moved and changed at any time.</p>}
    </Group>
  );
}

const aligns: readonly { value: TextAlign; name: string; Icon: typeof AlignLeft }[] = [
  { value: 'left', name: 'Left', Icon: AlignLeft }, { value: 'centre', name: 'Centre', Icon: AlignCenter }, { value: 'right', name: 'Right', Icon: AlignRight },
];

function TextControls({ text }: { text: TextLayer }) {
  const bench = useBench(), { picture, site, commit, preview, burst } = bench;
  const change = (part: Partial<TextLayer>) => editLayer<TextLayer>(picture.id, text.id, part);
  const [lightest, boldest] = fontOf(text.font).weights;
  const box = useLayerBounds(bench, text.id);
  const place = (axis: 'x' | 'y') => (typed: string) => {
    const px = Number(typed);
    if (!Number.isInteger(px)) return `Expected whole pixels, found “${typed}”.`;
    commit(`Place the text at ${axis} ${px}`, change({ [axis]: px }));
  };
  const align = (next: TextAlign) => {
    // The lines stay where they are; only the point they are aligned to moves.
    const x = box ? (next === 'left' ? box.x + 1 : next === 'right' ? box.x + box.width - 1 : Math.round(box.x + box.width / 2)) : text.x;
    commit(`Align ${next}`, change({ align: next, x }));
  };
  return (
    <>
      <div className="flex flex-wrap items-start gap-2">
        <Words text={text} onChange={(words) => burst('Change the words', change({ words }))} />
        <div className="flex flex-col gap-1.5">
          <Choose label="Font" className="w-44" value={text.font} onChange={(font) => commit(`Font ${fontOf(font).family}`, change({ font }))} choices={fonts.map((f) => ({ value: f.id, label: f.family, hint: f.character, font: faceName(f) }))} />
          <div className="flex items-center gap-2">
            <Switch label="Align" value={text.align} onChange={align} choices={aligns.map(({ value, name, Icon }) => ({ value, label: <><Icon size={14} aria-hidden /><span className="sr-only">{name}</span></> }))} />
            <CommitField label="Text x" className="w-14" value={String(text.x)} onCommit={place('x')} />
            <CommitField label="Text y" className="w-14" value={String(text.y)} onCommit={place('y')} />
          </div>
        </div>
      </div>
      <NumberRow label="Size" value={text.sizePx} min={6} max={240} unit="px" onPreview={(v) => preview(change({ sizePx: v }))} onCommit={(v) => commit(`Text ${v} px`, change({ sizePx: v }))} />
      {lightest !== boldest && <NumberRow label="Weight" value={Math.min(boldest, Math.max(lightest, text.weight))} min={lightest} max={boldest} step={10} unit="" onPreview={(v) => preview(change({ weight: v }))} onCommit={(v) => commit(`Weight ${v}`, change({ weight: v }))} />}
      <div className="flex items-center gap-3"><span className="w-24 shrink-0">Colour</span><ColourField label="Text colour" value={text.colour} theme={site.theme.colours} onPreview={(colour) => preview(change({ colour }))} onCommit={(colour) => commit('Colour of the text', change({ colour }))} /></div>
    </>
  );
}

/** The words as they are typed; the site follows a moment later, and is followed again once typing has paused. */
function Words({ text, onChange }: { text: TextLayer; onChange(words: string): void }) {
  const field = useRef<HTMLTextAreaElement>(null);
  const [typed, setTyped] = useState<string>();
  useEffect(() => {
    if (typed === undefined) return;
    const timer = setTimeout(() => setTyped(undefined), 700);
    return () => clearTimeout(timer);
  }, [typed]);
  useEffect(() => { if (text.words === 'Your words') field.current?.select(); }, [text.words]);
  return (
    <textarea
      ref={field} id="words" aria-label="Words" rows={2} value={typed ?? text.words} onChange={(e) => { setTyped(e.target.value); onChange(e.target.value); }}
      onKeyDown={(e) => { if (e.key === 'Escape') e.currentTarget.blur(); }} className={`${inputLook} h-[58px] min-w-40 grow resize-none py-1`}
    />
  );
}
