'use client';

import type { ReactNode } from 'react';
import { blendModes, type BlendMode } from '@/core/raster/blend';
import type { RecipeStep } from '@/core/site/model/recipe';
import type { ThemeColour } from '@/core/site/model/theme';
import { Choose } from '../Choose';
import { NumberRow } from '../NumberRow';

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

/** Rows side by side where there is room for two. */
export const Pairs = ({ children }: { children: ReactNode }) => (
  <div className="@container">
    <div className="grid grid-cols-1 gap-x-4 @md:grid-cols-2 [&_label]:w-[72px]">{children}</div>
  </div>
);
