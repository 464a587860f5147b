'use client';

import { useState, type ComponentType } from 'react';
import type { Layer } from '@/core/site/model/layer';
import type { Picture } from '@/core/site/model/picture';
import type { Slot } from '@/core/site/model/slot';
import { isUnderContent } from '@/core/readings/repeats';
import { isContent, slotKind } from '@/core/slots/registry';
import { Switch } from '../../../shared/Switch';
import { useEditing, useSelecting } from '../../useBench';
import { CalmFacet } from './CalmFacet';
import { DividerFacet } from './DividerFacet';
import { FadeFacet } from './FadeFacet';
import { LegibilityFacet } from './LegibilityFacet';
import { ownPlaceOf } from '@/core/site/pages';
import type { Site } from '@/core/site/model/site';
import { OverlapFacet } from './OverlapFacet';
import { PageWordsFacet } from './PageWordsFacet';
import { RepeatFacet } from './RepeatFacet';
import { titleQuestion } from '@/core/readings/survey';
import { SeamFacet } from './SeamFacet';
import { StripFacet } from './StripFacet';
import { TitleFacet } from './TitleFacet';
import { WidthsFacet } from './WidthsFacet';

type FacetName =
  | 'seam'
  | 'fade'
  | 'overlap'
  | 'repeat'
  | 'strip'
  | 'divider'
  | 'words'
  | 'page words'
  | 'title'
  | 'widths'
  | 'calm';

interface Facet {
  readonly value: FacetName;
  readonly label: string;
  readonly panel: ComponentType;
  applies(slot: Slot, picture: Picture, site: Site): boolean;
  /** A layer whose controls are here. */
  owns?(layer: Layer): boolean;
}

const always = () => true;

const facets: readonly Facet[] = [
  { value: 'seam', label: 'Seam', panel: SeamFacet, applies: always },
  {
    value: 'fade',
    label: 'Fade',
    panel: FadeFacet,
    applies: always,
    owns: (l) => l.kind === 'fade',
  },
  {
    value: 'overlap',
    label: 'Overlap',
    panel: OverlapFacet,
    applies: (slot) => isContent(slot.kind),
  },
  {
    value: 'repeat',
    label: 'Repeat',
    panel: RepeatFacet,
    applies: (slot, picture) =>
      slot.repeat !== 'no-repeat' || picture.layers.some((l) => l.kind === 'join'),
    owns: (l) => l.kind === 'join',
  },
  {
    value: 'strip',
    label: 'Strip',
    panel: StripFacet,
    applies: (slot) => slotKind(slot.kind).strip,
  },
  {
    value: 'divider',
    label: 'Divider',
    panel: DividerFacet,
    applies: (slot) => slot.kind === 'divider',
    owns: (l) => l.kind === 'profile',
  },
  {
    value: 'words',
    label: 'Words',
    panel: LegibilityFacet,
    applies: (_slot, picture) => picture.layers.some((l) => l.kind === 'text'),
  },
  {
    value: 'page words',
    label: 'Page’s words',
    panel: PageWordsFacet,
    applies: (slot, _picture, site) => {
      const own = ownPlaceOf(site, slot.id)?.place;
      return own !== undefined && own.measured?.words !== false;
    },
  },
  {
    value: 'title',
    label: 'Title',
    panel: TitleFacet,
    applies: (slot, _picture, site) => titleQuestion(site, slot) !== null,
  },
  { value: 'widths', label: 'Widths', panel: WidthsFacet, applies: always },
  {
    value: 'calm',
    label: 'Calm',
    panel: CalmFacet,
    applies: (slot, picture) =>
      isUnderContent(slot) || picture.layers.some((l) => l.kind === 'blur'),
    owns: (l) => l.kind === 'blur',
  },
];

/** Layers whose controls are under this question. */
export const isBlendLayer = (layer: Layer): boolean => facets.some((f) => f.owns?.(layer));

/**
 * Does it blend: edges, joins, ends, words, widths. A layer that belongs here and is selected
 * brings its own controls to the front.
 */
export function Blend() {
  const { site, slot, picture } = useEditing();
  const { selected } = useSelecting();
  const [asked, setAsked] = useState<{ facet: FacetName; layer: string | undefined }>();
  const list = facets.filter((f) => f.applies(slot, picture, site));
  const owner = selected && list.find((f) => f.owns?.(selected));
  // What was asked for counts until another layer is selected.
  const facet =
    list.find((f) => f.value === asked?.facet && (!owner || asked.layer === selected?.id)) ??
    owner ??
    list[0];
  const Panel = facet.panel;
  return (
    <div className="flex h-full min-h-0 flex-col gap-1.5">
      <div className="h-[26px] shrink-0">
        <Switch<FacetName>
          label="What is looked at"
          value={facet.value}
          onChange={(value) => setAsked({ facet: value, layer: selected?.id })}
          choices={list.map(({ value, label }) => ({ value, label }))}
        />
      </div>
      <div className="min-h-0 grow">
        <Panel />
      </div>
    </div>
  );
}
