'use client';

import type { FillLayer } from '@/core/site/model/blendLayers';
import type { HueLayer, TwoToneLayer } from '@/core/site/model/colourLayers';
import { Button } from '../Button';
import { ColourField } from '../ColourField';
import { Row } from '../Row';
import { ToneFields } from './ToneFields';
import { TextureFields } from './TextureFields';
import { type StepProps, StrengthRow, ModeChoice } from './StepFields';

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
          onClick={() => commit('Swap the two tones', { dark: step.light, light: step.dark })}
        >
          Swap them
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
