'use client';

import { Italic } from 'lucide-react';
import { editLayer } from '@/core/site/edit';
import type { TextLayer } from '@/core/site/model/objectLayers';
import { fontOf, fonts } from '@/core/text/fonts';
import { pair } from '@/core/text/pairing';
import { Button, Hint } from '../../../shared/Button';
import { NumberRow } from '../../../shared/NumberRow';
import { Row } from '../../../shared/Row';
import { fitToWidth } from '@/core/arrange/layerEdits';
import { useLayerBox, useActing, useEditing } from '../../useBench';

/**
 * How the letters look: slant, gaps, lines, proportions; and how the font stands beside the site's.
 */
export function LettersFacet({ layer: text }: { layer: TextLayer }) {
  const bench = useActing();
  const { picture, site, slot, commit, preview } = bench;
  const box = useLayerBox(text);
  const font = fontOf(text.font, site.fonts);
  const change = (part: Partial<TextLayer>) => editLayer<TextLayer>(picture.id, text.id, part);
  const wrapAt = Math.round(text.wrap ?? (box ? Math.max(box.width, 20) : slot.width / 2));
  return (
    <div className="flex flex-col gap-1">
      <div className="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)] gap-x-4 [&_label]:w-[72px]">
        <NumberRow
          label="Spacing"
          value={text.spacing * 100}
          min={-20}
          max={100}
          unit="%"
          onPreview={(v) => preview(change({ spacing: v / 100 }))}
          onCommit={(v) => commit(`Letter spacing ${Math.round(v)}%`, change({ spacing: v / 100 }))}
        />
        <NumberRow
          label="Line height"
          value={text.lineHeight}
          min={0.6}
          max={3}
          step={0.05}
          digits={2}
          unit="×"
          onPreview={(v) => preview(change({ lineHeight: v }))}
          onCommit={(v) => commit(`Line height ${v.toFixed(2)}`, change({ lineHeight: v }))}
        />
        <NumberRow
          label="Width"
          value={text.stretchX * 100}
          min={25}
          max={400}
          unit="%"
          onPreview={(v) => preview(change({ stretchX: v / 100 }))}
          onCommit={(v) => commit(`Letters ${Math.round(v)}% wide`, change({ stretchX: v / 100 }))}
        />
        <NumberRow
          label="Height"
          value={text.stretchY * 100}
          min={25}
          max={400}
          unit="%"
          onPreview={(v) => preview(change({ stretchY: v / 100 }))}
          onCommit={(v) => commit(`Letters ${Math.round(v)}% high`, change({ stretchY: v / 100 }))}
        />
      </div>
      <div className="flex items-center gap-2">
        <Hint text={font.italic ? 'The font’s own italic' : `${font.family} has no italic`}>
          <Button
            aria-pressed={text.italic && font.italic}
            disabled={!font.italic}
            onClick={() =>
              commit(text.italic ? 'Upright' : 'Italic', change({ italic: !text.italic }))
            }
          >
            <Italic size={14} aria-hidden />
            Italic
          </Button>
        </Hint>
        <Button
          aria-pressed={text.wrap !== null}
          onClick={() =>
            commit(
              text.wrap === null ? `Break lines at ${wrapAt} px` : 'Break lines by hand only',
              change({ wrap: text.wrap === null ? wrapAt : null }),
            )
          }
        >
          Break lines
        </Button>
        <Button
          disabled={!box || text.locked}
          onClick={() =>
            box &&
            commit(
              `Fit ${text.words.split('\n')[0].slice(0, 30)} to the width`,
              fitToWidth(picture, slot, text, box),
            )
          }
        >
          Fit to width
        </Button>
        {text.wrap !== null && (
          <div className="min-w-0 grow [&_label]:w-8">
            <NumberRow
              label="at"
              value={text.wrap}
              min={20}
              max={Math.max(slot.width, Math.ceil(text.wrap))}
              unit="px"
              onPreview={(v) => preview(change({ wrap: v }))}
              onCommit={(v) => commit(`Break lines at ${Math.round(v)} px`, change({ wrap: v }))}
            />
          </div>
        )}
      </div>
      <Row label="Beside" tight>
        <Pairings text={text} />
      </Row>
    </div>
  );
}

/** The text's font against the heading and body fonts, and the fonts that sit well beside both. */
function Pairings({ text }: { text: TextLayer }) {
  const { site, picture, commit } = useEditing();
  const own = fontOf(text.font, site.fonts);
  const { headingFont, bodyFont } = site.theme;
  const others = [...new Set([headingFont, bodyFont])].map((id) => fontOf(id, site.fonts));
  const good = fonts.filter(
    (f) => f.id !== own.id && others.every((o) => o.id === f.id || pair(f, o).sitsWell),
  );
  const percent = (v: number) => `${Math.round(v * 100)}%`;
  return (
    <div className="min-w-0 grow text-[12px] leading-snug">
      {others.map((other) => {
        const { xHeight, contrast, sitsWell } = pair(own, other);
        return (
          <p
            key={other.id}
            className="truncate"
            title={`x-height ${own.xHeight.toFixed(2)} of the size against ${other.xHeight.toFixed(2)}; thickest stroke ${own.contrast.toFixed(1)} times the thinnest against ${other.contrast.toFixed(1)}`}
          >
            {own.id === other.id ? (
              <>{other.family}: the site’s own</>
            ) : (
              <>
                <span className={sitsWell ? 'text-act' : 'text-warn'}>
                  {sitsWell ? '✓ sits well' : '! differs'}
                </span>{' '}
                by {other.family}: small letters {percent(xHeight)} as tall, strokes{' '}
                {contrast.toFixed(1)}× its contrast
              </>
            )}
          </p>
        );
      })}
      <p className="truncate text-soft">
        Sit well:{' '}
        {good.length === 0
          ? 'none of the others'
          : good.slice(0, 4).map((f, i) => (
              <span key={f.id}>
                {i > 0 && ', '}
                <button
                  type="button"
                  className="text-act underline decoration-hair underline-offset-2 hover:decoration-act"
                  onClick={() =>
                    commit(
                      `Font ${f.family}`,
                      editLayer<TextLayer>(picture.id, text.id, { font: f.id }),
                    )
                  }
                >
                  {f.family}
                </button>
              </span>
            ))}
      </p>
    </div>
  );
}
