'use client';

import { Blend } from './questions/blend/Blend';
import { Colour } from './questions/Colour';
import { HandOver } from './questions/HandOver';
import { Heavy } from './questions/heavy/Heavy';
import { Part } from './questions/Part';
import { Size } from './questions/Size';
import { OnTop } from './questions/ontop/OnTop';
import { LayerCards } from './layers/LayerCards';
import { Readings } from './Readings';
import { useAsking } from './useBench';

const panels = [Size, Part, Colour, OnTop, Blend, Heavy, HandOver];

/** What acts on the picture, under it: its layers, the controls of the question, its readings. */
export function Tray() {
  const { question } = useAsking();
  const Panel = panels[question - 1];
  return (
    <div
      data-tray
      className="grid h-[236px] shrink-0 grid-cols-[minmax(300px,31%)_minmax(0,1fr)_minmax(300px,25%)] grid-rows-[100%] border-t border-ink bg-white"
    >
      <LayerCards />
      <div className="overflow-auto border-x border-hair px-3.5 py-2">
        <Panel />
      </div>
      <Readings />
    </div>
  );
}
