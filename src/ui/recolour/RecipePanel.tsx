'use client';

import { DropdownMenu } from 'radix-ui';
import { wordsOf } from '@/core/refusal';
import { forgetRecipe, keepRecipe, layRecipeOnSet, recipeForSet } from '@/core/set/edits';
import { safeName } from '@/core/handover/fileName';
import { readRecipe, writeRecipe } from '@/core/recolour/recipeFile';
import type { PieceSet } from '@/core/site/model/pieceSet';
import type { Recipe } from '@/core/site/model/recipe';
import type { Site } from '@/core/site/model/site';
import type { Session } from '../hooks/useSession';
import { Button } from '../shared/Button';
import { MenuContent } from '../shared/MenuContent';
import { download } from '../shared/download';
import { CommitField } from '../shared/CommitField';
import { FilePick } from '../shared/FilePick';
import { notify } from '../shared/notices';
import { RecipeFace } from '../shared/steps/RecipeFace';
import { AddStep, StepCards, type RecipeProps } from '../shared/steps/RecipeSteps';

const menuItem =
  'flex cursor-pointer items-center justify-between gap-4 px-3 py-1 outline-none data-[highlighted]:bg-act-wash';

/** The one recipe that all pieces go through: its name, its steps, and the ones that are kept. */
export function RecipePanel({
  session,
  site,
  set,
  props,
}: {
  session: Session;
  site: Site;
  set: PieceSet;
  props: RecipeProps;
}) {
  const { recipe } = set;
  const kept = site.recipes.find((r) => r.id === recipe.id);
  const asKept = kept !== undefined && JSON.stringify(kept) === JSON.stringify(recipe);
  const lay = (next: Recipe) => {
    session.commit(`Lay the recipe ${next.name || 'without a name'}`, layRecipeOnSet(next));
    if (next.steps[0]) {
      props.onSelect(next.steps[0].id);
    }
  };
  const open = async (file: File) => {
    try {
      lay(readRecipe(file.name, await file.text(), crypto.randomUUID()));
    } catch (error) {
      notify('bad', wordsOf(error));
    }
  };
  return (
    <section aria-label="Recipe" className="flex min-w-0 flex-col gap-2">
      <div className="flex h-[26px] items-center gap-1.5">
        <h2 className="shrink-0 caption">Recipe</h2>
        <CommitField
          words
          label="Name of the recipe"
          className="min-w-0 grow"
          value={recipe.name}
          onCommit={(name) => {
            props.commit('Name the recipe', { ...recipe, name: name.trim().slice(0, 60) });
            return undefined;
          }}
        />
        <Button
          disabled={recipe.steps.length === 0 || asKept}
          onClick={() => {
            const named = { ...recipe, name: recipe.name || `Recipe ${site.recipes.length + 1}` };
            session.commit(`Keep ${named.name}`, (s) => {
              layRecipeOnSet(named)(s);
              keepRecipe(named)(s);
            });
            notify(
              'done',
              `${named.name} is kept with the site: it can be laid on a single picture too, in “What colour”.`,
            );
          }}
        >
          {asKept ? 'Kept' : 'Keep'}
        </Button>
        <DropdownMenu.Root>
          <DropdownMenu.Trigger asChild>
            <Button>Recipes {site.recipes.length}</Button>
          </DropdownMenu.Trigger>
          <DropdownMenu.Portal>
            <MenuContent className="max-h-80 max-w-80 min-w-48 overflow-y-auto">
              {site.recipes.map((r) => (
                <DropdownMenu.Item key={r.id} onSelect={() => lay(r)} className={menuItem}>
                  <span className="truncate">Lay {r.name || 'without a name'}</span>
                  <RecipeFace recipe={r} />
                </DropdownMenu.Item>
              ))}
              {site.recipes.length === 0 && (
                <p className="max-w-64 px-3 py-1 text-soft">No recipe is kept yet.</p>
              )}
              <DropdownMenu.Separator className="my-1 border-t border-hair" />
              <DropdownMenu.Item
                onSelect={() => lay(recipeForSet(crypto.randomUUID(), set.from))}
                className={menuItem}
              >
                Begin an empty one
              </DropdownMenu.Item>
              {kept && (
                <DropdownMenu.Item
                  onSelect={() => session.commit(`Forget ${kept.name}`, forgetRecipe(kept.id))}
                  className={menuItem}
                >
                  Forget {kept.name}
                </DropdownMenu.Item>
              )}
            </MenuContent>
          </DropdownMenu.Portal>
        </DropdownMenu.Root>
        <Button
          disabled={recipe.steps.length === 0}
          onClick={() =>
            download(
              `${safeName(recipe.name || 'recipe')}.recipe.json`,
              writeRecipe(recipe),
              'application/json',
            )
          }
        >
          Export
        </Button>
        <FilePick
          label="Import a recipe"
          accept=".json,application/json"
          onFile={(f) => void open(f)}
        >
          Import
        </FilePick>
      </div>
      {recipe.steps.length > 0 ? (
        <StepCards {...props} />
      ) : (
        <p className="flex h-[62px] items-center text-soft">
          No step yet: everything stays as it is. Take one of the ways at the right, or add steps
          here.
        </p>
      )}
      <AddStep {...props} />
    </section>
  );
}
