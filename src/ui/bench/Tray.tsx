'use client';

import clsx from 'clsx';
import { lazy, Suspense, useEffect, useRef, useState } from 'react';
import { Button } from '../shared/Button';
import { focusPlain } from '../shared/useKeptFocus';
import { useLow } from '../shared/useLow';
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
export function Tray(props: { onVersions(): void }) {
  return useLow() ? <LowTray {...props} /> : <FullTray {...props} />;
}

/** The controls of the question that is asked. */
function Asked() {
  const { question, times } = useAsking();
  const Panel = panels[question - 1];
  const heading = useRef<HTMLHeadingElement>(null);
  useEffect(() => {
    // Keys go on at the controls that were asked for, unless something of the screen has them.
    if (times > 0 && document.activeElement?.contains(heading.current)) {
      focusPlain(heading.current!);
    }
  }, [times]);
  return (
    <>
      <h2 ref={heading} className="sr-only">
        Controls
      </h2>
      <Suspense fallback={null}>
        <Panel />
      </Suspense>
    </>
  );
}

function FullTray({ onVersions }: { onVersions(): void }) {
  return (
    <div
      data-tray
      className="grid h-[236px] shrink-0 grid-cols-[minmax(300px,31%)_minmax(360px,1fr)_minmax(300px,25%)] grid-rows-[100%] overflow-x-auto border-t border-ink bg-white"
    >
      <LayerCards onVersions={onVersions} />
      <section aria-label="Controls" className="overflow-auto border-x border-hair px-3.5 py-2">
        <Asked />
      </section>
      <Readings />
    </div>
  );
}

type Sheet = 'layers' | 'controls' | 'readings';

const sheets: readonly (readonly [Sheet, string])[] = [
  ['layers', 'Layers'],
  ['controls', 'Controls'],
  ['readings', 'Readings'],
];

/**
 * In a low or narrow window the picture keeps the room, and what acts on it comes over it when it is
 * asked for: layers and controls as a sheet from below, readings as a drawer from the side.
 */
function LowTray({ onVersions }: { onVersions(): void }) {
  const { question } = useAsking();
  const [open, setOpen] = useState<Sheet>();
  const [asked, setAsked] = useState(question);
  if (asked !== question) {
    // Whoever asks wants the controls.
    setAsked(question);
    setOpen('controls');
  }
  return (
    <div data-tray className="relative shrink-0 border-t border-ink bg-white">
      {open && (
        <div
          // Layers and readings are sections of their own.
          role={open === 'controls' ? 'region' : undefined}
          aria-label={open === 'controls' ? 'Controls' : undefined}
          className={clsx(
            'absolute bottom-full z-30 overflow-auto border-t border-ink bg-white',
            open === 'readings'
              ? 'right-0 h-[calc(100vh-128px)] w-[min(320px,100vw)] border-l'
              : 'inset-x-0 h-[min(236px,calc(100vh-150px))]',
            open === 'controls' && 'px-3.5 py-2',
          )}
        >
          {open === 'layers' && <LayerCards onVersions={onVersions} />}
          {open === 'controls' && <Asked />}
          {open === 'readings' && <Readings />}
        </div>
      )}
      <div className="flex h-[34px] items-center justify-center gap-1.5 px-2">
        {sheets.map(([sheet, label]) => (
          <Button
            key={sheet}
            aria-expanded={open === sheet}
            aria-pressed={open === sheet}
            onClick={() => setOpen(open === sheet ? undefined : sheet)}
          >
            {label}
          </Button>
        ))}
      </div>
    </div>
  );
}
