'use client';

import { Dices } from 'lucide-react';
import { useEffect, useRef } from 'react';
import { usualScale } from '@/core/layers/texture';
import { blendModes, type BlendMode } from '@/core/raster/blend';
import { editLayer } from '@/core/site/edit';
import type { TextureLayer, TextureName } from '@/core/site/model';
import { drawTexture, textureNames } from '@/core/texture/textures';
import { IconButton } from '../../../shared/Button';
import { ColourField } from '../../../shared/ColourField';
import { Choose, NumberRow, Row } from '../../../shared/fields';
import { useBench } from '../../useBench';

export function TextureControls({ texture }: { texture: TextureLayer }) {
  const { picture, site, commit, preview } = useBench();
  const change = (part: Partial<TextureLayer>) => editLayer<TextureLayer>(picture.id, texture.id, part);
  return (
    <>
      <div role="radiogroup" aria-label="Texture" className="flex gap-1">
        {textureNames.map((name) => (
          <button key={name} type="button" role="radio" aria-checked={name === texture.texture} onClick={() => commit(`Texture: ${name}`, change({ texture: name, scale: usualScale[name] }))} className="w-[60px] rounded-sm border border-line bg-white p-0.5 text-center text-[11px] hover:border-soft aria-checked:border-act aria-checked:bg-act-wash">
            <TextureFace name={name} />{name}
          </button>
        ))}
      </div>
      <div className="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)] gap-x-4 [&_label]:w-[72px]">
        <NumberRow label="Strength" value={texture.opacity * 100} min={0} max={100} unit="%" onPreview={(v) => preview(change({ opacity: v / 100 }))} onCommit={(v) => commit(`Texture at ${Math.round(v)}%`, change({ opacity: v / 100 }))} />
        <NumberRow label="Contrast" value={texture.contrast * 100} min={0} max={100} unit="%" onPreview={(v) => preview(change({ contrast: v / 100 }))} onCommit={(v) => commit(`Contrast ${Math.round(v)}%`, change({ contrast: v / 100 }))} />
        <NumberRow label="Scale" value={texture.scale} min={1} max={120} unit="px" onPreview={(v) => preview(change({ scale: v }))} onCommit={(v) => commit(`Scale ${Math.round(v)} px`, change({ scale: v }))} />
        <Row label="Blend mode">
          <Choose<BlendMode> label="Blend mode" className="min-w-0 grow" value={texture.blend} choices={blendModes.map((value) => ({ value, label: value }))} onChange={(blend) => commit(`Blend ${blend}`, change({ blend }))} />
          <IconButton label={`Another seed, now ${texture.seed}`} className="w-7" onClick={() => commit('Another seed', change({ seed: texture.seed + 1 }))}><Dices size={14} /></IconButton>
        </Row>
      </div>
      <Row label="Colour"><ColourField label="Texture colour" value={texture.colour} theme={site.theme.colours} onPreview={(colour) => preview(change({ colour }))} onCommit={(colour) => commit('Colour of the texture', change({ colour }))} /></Row>
    </>
  );
}

/** A texture as it looks, in ink on white. */
export function TextureFace({ name }: { name: TextureName }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const element = canvas.current;
    if (!element) return;
    const width = 54, height = 24, { data } = drawTexture({ texture: name, scale: Math.min(12, usualScale[name] * 1.2), contrast: 1, seed: 1 }, width, height), image = new ImageData(width, height);
    for (let i = 0; i < data.length; i++) image.data.set([35, 38, 43, Math.round(data[i] * 0.75)], i * 4);
    element.getContext('2d')!.putImageData(image, 0, 0);
  }, [name]);
  return <canvas ref={canvas} aria-hidden width={54} height={24} className="mx-auto block" />;
}
