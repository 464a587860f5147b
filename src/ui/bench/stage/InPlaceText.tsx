'use client';

import { useLayoutEffect, useRef, useState } from 'react';
import type { Box } from '@/core/arrange/box';
import { editLayer } from '@/core/site/edit';
import type { TextLayer } from '@/core/site/model/objectLayers';
import { faceName, fontOf } from '@/core/text/fonts';
import { wording } from '../addOnTop';
import { useEditing, useSelecting } from '../useBench';
import type { Area } from './AreaBox';

/** About where the words will lie, until their glyphs have been drawn and measured. */
const awaited = ({ x, y, sizePx, lineHeight, turn }: TextLayer): Box => ({
  x,
  y: y + (sizePx * lineHeight) / 2,
  width: sizePx * 4,
  height: sizePx * lineHeight,
  turn,
});

/**
 * Words edited where they stand. The picture shows them; the field over them is see-through and has
 * the caret.
 * It is there at once, before the text has been drawn: else the first letters typed would act as
 * keys of commands.
 */
export function InPlaceText({
  area,
  text,
  box = awaited(text),
}: {
  area: Area;
  text: TextLayer;
  box?: Box;
}) {
  const { burst, picture, slot } = useEditing();
  const { setTool } = useSelecting();
  const field = useRef<HTMLTextAreaElement>(null);
  const [typed, setTyped] = useState(text.words);
  const k = area.rect.width / slot.width;
  const { stretchX, stretchY, sizePx } = text;
  useLayoutEffect(() => {
    field.current?.focus({ preventScroll: true });
    field.current?.select();
  }, []);
  // The field has the letters' own shape and is stretched with them.
  const width = (box.width / stretchX) * k + 4;
  const height = (box.height / stretchY) * k;
  const align = text.align === 'centre' ? 'center' : text.align;
  return (
    <textarea
      ref={field}
      aria-label="Words on the picture"
      spellCheck={false}
      value={typed}
      wrap={text.wrap === null ? 'off' : 'soft'}
      onChange={(e) => {
        setTyped(e.target.value);
        burst(wording, editLayer<TextLayer>(picture.id, text.id, { words: e.target.value }));
      }}
      onBlur={() => setTool(undefined)}
      onPointerDown={(e) => e.stopPropagation()}
      onKeyDown={(e) => {
        if (e.key === 'Escape' || (e.key === 'Enter' && (e.ctrlKey || e.metaKey))) {
          e.preventDefault();
          e.stopPropagation();
          setTool(undefined);
          area.element.current?.focus({ preventScroll: true });
        }
      }}
      className="pointer-events-auto absolute block resize-none overflow-hidden border-0 bg-transparent p-0 text-transparent outline-1 outline-act outline-dashed selection:bg-act/40"
      style={{
        left: box.x * k - width / 2,
        top: box.y * k - height / 2,
        width,
        height,
        transform: `rotate(${box.turn}deg) scale(${stretchX}, ${stretchY})`,
        caretColor: text.colour,
        textAlign: align,
        fontFamily: `"${faceName(text.font)}"`,
        fontSize: sizePx * k,
        fontWeight: text.weight,
        fontStyle: text.italic && fontOf(text.font).italic ? 'italic' : undefined,
        letterSpacing: `${text.spacing}em`,
        lineHeight: text.lineHeight,
        whiteSpace: text.wrap === null ? 'pre' : 'pre-wrap',
      }}
    />
  );
}
