'use client';

import { forEveryHue } from '@/core/recolour/activeSteps';
import clsx from 'clsx';
import { ArrowLeft, ArrowRight, Eye, EyeOff, Trash2 } from 'lucide-react';
import { newWash } from '@/core/layers/fill';
import { newHue, newTone, newTwoTone } from '@/core/layers/recolour';
import { kindOf } from '@/core/layers/registry';
import { newTexture } from '@/core/layers/texture';
import type { Recipe, RecipeStep } from '@/core/site/model/recipe';
import type { ThemeColour } from '@/core/site/model/theme';
import { Button, IconButton } from '../Button';
import { StepControls } from './StepControls';
import { StepFace } from './StepFace';

/** A recipe that is worked on, wherever it is kept. */
export interface RecipeProps {
  readonly recipe: Recipe;
  readonly theme: readonly ThemeColour[];
  readonly selected: string | undefined;
  onSelect(stepId: string): void;
  preview(recipe: Recipe): void;
  commit(label: string, recipe: Recipe): void;
}

const makers: readonly (readonly [
  string,
  (id: string, theme: readonly ThemeColour[]) => RecipeStep,
])[] = [
  ['Wash', (id, theme) => newWash(id, theme[0]?.hex ?? '#3b4a45')],
  [
    'Two-tone',
    (id, theme) => newTwoTone(id, theme[0]?.hex ?? '#222222', theme[1]?.hex ?? '#ffffff'),
  ],
  ['Hue', (id, theme) => newHue(id, theme[2]?.hex ?? theme[0]?.hex ?? '#3b4a45')],
  ['Tone', (id) => newTone(id)],
  ['Texture', (id) => newTexture(id, 'grain', '#000000')],
];

/** Kinds of steps to add. */
export function AddStep({
  recipe,
  theme,
  commit,
  onSelect,
}: Pick<RecipeProps, 'recipe' | 'theme' | 'commit' | 'onSelect'>) {
  const add = (name: string, make: (typeof makers)[number][1]) => {
    const step = make(crypto.randomUUID(), theme);
    commit(`Add ${name === 'Hue' ? 'a hue' : `a ${name.toLowerCase()}`}`, {
      ...recipe,
      steps: [...recipe.steps, step],
    });
    onSelect(step.id);
  };
  return (
    <span className="inline-flex">
      {makers.map(([name, make]) => (
        <Button
          key={name}
          className="-ml-px rounded-none px-2 first:ml-0 first:rounded-l-sm last:rounded-r-sm"
          onClick={() => add(name, make)}
        >
          + {name}
        </Button>
      ))}
    </span>
  );
}

/** The steps of a recipe as cards, from back to front. */
export function StepCards({
  recipe,
  selected,
  onSelect,
}: Pick<RecipeProps, 'recipe' | 'selected' | 'onSelect'>) {
  return (
    <ul aria-label="Steps" className="flex gap-1.5 overflow-x-auto pb-1">
      {recipe.steps.map((step) => (
        <li key={step.id} className="shrink-0">
          <button
            type="button"
            aria-pressed={step.id === selected}
            onClick={() => onSelect(step.id)}
            className={clsx(
              'block w-[92px] rounded-sm border border-line bg-white p-1 text-left hover:border-soft aria-pressed:border-act aria-pressed:bg-act-wash',
              step.hidden && 'opacity-50',
            )}
          >
            <span className="block h-7 overflow-hidden border border-hair">
              <StepFace step={step} />
            </span>
            <span className="mt-0.5 flex items-baseline justify-between gap-1">
              <span className="truncate">{kindOf(step).title}</span>
              <span className="shrink-0 figure text-[10px] text-soft">
                {step.hidden ? 'hidden' : kindOf(step).figure(step)}
              </span>
            </span>
          </button>
        </li>
      ))}
    </ul>
  );
}

/** The controls of the selected step, with what can be done with it as a whole. */
export function SelectedStep({ recipe, theme, selected, preview, commit, onSelect }: RecipeProps) {
  const at = recipe.steps.findIndex((s) => s.id === selected);
  const step = recipe.steps[at];
  if (!step) {
    return null;
  }
  const steps = recipe.steps;
  const changed = (part: object): Recipe => ({
    ...recipe,
    steps: steps.map((s) => (s.id === step.id ? ({ ...s, ...part } as RecipeStep) : s)),
  });
  const moved = (by: number) => {
    const list = steps.filter((s) => s.id !== step.id);
    list.splice(at + by, 0, step);
    commit(by < 0 ? 'A step earlier' : 'A step later', { ...recipe, steps: list });
  };
  const title = kindOf(step).title;
  return (
    <>
      <div className="flex items-center gap-1.5">
        <h3 className="grow caption">{title}</h3>
        <IconButton
          label="A step earlier"
          disabled={at === 0}
          className="w-7"
          onClick={() => moved(-1)}
        >
          <ArrowLeft size={13} />
        </IconButton>
        <IconButton
          label="A step later"
          disabled={at === steps.length - 1}
          className="w-7"
          onClick={() => moved(1)}
        >
          <ArrowRight size={13} />
        </IconButton>
        <IconButton
          label={
            step.hidden ? `Show the ${title.toLowerCase()}` : `Hide the ${title.toLowerCase()}`
          }
          className="w-7"
          onClick={() =>
            commit(step.hidden ? 'Show a step' : 'Hide a step', changed({ hidden: !step.hidden }))
          }
        >
          {step.hidden ? <EyeOff size={13} /> : <Eye size={13} />}
        </IconButton>
        <IconButton
          label={`Remove the ${title.toLowerCase()}`}
          className="w-7"
          onClick={() => {
            commit(`Remove the ${title.toLowerCase()}`, {
              ...recipe,
              steps: steps.filter((s) => s.id !== step.id),
            });
            const next = steps[at + 1] ?? steps[at - 1];
            if (next) {
              onSelect(next.id);
            }
          }}
        >
          <Trash2 size={13} />
        </IconButton>
      </div>
      <StepControls
        key={step.id}
        step={step}
        theme={theme}
        preview={(part) => preview(changed(part))}
        commit={(label, part) => commit(label, changed(part))}
      />
    </>
  );
}

/** Of a recipe that was made for a set: changes what has that set's hues, and nothing else. */
export function HuesTick({ recipe, commit }: Pick<RecipeProps, 'recipe' | 'commit'>) {
  const { hues } = recipe;
  return hues ? (
    <label className="flex items-center gap-2">
      <input
        type="checkbox"
        className="accent-act"
        checked
        onChange={() => commit('Recolour every hue', forEveryHue(recipe))}
      />
      Only hues like
      {hues.map((hex) => (
        <span
          key={hex}
          title={hex}
          className="inline-block h-3.5 w-3.5 border border-black/15"
          style={{ background: hex }}
        />
      ))}
    </label>
  ) : null;
}

/** Leaves greys and near-whites as they are. */
export function SpareTick({ recipe, commit }: Pick<RecipeProps, 'recipe' | 'commit'>) {
  return (
    <label className="flex items-center gap-2">
      <input
        type="checkbox"
        className="accent-act"
        checked={recipe.spare}
        onChange={() =>
          commit(recipe.spare ? 'Recolour greys too' : 'Leave greys alone', {
            ...recipe,
            spare: !recipe.spare,
          })
        }
      />
      Leave greys and near-whites alone
    </label>
  );
}
