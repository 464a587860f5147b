'use client';

import { AlignCenter, AlignLeft, AlignRight } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { boundsOf } from '@/core/arrange/box';
import { awaitedWords } from '@/core/layers/fitting';
import { chain, editLayer, keepFont } from '@/core/site/edit';
import type { TextAlign, TextLayer } from '@/core/site/model/objectLayers';
import { faceName, fontOf } from '@/core/text/fonts';
import { ColourField } from '../../../shared/ColourField';
import { FontChoice } from '../../../shared/FontChoice';
import { CommitField } from '../../../shared/CommitField';
import { inputLook } from '../../../shared/inputLook';
import { NumberRow } from '../../../shared/NumberRow';
import { Switch } from '../../../shared/Switch';
import { wording } from '../../addOnTop';
import { useLayerBox, useActing } from '../../useBench';

const aligns: readonly { value: TextAlign; name: string; Icon: typeof AlignLeft }[] = [
  { value: 'left', name: 'Left', Icon: AlignLeft },
  { value: 'centre', name: 'Centre', Icon: AlignCenter },
  { value: 'right', name: 'Right', Icon: AlignRight },
];

/** What is written, in which font, how large and in which colour. */
export function WordsFacet({ layer: text }: { layer: TextLayer }) {
  const bench = useActing();
  const { picture, site, commit, preview, burst } = bench;
  const change = (part: Partial<TextLayer>) => editLayer<TextLayer>(picture.id, text.id, part);
  const font = fontOf(text.font, site.fonts);
  const [lightest, boldest] = font.weights;
  const box = useLayerBox(text);
  const place = (axis: 'x' | 'y') => (typed: string) => {
    const px = Number(typed.replace(',', '.'));
    if (typed.trim() === '' || !Number.isFinite(px) || Math.abs(px) > 20000) {
      return `Expected pixels, found “${typed}”.`;
    }
    commit(`Place the text at ${axis} ${px}`, change({ [axis]: px }));
  };
  const align = (next: TextAlign) => {
    // The lines stay where they are; only the point they are aligned to moves. A turned text turns
    // about it, so there it stays.
    const around = box && text.turn === 0 ? boundsOf(box) : undefined;
    const x = around
      ? Math.round(
          {
            left: around.left,
            centre: (around.left + around.right) / 2,
            right: around.right,
          }[next],
        )
      : text.x;
    commit(`Align ${next}`, change({ align: next, x }));
  };
  return (
    <div className="flex flex-col gap-1.5">
      <div className="flex flex-wrap items-start gap-2">
        <Words text={text} onChange={(words) => burst(wording, change({ words }))} />
        <div className="flex flex-col gap-1.5">
          <FontChoice
            label="Font"
            fileLabel="Use a font file of your own"
            className="w-40"
            value={font.id}
            fonts={site.fonts}
            onFont={(id) => commit(`Font ${fontOf(id, site.fonts).family}`, change({ font: id }))}
            onOwn={(own) =>
              commit(`Font ${own.family}`, chain(keepFont(own), change({ font: own.id })))
            }
          />
          <div className="flex items-center gap-2">
            <Switch
              label="Align"
              value={text.align}
              onChange={align}
              choices={aligns.map(({ value, name, Icon }) => ({
                value,
                label: (
                  <>
                    <Icon size={14} aria-hidden />
                    <span className="sr-only">{name}</span>
                  </>
                ),
              }))}
            />
            <CommitField
              label="Text x"
              className="w-14"
              value={String(Math.round(text.x * 100) / 100)}
              onCommit={place('x')}
            />
            <CommitField
              label="Text y"
              className="w-14"
              value={String(Math.round(text.y * 100) / 100)}
              onCommit={place('y')}
            />
          </div>
        </div>
      </div>
      <NumberRow
        label="Size"
        value={text.sizePx}
        min={6}
        max={240}
        unit="px"
        digits={text.sizePx % 1 === 0 ? 0 : 1}
        onPreview={(v) => preview(change({ sizePx: v }))}
        onCommit={(v) => commit(`Text ${v} px`, change({ sizePx: v }))}
      />
      {lightest !== boldest && (
        <NumberRow
          label="Weight"
          value={Math.min(boldest, Math.max(lightest, text.weight))}
          min={lightest}
          max={boldest}
          step={10}
          unit=""
          onPreview={(v) => preview(change({ weight: v }))}
          onCommit={(v) => commit(`Weight ${v}`, change({ weight: Math.round(v) }))}
        />
      )}
      <div className="flex items-center gap-3">
        <span className="w-24 shrink-0">Colour</span>
        <ColourField
          label="Text colour"
          value={text.colour}
          theme={site.theme.colours}
          onPreview={(colour) => preview(change({ colour }))}
          onCommit={(colour) => commit('Colour of the text', change({ colour }))}
        />
      </div>
    </div>
  );
}

/**
 * The words as they are typed; the site follows a moment later, and is followed again once typing
 * has paused.
 */
function Words({ text, onChange }: { text: TextLayer; onChange(words: string): void }) {
  const around = useRef<HTMLDivElement>(null);
  const field = useRef<HTMLTextAreaElement>(null);
  const [typed, setTyped] = useState<string>();
  useEffect(() => {
    if (typed === undefined) {
      return;
    }
    const timer = setTimeout(() => setTyped(undefined), 700);
    return () => clearTimeout(timer);
  }, [typed]);
  useEffect(() => {
    if (text.words === awaitedWords) {
      field.current?.select();
    }
  }, [text.words]);
  return (
    <div ref={around} tabIndex={-1} className="flex min-w-40 grow outline-none">
      <textarea
        ref={field}
        aria-label="Words"
        rows={2}
        value={typed ?? text.words}
        onChange={(e) => {
          setTyped(e.target.value);
          onChange(e.target.value);
        }}
        onKeyDown={(e) => {
          if (e.key === 'Escape') {
            // Out of the field, and keys go on from beside it.
            around.current?.focus({ preventScroll: true });
          }
        }}
        className={`${inputLook} h-[58px] min-w-40 grow resize-none py-1 text-[15px]`}
        // In the text's own font, whose letters the interface's own may not have.
        style={{ fontFamily: `"${faceName(text.font)}", var(--font-sans), sans-serif` }}
      />
    </div>
  );
}
