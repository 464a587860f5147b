'use client';

import { useState } from 'react';
import { addThemeColour, keepSize } from '@/core/site/edit';
import { isContent } from '@/core/slots/registry';
import { ownPlaceOf, pagesWith } from '@/core/site/pages';
import { resizeSlot } from '@/core/site/slots';
import { wayOf, ways } from '../../measure/ways';
import type { Way } from '../../measure/way';
import { Switch } from '../../shared/Switch';
import { useDrawn, useEditing } from '../useBench';
import { Behaviour } from './Behaviour';

/**
 * How big: the exact size, measured one way or another, and how a background behaves on the page.
 */
export function Size() {
  const { slot, site, commit } = useEditing();
  const { drawn } = useDrawn();
  const [way, setWay] = useState(wayOf(slot.measured));
  const Panel = ways.find((w) => w.id === way)?.Panel;
  const given: Way = {
    kind: slot.kind,
    page: pagesWith(site, slot)[0] ?? site.pages[0],
    size: slot,
    measured: slot.measured,
    ownSizes: site.ownSizes,
    onMeasured: (size, measured) =>
      commit(
        `Size ${size.width ?? slot.width} × ${size.height ?? slot.height}`,
        resizeSlot(slot.id, size, measured, drawn.getState().boxes),
      ),
    onKeepSize: (size) => commit(`Keep the size ${size.name}`, keepSize(size)),
    onColour: (hex) => commit(`Theme colour ${hex}`, addThemeColour(hex)),
  };
  // What the owner's own page has as a background can lie otherwise, whatever kind of slot it is.
  const own = ownPlaceOf(site, slot.id)?.place;
  const isLaid = own ? own.as === 'background' && slot.replaces !== null : !isContent(slot.kind);
  const choices = [
    ...ways.map((w) => ({ value: w.id, label: w.title })),
    ...(isLaid ? [{ value: 'behaviour', label: 'On the page' }] : []),
  ];
  return (
    <div className="flex flex-col gap-2">
      <Switch label="Measure by" value={way} onChange={setWay} choices={choices} />
      {Panel ? <Panel key={slot.id} {...given} /> : <Behaviour />}
    </div>
  );
}
