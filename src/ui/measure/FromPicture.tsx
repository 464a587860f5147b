'use client';

import { useEffect, useState } from 'react';
import { hexOf } from '@/core/colour/hex';
import { mainColours, type MainColour } from '@/core/colour/palette';
import { borderColours, type BorderColour } from '@/core/measure/borders';
import { inspectPicture } from '@/core/measure/inspect';
import { kilobytes } from '@/core/readings/say';
import { wordsOf } from '@/core/refusal';
import { filesOf } from '../hooks/useIntake';
import { theEngine } from '../hooks/tab/engine';
import { Button, Hint } from '../shared/Button';
import { notify } from '../shared/notices';
import { FileDrop } from './FileDrop';
import type { Way } from './way';

interface InspectedPicture {
  readonly name: string;
  readonly format: string;
  readonly bytes: number;
  readonly width: number;
  readonly height: number;
  readonly borders: readonly BorderColour[];
  readonly colours: readonly MainColour[];
}

async function inspect(file: File): Promise<InspectedPicture> {
  const bytes = new Uint8Array(await file.arrayBuffer());
  const { format } = inspectPicture(file.name, bytes);
  const raster = await theEngine().decode(bytes);
  return {
    name: file.name,
    format: format.toUpperCase(),
    bytes: bytes.length,
    width: raster.width,
    height: raster.height,
    borders: borderColours(raster),
    colours: mainColours(raster),
  };
}

/** From the picture that is there now: dropped, chosen or pasted. */
export function FromPicture({ onMeasured, onColour }: Way) {
  const [looked, setLooked] = useState<InspectedPicture>();
  const [busy, setBusy] = useState<string>();
  const take = async (files: readonly File[]) => {
    const file = files[0];
    if (!file) {
      return;
    }
    setBusy(file.name);
    try {
      setLooked(await inspect(file));
    } catch (error) {
      notify('bad', wordsOf(error));
    }
    setBusy(undefined);
  };
  useEffect(() => {
    // While this is open, a pasted picture is measured and not laid in the slot.
    const paste = (event: ClipboardEvent) => {
      const files = filesOf(event.clipboardData);
      if (!files.length) {
        return;
      }
      event.preventDefault();
      event.stopImmediatePropagation();
      void take(files);
    };
    window.addEventListener('paste', paste, true);
    return () => window.removeEventListener('paste', paste, true);
  }, []);
  return (
    <div className="flex flex-col gap-2">
      <FileDrop
        label="Picture to measure"
        button="Choose a file"
        accept="image/*"
        busy={busy}
        onFiles={take}
      >
        Drop or paste the picture that is there now. It is only measured, not laid in the slot.
      </FileDrop>
      {looked && (
        <div className="flex flex-wrap items-center gap-x-5 gap-y-2">
          <BorderDrawing looked={looked} onColour={onColour} />
          <div className="min-w-0">
            <p className="truncate font-semibold" title={looked.name}>
              {looked.name}
            </p>
            <p className="figure">
              {looked.width} × {looked.height} px, {looked.format}, {kilobytes(looked.bytes)}
            </p>
            <Colours
              label="Main colours"
              list={looked.colours.map((c) => ({
                hex: hexOf(c.colour),
                words: `${Math.round(c.share * 100)}%`,
              }))}
              onColour={onColour}
            />
            <Button
              variant="main"
              className="mt-1.5"
              onClick={() =>
                onMeasured(
                  { width: looked.width, height: looked.height },
                  { from: 'picture', name: looked.name },
                )
              }
            >
              Take {looked.width} × {looked.height}
            </Button>
          </div>
        </div>
      )}
    </div>
  );
}

/** The picture's outline with the colour of each border along it. */
function BorderDrawing({
  looked,
  onColour,
}: {
  looked: InspectedPicture;
  onColour?: Way['onColour'];
}) {
  const at: Record<BorderColour['side'], string> = {
    top: 'top-0 left-1/2 -translate-x-1/2',
    bottom: 'bottom-0 left-1/2 -translate-x-1/2',
    left: 'left-0 top-1/2 -translate-y-1/2',
    right: 'right-0 top-1/2 -translate-y-1/2',
  };
  return (
    <div
      className="relative h-[104px] w-[230px]"
      role="group"
      aria-label="Colours along the borders"
    >
      <div className="absolute inset-x-[38px] inset-y-[26px] border border-line bg-sheet" />
      {looked.borders.map(({ side, colour, share }) => {
        const hex = colour && hexOf(colour);
        const words = hex
          ? `${hex}${share === 1 ? ', even' : `, ${Math.round(share * 100)}% of it, not even`}`
          : 'see-through';
        return (
          <Hint
            key={side}
            text={`${side} border: ${words}${hex && onColour ? '. Add it to the theme colours' : ''}`}
          >
            <button
              type="button"
              aria-label={`${side} border: ${words}`}
              disabled={!hex || !onColour}
              onClick={() => hex && onColour?.(hex)}
              className={`absolute figure ${at[side]} flex h-[22px] items-center gap-1 rounded-sm border border-line bg-white px-1 text-[10px]`}
            >
              <span
                className={`h-3 w-3 border border-black/15 ${hex ? '' : 'see-through'}`}
                style={{ background: hex }}
              />
              {hex ?? 'clear'}
            </button>
          </Hint>
        );
      })}
    </div>
  );
}

function Colours({
  label,
  list,
  onColour,
}: {
  label: string;
  list: readonly { hex: string; words: string }[];
  onColour?: Way['onColour'];
}) {
  return (
    <div role="group" aria-label={label} className="mt-1.5 flex">
      {list.map(({ hex, words }) => (
        <Hint key={hex} text={`${hex}, ${words}${onColour ? '. Add it to the theme colours' : ''}`}>
          <button
            type="button"
            aria-label={`${label}: ${hex}, ${words}`}
            disabled={!onColour}
            onClick={() => onColour?.(hex)}
            className="-ml-px h-6 w-9 border border-line first:ml-0"
            style={{ background: hex }}
          />
        </Hint>
      ))}
    </div>
  );
}
