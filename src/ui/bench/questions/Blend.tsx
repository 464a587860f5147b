'use client';

import { useEffect, useRef, useState } from 'react';
import { colourOf } from '@/core/colour/parse';
import { createRaster, type Raster, type Rgb } from '@/core/raster/raster';
import { composite, fillRect } from '@/core/raster/composite';
import { edgeDifference, sides } from '@/core/seam/edges';
import { editSlot } from '@/core/site/edit';
import type { Side } from '@/core/site/model';
import { ColourField } from '../../shared/ColourField';
import { Group, Switch } from '../../shared/fields';
import { useBench } from '../useBench';

/** Picture px shown of each edge, along it and on each side of it. */
const along = 14, deep = 5;

/** Both sides of an edge at its worst place: the page's colour, and the file's pixels over it. */
function edgePatch(file: Raster, side: Side, beside: Rgb): Raster {
  const level = side === 'top' || side === 'bottom', { at } = edgeDifference(file, side, beside);
  const patch = level ? createRaster(along, deep * 2) : createRaster(deep * 2, along);
  fillRect(patch, beside);
  const start = Math.max(0, Math.min((level ? file.width : file.height) - along, at - along / 2));
  const x = side === 'left' ? deep : side === 'right' ? deep - file.width : -Math.round(start);
  const y = side === 'top' ? deep : side === 'bottom' ? deep - file.height : -Math.round(start);
  composite(patch, { type: 'raster', raster: file, x, y });
  return patch;
}

/** Does it blend: each edge of the pressed file against what lies beside it. */
export function Blend() {
  const { slot, site, press, readings, commit, preview } = useBench();
  const [side, setSide] = useState<Side>(sides.find((s) => slot.beside[s] !== null) ?? 'top');
  const beside = slot.beside[side];
  const setBeside = (hex: string | null) => editSlot(slot.id, (s) => { s.beside[side] = hex; });
  return (
    <div className="flex gap-5">
      <Group title="Seam, enlarged, after pressing" className="shrink-0">
        <ul className="grid grid-cols-2 gap-1.5">
          {sides.map((s) => (
            <li key={s}>
              <button type="button" aria-pressed={s === side} onClick={() => setSide(s)} className="block w-[124px] rounded-sm border border-line bg-sheet p-1 text-left hover:border-soft aria-pressed:border-act aria-pressed:bg-act-wash">
                <Patch file={press.file?.decoded} side={s} hex={slot.beside[s]} />
                <span className="mt-0.5 flex justify-between"><span>{s}</span><span className="figure">{readings.find((r) => r.id === `seam-${s}`)?.figure ?? '–'}</span></span>
              </button>
            </li>
          ))}
        </ul>
      </Group>
      <Group title={`Beside the ${side} edge`} className="grow">
        <Switch
          label={`Beside the ${side} edge`} value={beside === null ? 'nothing' : 'colour'} choices={[{ value: 'colour', label: 'A colour' }, { value: 'nothing', label: 'Nothing to match' }]}
          onChange={(v) => commit(`What lies beside the ${side} edge`, setBeside(v === 'nothing' ? null : site.theme.colours[0]?.hex ?? '#ffffff'))}
        />
        {beside !== null && <ColourField label={`Colour beside the ${side} edge`} value={beside} theme={site.theme.colours} onPreview={(hex) => preview(setBeside(hex))} onCommit={(hex) => commit(`Colour beside the ${side} edge`, setBeside(hex))} />}
        <p className="text-soft">{readings.find((r) => r.id === `seam-${side}`)?.words ?? 'The page goes on here without a colour to meet.'}</p>
      </Group>
    </div>
  );
}

function Patch({ file, side, hex }: { file: Raster | undefined; side: Side; hex: string | null }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const element = canvas.current;
    if (!element || !file || hex === null) return;
    const patch = edgePatch(file, side, colourOf(hex));
    element.width = patch.width;
    element.height = patch.height;
    element.getContext('2d')!.putImageData(new ImageData(patch.data, patch.width, patch.height), 0, 0);
  }, [file, side, hex]);
  return hex === null || !file
    ? <span className="grid h-11 place-items-center text-soft">{hex === null ? 'nothing beside' : 'no file yet'}</span>
    : <canvas ref={canvas} aria-hidden className="h-11 w-full" style={{ imageRendering: 'pixelated' }} />;
}
