'use client';

import { newBlur } from '@/core/layers/rework';
import { wrapsOf } from '@/core/readings/repeats';
import { addBehindWords, editLayer } from '@/core/site/edit';
import type { BlurLayer } from '@/core/site/model/blendLayers';
import { Button } from '../../../shared/Button';
import { CommitField } from '../../../shared/CommitField';
import { NumberRow } from '../../../shared/NumberRow';
import { Row } from '../../../shared/Row';
import { newId } from '../../../shared/newId';
import { typedNumber } from '../../../shared/typedNumber';
import { useEditing, useFiled, useSelecting } from '../../useBench';
import { Ways } from './Ways';

/** How busy the background is under the page's words, and what calms it. */
export function CalmFacet() {
  const { site, slot, picture, commit, preview } = useEditing();
  const { selected, select } = useSelecting();
  const { readings } = useFiled();
  const reading = readings.find((r) => r.id === 'calm');
  const { calm } = site.limits;
  const blur =
    selected?.kind === 'blur'
      ? selected
      : picture.layers.findLast((l): l is BlurLayer => l.kind === 'blur');
  const value = reading && reading.verdict !== 'unknown' ? parseFloat(reading.figure) : undefined;
  const set = (part: Partial<BlurLayer>) => editLayer<BlurLayer>(picture.id, blur!.id, part);
  const full = Math.max(20, calm * 1.5);
  const share = (v: number) => `${Math.min(100, (v / full) * 100)}%`;
  return (
    <div className="flex h-full gap-5">
      <div className="flex w-[230px] shrink-0 flex-col gap-1">
        <div aria-hidden className="relative mt-1 mb-3 h-3 border border-line bg-sheet">
          {value !== undefined && (
            <div
              className={reading?.verdict === 'holds' ? 'h-full bg-act' : 'h-full bg-warn'}
              style={{ width: share(value) }}
            />
          )}
          <div className="absolute -top-1 h-5 w-px bg-ink" style={{ left: share(calm) }} />
          <span
            className="absolute top-3.5 -translate-x-1/2 figure text-[11px]"
            style={{ left: share(calm) }}
          >
            {calm}
          </span>
        </div>
        <p className="text-soft">
          {reading?.words ?? 'No words of the page lie over this picture.'}
        </p>
        <Row tight label="At most">
          <CommitField
            label="How busy it may be at most"
            className="w-24"
            value={String(calm)}
            onCommit={(text) => {
              const v = typedNumber(text);
              if (!(v >= 0 && v <= 50)) {
                return `Expected 0 to 50, found “${text}”.`;
              }
              commit(`Called calm up to ${v}`, (s) => {
                s.limits.calm = v;
              });
            }}
          />
        </Row>
      </div>
      <div className="flex min-w-0 grow flex-col gap-1">
        <Ways
          done="calm"
          title="Ways to calm it"
          readingId="calm"
          ways={(reading?.ways ?? []).map((mend, i) => ({ id: `calm ${i}`, tries: [mend] }))}
        />
        {blur ? (
          <NumberRow
            label="Blur"
            value={blur.radius}
            min={0}
            max={40}
            step={0.5}
            digits={1}
            unit="px"
            onPreview={(radius) => preview(set({ radius }))}
            onCommit={(radius) => commit(`Blur by ${radius} px`, set({ radius }))}
          />
        ) : (
          <Button
            className="self-start"
            onClick={() => {
              const layer = newBlur(newId(), 3, wrapsOf(slot));
              commit('Add a blur', addBehindWords(picture.id, layer));
              select(layer.id);
            }}
          >
            + Blur
          </Button>
        )}
      </div>
    </div>
  );
}
