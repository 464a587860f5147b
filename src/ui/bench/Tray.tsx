'use client';

import { lazy, Suspense } from 'react';
import { OnTop } from './questions/ontop/OnTop';
import { Part } from './questions/Part';
import { LayerCards } from './layers/LayerCards';
import { Readings } from './Readings';
import { useAsking } from './useBench';

/**
 * In the order of the questions. All are loaded when asked but the one a bench opens with, and the
 * one that words are typed in at once.
 */
const panels = [
  lazy(async () => ({ default: (await import('./questions/Size')).Size })),
  Part,
  lazy(async () => ({ default: (await import('./questions/Colour')).Colour })),
  OnTop,
  lazy(async () => ({ default: (await import('./questions/blend/Blend')).Blend })),
  lazy(async () => ({ default: (await import('./questions/heavy/Heavy')).Heavy })),
  lazy(async () => ({ default: (await import('./questions/HandOver')).HandOver })),
];

/** What acts on the picture, under it: its layers, the controls of the question, its readings. */
export function Tray({ onVersions }: { onVersions(): void }) {
  const { question } = useAsking();
  const Panel = panels[question - 1];
  return (
    <div
      data-tray
      className="grid h-[236px] shrink-0 grid-cols-[minmax(300px,31%)_minmax(360px,1fr)_minmax(300px,25%)] grid-rows-[100%] overflow-x-auto border-t border-ink bg-white"
    >
      <LayerCards onVersions={onVersions} />
      <div className="overflow-auto border-x border-hair px-3.5 py-2">
        <Suspense fallback={null}>
          <Panel />
        </Suspense>
      </div>
      <Readings />
    </div>
  );
}
