'use client';

import { useState, type ComponentType } from 'react';
import { awaitedWords } from '@/core/layers/fitting';
import { isObject } from '@/core/layers/registry';
import type { ObjectLayer } from '@/core/site/model/layer';
import { Switch } from '../../../shared/Switch';
import { useSelecting } from '../../useBench';
import { AddPanel } from './AddPanel';
import { CropFacet } from './CropFacet';
import { CutOutFacet } from './CutOutFacet';
import { AddEffects, EffectsFacet } from './EffectsFacet';
import { LettersFacet } from './LettersFacet';
import { PlaceFacet } from './PlaceFacet';
import { SeveralPanel } from './SeveralPanel';
import { ShapeFacet } from './ShapeFacet';
import { WordsFacet } from './WordsFacet';

type FacetName = 'words' | 'letters' | 'place' | 'cutout' | 'crop' | 'shape' | 'effects';

interface Facet {
  readonly value: FacetName;
  readonly label: string;
}

const place: Facet = { value: 'place', label: 'Place' };
const effects: Facet = { value: 'effects', label: 'Effects' };

const facetsOf: Readonly<Record<ObjectLayer['kind'], readonly Facet[]>> = {
  text: [
    { value: 'words', label: 'Words' },
    { value: 'letters', label: 'Letters' },
    place,
    effects,
  ],
  photo: [place, { value: 'cutout', label: 'Cut-out' }, { value: 'crop', label: 'Crop' }, effects],
  shape: [{ value: 'shape', label: 'Shape' }, place, effects],
};

const panels = {
  words: WordsFacet,
  letters: LettersFacet,
  place: PlaceFacet,
  cutout: CutOutFacet,
  crop: CropFacet,
  shape: ShapeFacet,
  effects: EffectsFacet,
} as Readonly<Record<FacetName, ComponentType<{ layer: never }>>>;

/**
 * What on top: what is selected has its controls here, several at once too; with nothing selected,
 * what can be added.
 */
export function OnTop() {
  const { selection } = useSelecting();
  const objects = selection.filter(isObject);
  const layer = objects.at(-1);
  // The facet is kept from layer to layer, so that one thing can be done to several in a row.
  const [asked, setAsked] = useState<{ facet: FacetName; of?: string }>({ facet: 'words' });
  if (objects.length > 1) {
    return <SeveralPanel layers={objects} />;
  }
  if (!layer) {
    return <AddPanel />;
  }
  const facets = facetsOf[layer.kind];
  // A text without words of its own waits for them, whatever was done to others.
  if (layer.kind === 'text' && layer.words === awaitedWords && asked.of !== layer.id) {
    setAsked({ facet: 'words', of: layer.id });
  }
  const facet = facets.find((f) => f.value === asked.facet)?.value ?? facets[0].value;
  const Panel = panels[facet];
  return (
    <div className="flex h-full flex-col gap-1.5">
      <div className="flex h-[26px] shrink-0 items-center justify-between gap-2">
        <Switch<FacetName>
          label="Controls of the layer"
          value={facet}
          onChange={(to) => setAsked({ facet: to, of: layer.id })}
          choices={facets}
        />
        {facet === 'effects' ? (
          <AddEffects layer={layer} />
        ) : (
          layer.locked && <p className="truncate text-soft">Locked: the pointer leaves it alone</p>
        )}
      </div>
      <Panel key={layer.id} layer={layer as never} />
    </div>
  );
}
