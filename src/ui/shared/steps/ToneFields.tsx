'use client';

import { plainTone } from '@/core/recolour/plainTone';
import type { ToneLayer } from '@/core/site/model/colourLayers';
import { Button } from '../Button';
import { NumberRow } from '../NumberRow';
import { Row } from '../Row';
import { type StepProps, StrengthRow, Pairs } from './StepFields';

const percents = [
  ['brightness', 'Brightness'],
  ['contrast', 'Contrast'],
  ['saturation', 'Saturation'],
] as const;

export function ToneFields({ step, preview, commit, children }: StepProps<ToneLayer>) {
  return (
    <Pairs>
      {percents.map(([key, label]) => (
        <NumberRow
          key={key}
          label={label}
          value={step[key] * 100}
          min={0}
          max={200}
          unit="%"
          onPreview={(v) => preview({ [key]: v / 100 })}
          onCommit={(v) => commit(`${label} ${Math.round(v)}%`, { [key]: v / 100 })}
        />
      ))}
      <NumberRow
        label="Warmth"
        value={step.warmth * 100}
        min={-100}
        max={100}
        unit=""
        onPreview={(v) => preview({ warmth: v / 100 })}
        onCommit={(v) => commit(`Warmth ${Math.round(v)}`, { warmth: v / 100 })}
      />
      <NumberRow
        label="Greyscale"
        value={step.greyscale * 100}
        min={0}
        max={100}
        unit="%"
        onPreview={(v) => preview({ greyscale: v / 100 })}
        onCommit={(v) => commit(`Greyscale ${Math.round(v)}%`, { greyscale: v / 100 })}
      />
      <NumberRow
        label="Invert"
        value={step.invert * 100}
        min={0}
        max={100}
        unit="%"
        onPreview={(v) => preview({ invert: v / 100 })}
        onCommit={(v) => commit(`Invert ${Math.round(v)}%`, { invert: v / 100 })}
      />
      <div className="@md:col-span-2">
        <StrengthRow
          step={step}
          preview={preview as StepProps['preview']}
          commit={commit as StepProps['commit']}
        />
        <Row label={children ? 'Reach' : ''}>
          {children}
          <Button onClick={() => commit('Tone as it was', plainTone)}>As it was</Button>
        </Row>
      </div>
    </Pairs>
  );
}
