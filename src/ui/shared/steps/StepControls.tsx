'use client';

import { Dices } from 'lucide-react';
import type { ReactNode } from 'react';
import { usualScale } from '@/core/layers/texture';
import { blendModes, type BlendMode } from '@/core/raster/blend';
import { plainTone } from '@/core/recolour/plainTone';
import type { FillLayer } from '@/core/site/model/blendLayers';
import type {
  HueLayer,
  TextureLayer,
  TextureName,
  ToneLayer,
  TwoToneLayer,
} from '@/core/site/model/colourLayers';
import type { RecipeStep } from '@/core/site/model/recipe';
import type { ThemeColour } from '@/core/site/model/theme';
import { textureNames } from '@/core/texture/textures';
import { Button, IconButton } from '../Button';
import { ColourField } from '../ColourField';
import { Choose } from '../Choose';
import { NumberRow } from '../NumberRow';
import { Row } from '../Row';
import { TextureFace } from './StepFace';

/** A step of recolouring, wherever it is kept: in a picture or in a recipe. */
export interface StepProps<S extends RecipeStep = RecipeStep> {
  readonly step: S;
  readonly theme: readonly ThemeColour[];
  preview(part: Partial<S>): void;
  commit(label: string, part: Partial<S>): void;
  /** What else there is to say of a step where it is kept. */
  readonly children?: ReactNode;
}

/** How strong a step is. */
export function StrengthRow({
  step,
  preview,
  commit,
  what = 'Strength',
}: Pick<StepProps, 'step' | 'preview' | 'commit'> & { what?: string }) {
  return (
    <NumberRow
      label="Strength"
      value={step.opacity * 100}
      min={0}
      max={100}
      unit="%"
      onPreview={(v) => preview({ opacity: v / 100 })}
      onCommit={(v) => commit(`${what} ${Math.round(v)}%`, { opacity: v / 100 })}
    />
  );
}

const modes = blendModes.map((value) => ({ value, label: value }));

export function ModeChoice({
  step,
  commit,
  className,
}: Pick<StepProps, 'step' | 'commit'> & { className: string }) {
  return (
    <Choose<BlendMode>
      label="Blend mode"
      className={className}
      value={step.blend}
      choices={modes}
      onChange={(blend) => commit(`Blend ${blend}`, { blend })}
    />
  );
}

export function WashFields({ step, theme, preview, commit, children }: StepProps<FillLayer>) {
  return (
    <>
      <Row tight label="Colour">
        <ColourField
          label="Wash colour"
          value={step.colour}
          theme={theme}
          onPreview={(colour) => preview({ colour })}
          onCommit={(colour) => commit('Colour of the wash', { colour })}
        />
      </Row>
      <StrengthRow
        step={step}
        preview={preview as StepProps['preview']}
        commit={commit as StepProps['commit']}
        what="Wash at"
      />
      {children ?? (
        <Row tight label="Blend">
          <ModeChoice step={step} commit={commit as StepProps['commit']} className="w-36" />
        </Row>
      )}
    </>
  );
}

/** Rows side by side where there is room for two. */
const Pairs = ({ children }: { children: ReactNode }) => (
  <div className="@container">
    <div className="grid grid-cols-1 gap-x-4 @md:grid-cols-2 [&_label]:w-[72px]">{children}</div>
  </div>
);

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

export function TwoToneFields({ step, theme, preview, commit, children }: StepProps<TwoToneLayer>) {
  return (
    <>
      <Row label="Darks">
        <ColourField
          label="Darks"
          value={step.dark}
          theme={theme}
          onPreview={(dark) => preview({ dark })}
          onCommit={(dark) => commit('Darks of the two-tone', { dark })}
        />
      </Row>
      <Row label="Lights">
        <ColourField
          label="Lights"
          value={step.light}
          theme={theme}
          onPreview={(light) => preview({ light })}
          onCommit={(light) => commit('Lights of the two-tone', { light })}
        />
      </Row>
      <StrengthRow
        step={step}
        preview={preview as StepProps['preview']}
        commit={commit as StepProps['commit']}
      />
      <Row label={children ? 'Reach' : ''}>
        {children}
        <Button
          onClick={() =>
            commit('Change the two tones about', { dark: step.light, light: step.dark })
          }
        >
          Change about
        </Button>
      </Row>
    </>
  );
}

export function HueFields({ step, theme, preview, commit, children }: StepProps<HueLayer>) {
  return (
    <>
      <Row label="Towards">
        <ColourField
          label="Hue"
          value={step.colour}
          theme={theme}
          onPreview={(colour) => preview({ colour })}
          onCommit={(colour) => commit('Hue', { colour })}
        />
      </Row>
      <StrengthRow
        step={step}
        preview={preview as StepProps['preview']}
        commit={commit as StepProps['commit']}
      />
      {children && <Row label="Reach">{children}</Row>}
      <p className="text-soft">
        All hues turn to that of this colour; how light each place is stays as it is.
      </p>
    </>
  );
}

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
            label={`Another seed, now ${step.seed}`}
            className="w-7"
            onClick={() => commit('Another seed', { seed: step.seed + 1 })}
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

/** The controls of a step by its kind. */
export function StepControls({ step, ...rest }: StepProps) {
  switch (step.kind) {
    case 'fill':
      return <WashFields step={step} {...rest} />;
    case 'tone':
      return <ToneFields step={step} {...rest} />;
    case 'twotone':
      return <TwoToneFields step={step} {...rest} />;
    case 'hue':
      return <HueFields step={step} {...rest} />;
    case 'texture':
      return <TextureFields step={step} {...rest} />;
  }
}
