'use client';

import { editLayer } from '@/core/site/edit';
import type { RecolourTarget, RecolourLayer, TextureLayer } from '@/core/site/model/colourLayers';
import type { RecipeStep } from '@/core/site/model/recipe';
import { Switch } from '../../../shared/Switch';
import { HueFields, TwoToneFields } from '../../../shared/steps/StepControls';
import type { StepProps } from '../../../shared/steps/StepFields';
import { TextureFields } from '../../../shared/steps/TextureFields';
import { ToneFields } from '../../../shared/steps/ToneFields';
import { useEditing } from '../../useBench';

/** What changes a layer of the picture on the bench. */
export function useStep<S extends RecipeStep>(step: S): StepProps<S> {
  const { picture, site, commit, preview } = useEditing();
  const change = (part: Partial<S>) => editLayer<S>(picture.id, step.id, part);
  return {
    step,
    theme: site.theme.colours,
    preview: (part) => preview(change(part)),
    commit: (label, part) => commit(label, change(part)),
  };
}

/** A recolouring with its strength and its reach. */
export function RecolourControls({ layer }: { layer: RecolourLayer }) {
  const rest = useStep<RecolourLayer>(layer);
  const reach = (
    <Switch<RecolourTarget>
      label="Reach"
      value={layer.reach}
      choices={[
        { value: 'below', label: 'everything below' },
        { value: 'beneath', label: 'only the layer beneath' },
      ]}
      onChange={(value) =>
        rest.commit(value === 'below' ? 'Reach everything below' : 'Reach only the layer beneath', {
          reach: value,
        })
      }
    />
  );
  switch (layer.kind) {
    case 'tone':
      return (
        <ToneFields {...rest} step={layer}>
          {reach}
        </ToneFields>
      );
    case 'twotone':
      return (
        <TwoToneFields {...rest} step={layer}>
          {reach}
        </TwoToneFields>
      );
    case 'hue':
      return (
        <HueFields {...rest} step={layer}>
          {reach}
        </HueFields>
      );
  }
}

export const TextureControls = ({ texture }: { texture: TextureLayer }) => (
  <TextureFields {...useStep(texture)} />
);
