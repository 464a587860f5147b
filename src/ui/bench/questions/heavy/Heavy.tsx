'use client';

import { useState, type ComponentType } from 'react';
import { Switch } from '../../../shared/Switch';
import { ByHandFacet } from './ByHandFacet';
import { LightestFacet } from './LightestFacet';
import { LoadFacet } from './LoadFacet';
import { LighterOptionsFacet } from './LighterOptionsFacet';

type FacetName = 'lightest' | 'ways' | 'hand' | 'load';

const facets: readonly { value: FacetName; label: string; panel: ComponentType }[] = [
  { value: 'lightest', label: 'Lightest file', panel: LightestFacet },
  { value: 'ways', label: 'Ways down', panel: LighterOptionsFacet },
  { value: 'hand', label: 'By hand', panel: ByHandFacet },
  { value: 'load', label: 'Loading', panel: LoadFacet },
];

/**
 * How heavy: the lightest file is searched for, or set by hand; what its bytes mean for those who
 * load it.
 */
export function Heavy() {
  const [value, setValue] = useState<FacetName>('lightest');
  const Panel = facets.find((f) => f.value === value)!.panel;
  return (
    <div className="flex h-full min-h-0 flex-col gap-1.5">
      <div className="h-[26px] shrink-0">
        <Switch<FacetName>
          label="How the weight is looked at"
          value={value}
          onChange={setValue}
          choices={facets.map(({ value: v, label }) => ({ value: v, label }))}
        />
      </div>
      <div className="min-h-0 grow">
        <Panel />
      </div>
    </div>
  );
}
