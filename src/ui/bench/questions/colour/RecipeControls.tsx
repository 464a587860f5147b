'use client';

import { DropdownMenu } from 'radix-ui';
import { useState } from 'react';
import { recolouringOf, stepsAt } from '@/core/layers/recipe';
import { editLayer, replaceLayer } from '@/core/site/edit';
import { keepRecipe } from '@/core/set/edits';
import type { Recipe, RecipeLayer } from '@/core/site/model/recipe';
import { Button } from '../../../shared/Button';
import { MenuContent } from '../../../shared/MenuContent';
import { CommitField } from '../../../shared/CommitField';
import { NumberRow } from '../../../shared/NumberRow';
import { Row } from '../../../shared/Row';
import { notify } from '../../../shared/notices';
import { RecipeFace } from '../../../shared/steps/RecipeFace';
import {
  AddStep,
  HuesTick,
  SelectedStep,
  SpareTick,
  StepCards,
} from '../../../shared/steps/RecipeSteps';
import { menuItem } from '../../layers/AddLayer';
import { newId } from '../../../shared/newId';
import { useEditing } from '../../useBench';

/** Recipes of the site to lay on this picture, and the recipe of this picture to keep. */
export function RecipeMenu({ onLay }: { onLay(recipe: Recipe): void }) {
  const { site, picture, commit } = useEditing();
  const own = recolouringOf(picture);
  const ofSet =
    site.set && site.set.recipe.steps.length > 0
      ? [{ ...site.set.recipe, name: site.set.recipe.name || `Of ${site.set.name}` }]
      : [];
  const kept = [
    ...site.recipes,
    ...ofSet.filter(
      (r) =>
        !site.recipes.some(
          (k) => k.id === r.id || JSON.stringify(k.steps) === JSON.stringify(r.steps),
        ),
    ),
  ];
  const take = () => {
    const name = `Recipe ${site.recipes.length + 1}`;
    commit(
      `Keep ${name}`,
      keepRecipe({
        id: newId(),
        name,
        steps: own.steps.map((s) => ({ ...s, id: newId() })),
        spare: own.spare,
        hues: own.hues,
        ...(own.byHue && { byHue: own.byHue }),
      }),
    );
    notify(
      'done',
      `${name} is kept with its ${own.steps.length} ${own.steps.length === 1 ? 'step' : 'steps'}. Lay it on other pictures, or on a set.`,
    );
  };
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger asChild>
        <Button className="-ml-px rounded-l-none px-2">Recipe…</Button>
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <MenuContent className="max-w-72">
          {kept.length === 0 && (
            <p className="max-w-64 px-3 py-1 text-soft">
              No recipe is kept yet. Recolour this picture and keep how, or recolour a set.
            </p>
          )}
          {kept.map((recipe) => (
            <DropdownMenu.Item
              key={recipe.id}
              onSelect={() => onLay(recipe)}
              className={`${menuItem} flex items-center justify-between gap-4`}
            >
              <span className="truncate">Lay {recipe.name || 'without a name'}</span>
              <RecipeFace recipe={recipe} />
            </DropdownMenu.Item>
          ))}
          <DropdownMenu.Separator className="my-1 border-t border-hair" />
          <DropdownMenu.Item
            disabled={own.steps.length === 0}
            onSelect={take}
            className={`${menuItem} data-[disabled]:opacity-45`}
          >
            Keep this picture’s recipe
          </DropdownMenu.Item>
        </MenuContent>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

/** A recipe that lies on the picture: its strength, its steps, its name. */
export function RecipeControls({ layer }: { layer: RecipeLayer }) {
  const { picture, site, commit, preview } = useEditing();
  const { recipe } = layer;
  const [selected, setSelected] = useState(recipe.steps[0]?.id);
  const change = (part: Partial<RecipeLayer>) => editLayer<RecipeLayer>(picture.id, layer.id, part);
  const props = {
    recipe,
    theme: site.theme.colours,
    selected,
    onSelect: setSelected,
    preview: (next: Recipe) => preview(change({ recipe: next })),
    commit: (label: string, next: Recipe) => commit(label, change({ recipe: next })),
  };
  return (
    <>
      <Row tight label="Name">
        <CommitField
          words
          label="Name of the recipe"
          className="w-40"
          value={recipe.name}
          onCommit={(name) => {
            commit('Name the recipe', change({ recipe: { ...recipe, name: name.slice(0, 60) } }));
            return undefined;
          }}
        />
        <Button
          onClick={() => {
            commit(`Keep ${recipe.name || 'a recipe'}`, keepRecipe(recipe));
            notify('done', `${recipe.name || 'The recipe'} is kept with the site.`);
          }}
        >
          Keep
        </Button>
        <Button
          onClick={() => {
            commit(
              'Split the recipe into layers',
              replaceLayer(
                picture.id,
                layer.id,
                stepsAt(layer).map((s) => ({ ...s, id: newId() })),
              ),
            );
            if (recipe.spare) {
              notify(
                'done',
                'The steps are layers of their own now, and reach greys and near-whites too. Undo puts the recipe back.',
              );
            }
          }}
        >
          Split into layers
        </Button>
      </Row>
      <NumberRow
        label="Strength"
        value={layer.opacity * 100}
        min={0}
        max={100}
        unit="%"
        onPreview={(v) => preview(change({ opacity: v / 100 }))}
        onCommit={(v) => commit(`Recipe at ${Math.round(v)}%`, change({ opacity: v / 100 }))}
      />
      <StepCards {...props} />
      <SelectedStep {...props} />
      <div className="flex items-center justify-between gap-2">
        <HuesTick {...props} />
        <SpareTick {...props} />
      </div>
      <AddStep {...props} />
    </>
  );
}
