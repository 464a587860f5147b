import { ValidationError } from 'yup';
import { boundedJson, JsonError } from '../files/boundedJson';
import { recipeSchema } from '../layers/recipe';
import { asClause, Refusal } from '../refusal';
import { schemaWords } from '../schemaWords';
import type { Recipe } from '../site/model/recipe';

/* A recipe as a file of its own: JSON with the version of what it is written in. */

const version = 1;

const jsonLimits = { length: 1e6, depth: 16, members: 20_000 } as const;

/** A recipe file was refused; the message says which, what was expected and what was found. */
export class RecipeError extends Refusal {}

export const writeRecipe = ({ name, steps, spare, hues, byHue }: Recipe): string =>
  `${JSON.stringify({ recipeVersion: version, name, spare, hues, steps, byHue }, null, 2)}\n`;

/**
 * Reads a recipe file.
 * @param id the recipe is to have here
 * @throws RecipeError
 */
export function readRecipe(fileName: string, text: string, id: string): Recipe {
  const refuse = (expected: string, found: string) =>
    new RecipeError(`${fileName}: expected ${expected}, found ${found}.`);
  let value: unknown;
  try {
    value = boundedJson(text, 'a recipe', jsonLimits);
  } catch (error) {
    throw error instanceof JsonError ? refuse(error.expected, error.found) : error;
  }
  const stored = value as {
    recipeVersion?: unknown;
    name?: unknown;
    steps?: unknown;
    spare?: unknown;
    hues?: unknown;
    byHue?: unknown;
  } | null;
  if (typeof stored !== 'object' || stored?.recipeVersion === undefined) {
    throw refuse('a recipe', 'JSON of another kind');
  }
  if (stored.recipeVersion !== version) {
    throw refuse(`a recipe of version ${version}`, `version ${String(stored.recipeVersion)}`);
  }
  try {
    return recipeSchema.validateSync(
      // Recipes changed every hue once.
      {
        id,
        name: stored.name,
        steps: stored.steps,
        spare: stored.spare,
        hues: stored.hues ?? null,
        ...(stored.byHue !== undefined && { byHue: stored.byHue }),
      },
      { strict: true },
    ) as unknown as Recipe;
  } catch (error) {
    if (error instanceof ValidationError) {
      throw new RecipeError(`${fileName}: ${asClause(schemaWords(error))}.`);
    }
    throw error;
  }
}
