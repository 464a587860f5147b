import { array, boolean, lazy, mixed, object, string, type Schema } from 'yup';
import { hexField } from '../colour/hexField';
import { activeSteps, recipeKey, type RecipeToApply } from '../recolour/activeSteps';
import type { Layer } from '../site/model/layer';
import type { Picture } from '../site/model/picture';
import type { Recipe, RecipeLayer, RecipeStep } from '../site/model/recipe';
import { baseDefaults, baseFields } from './base';
import { fill } from './fill';
import type { DefinitionOf } from './kind';
import { hue, isRecolour, tone, twotone } from './recolour';
import { texture } from './texture';

const stepSchemas: Readonly<Record<string, Schema>> = {
  fill: fill.schema,
  tone: tone.schema,
  twotone: twotone.schema,
  hue: hue.schema,
  texture: texture.schema,
};

/**
 * A step of a recipe by its kind; one that lies in a part of a picture or reaches one layer alone
 * is refused.
 */
const stepSchema = lazy((step: RecipeStep | undefined) =>
  (
    stepSchemas[step?.kind ?? ''] ??
    mixed()
      .oneOf([`a ${Object.keys(stepSchemas).join(', a ')}`])
      .required()
  ).test('everywhere', 'Expected a step that reaches all of a picture', (value?: RecipeStep) => {
    // It is asked before its fields are known to be there.
    if (value?.kind === 'fill') {
      return (value as Partial<typeof value>).extent?.type === 'all';
    }
    return !value || !isRecolour(value) || value.reach === 'below';
  }),
);

export const recipeSchema = object({
  id: string().min(1).required(),
  name: string().defined(),
  steps: array().of(stepSchema).max(40).required(),
  spare: boolean().required(),
  hues: array().of(hexField()).max(40).nullable().defined().default(undefined),
  byHue: array()
    .of(
      object({
        hue: hexField().required(),
        to: hexField().required(),
        steps: array().of(stepSchema).max(40).required(),
      }),
    )
    .max(12)
    .default(undefined),
});

export const newRecipeLayer = (id: string, recipe: Recipe): RecipeLayer => ({
  ...baseDefaults(id),
  kind: 'recipe',
  recipe,
});

/** A layer that gives what lies below it other colours: what question 3 is about. */
export const isOfColour = (layer: Layer): layer is RecipeStep | RecipeLayer =>
  layer.kind === 'fill' || layer.kind === 'texture' || layer.kind === 'recipe' || isRecolour(layer);

/** Whether a layer can be a step of a recipe as it is. */
const isStep = (layer: Layer): layer is RecipeStep =>
  layer.kind === 'texture' ||
  (layer.kind === 'fill' && layer.extent.type === 'all') ||
  (isRecolour(layer) && layer.reach === 'below');

/**
 * The steps of a recipe as it lies, each at its strength times the recipe's: exact for one step,
 * and near for more.
 */
export const stepsAt = ({
  recipe: { steps },
  opacity,
}: Pick<RecipeLayer, 'recipe' | 'opacity'>): RecipeStep[] =>
  activeSteps({ steps }).map((s) => ({ ...s, opacity: s.opacity * opacity }));

/**
 * The recolouring of a picture, kept apart from it: the steps of its recipes and its own, from back
 * to front.
 */
export function recolouringOf({ layers }: Pick<Picture, 'layers'>): RecipeToApply {
  const seen = layers.filter((l) => !l.hidden);
  const recipes = seen.flatMap((l) => (l.kind === 'recipe' ? [l.recipe] : []));
  return {
    steps: seen.flatMap((layer): RecipeStep[] => {
      if (layer.kind === 'recipe') {
        return stepsAt(layer);
      }
      if (isStep(layer)) {
        return [layer];
      }
      return [];
    }),
    spare: recipes.some((r) => r.spare),
    // Of several, what each reaches for itself cannot be said by one.
    ...(recipes.length === 1 && seen.filter(isOfColour).length === 1
      ? { hues: recipes[0].hues, byHue: recipes[0].byHue }
      : { hues: null }),
  };
}

/** Seen steps, by what they do. */
const namelessSteps = (steps: Recipe['steps']): RecipeStep[] =>
  activeSteps({ steps }).map((s) => ({ ...s, id: '', name: '', locked: false }));

export const recipe: DefinitionOf<RecipeLayer> = {
  kind: 'recipe',
  role: 'change',
  title: 'Recipe',
  schema: object({
    ...baseFields,
    kind: string().oneOf(['recipe']).required(),
    recipe: recipeSchema.required(),
  }),
  key: ({ recipe: { steps, spare, hues, byHue } }) =>
    recipeKey({
      spare,
      hues,
      steps: namelessSteps(steps),
      byHue: byHue?.map((own) => ({ ...own, steps: namelessSteps(own.steps) })),
    }),
  place: () => ({ x: 0, y: 0 }),
  scaled: ({ recipe: own }, k) => ({
    recipe: {
      ...own,
      steps: own.steps.map((s) =>
        s.kind === 'texture' ? { ...s, scale: Math.max(1, s.scale * k) } : s,
      ),
    },
  }),
  figure: (layer) =>
    layer.opacity < 1
      ? `${Math.round(layer.opacity * 100)}%`
      : `${activeSteps(layer.recipe).length} ${activeSteps(layer.recipe).length === 1 ? 'step' : 'steps'}`,
  name: (layer) => layer.name || layer.recipe.name || 'Recipe',
};
