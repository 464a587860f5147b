'use client';

import { Dices } from 'lucide-react';
import { usualScale } from '@/core/layers/texture';
import type { TextureLayer, TextureName } from '@/core/site/model/colourLayers';
import { textureNames } from '@/core/texture/textures';
import { IconButton } from '../Button';
import { ColourField } from '../ColourField';
import { NumberRow } from '../NumberRow';
import { Row } from '../Row';
import { TextureFace } from './StepFace';
import { type StepProps, ModeChoice, Pairs } from './StepFields';

export function TextureFields({ step, theme, preview, commit }: StepProps<TextureLayer>) {
  return (
    <>
      <div role="radiogroup" aria-label="Texture" className="flex flex-wrap gap-1">
        {textureNames.map((name: TextureName) => (
          <button
            key={name}
            type="button"
            role="radio"
            aria-checked={name === step.texture}
            onClick={() => commit(`Texture: ${name}`, { texture: name, scale: usualScale[name] })}
            className="w-[60px] rounded-sm border border-line bg-white p-0.5 text-center text-[11px] hover:border-soft aria-checked:border-act aria-checked:bg-act-wash"
          >
            <TextureFace name={name} />
            {name}
          </button>
        ))}
      </div>
      <Pairs>
        <NumberRow
          label="Strength"
          value={step.opacity * 100}
          min={0}
          max={100}
          unit="%"
          onPreview={(v) => preview({ opacity: v / 100 })}
          onCommit={(v) => commit(`Texture at ${Math.round(v)}%`, { opacity: v / 100 })}
        />
        <NumberRow
          label="Contrast"
          value={step.contrast * 100}
          min={0}
          max={100}
          unit="%"
          onPreview={(v) => preview({ contrast: v / 100 })}
          onCommit={(v) => commit(`Contrast ${Math.round(v)}%`, { contrast: v / 100 })}
        />
        <NumberRow
          label="Scale"
          value={step.scale}
          min={1}
          max={120}
          unit="px"
          onPreview={(v) => preview({ scale: v })}
          onCommit={(v) => commit(`Scale ${Math.round(v)} px`, { scale: v })}
        />
        <Row label="Blend mode">
          <ModeChoice step={step} commit={commit as StepProps['commit']} className="min-w-0 grow" />
          <IconButton
            label={`Another, now ${step.seed}`}
            className="w-7"
            onClick={() => commit('Another', { seed: step.seed + 1 })}
          >
            <Dices size={14} />
          </IconButton>
        </Row>
      </Pairs>
      <Row label="Colour">
        <ColourField
          label="Texture colour"
          value={step.colour}
          theme={theme}
          onPreview={(colour) => preview({ colour })}
          onCommit={(colour) => commit('Colour of the texture', { colour })}
        />
      </Row>
    </>
  );
}
