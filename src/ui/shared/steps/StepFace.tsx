'use client';

import { useEffect, useRef } from 'react';
import { usualScale } from '@/core/layers/texture';
import type { TextureName } from '@/core/site/model/colourLayers';
import type { RecipeStep } from '@/core/site/model/recipe';
import { drawTexture } from '@/core/texture/textures';

/** A step of recolouring as it is told at a glance. */
export function StepFace({ step }: { step: RecipeStep }) {
  switch (step.kind) {
    case 'fill':
      return (
        <div className="h-full bg-board">
          <div className="h-full" style={{ background: step.colour, opacity: step.opacity }} />
        </div>
      );
    case 'tone':
      return (
        <div className="grid h-full grid-cols-4">
          {[0.25, 0.5, 0.75, 1].map((v) => (
            <div
              key={v}
              style={{
                background: `hsl(${30 + 20 * step.warmth} ${20 * step.saturation}% ${Math.min(100, v * 80 * step.brightness)}%)`,
              }}
            />
          ))}
        </div>
      );
    case 'twotone':
      return (
        <div
          className="h-full"
          style={{ background: `linear-gradient(90deg, ${step.dark}, ${step.light})` }}
        />
      );
    case 'hue':
      return (
        <div className="grid h-full grid-cols-3">
          {[0.35, 0.7, 1].map((v) => (
            <div key={v} style={{ background: step.colour, filter: `brightness(${v + 0.3})` }} />
          ))}
        </div>
      );
    case 'texture':
      return (
        <div className="grid h-full place-items-center bg-white">
          <TextureFace name={step.texture} />
        </div>
      );
  }
}

/** A texture as it looks, in ink on white. */
export function TextureFace({ name }: { name: TextureName }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const element = canvas.current;
    if (!element) {
      return;
    }
    const width = 54;
    const height = 24;
    const { data } = drawTexture(
      { texture: name, scale: Math.min(12, usualScale[name] * 1.2), contrast: 1, seed: 1 },
      width,
      height,
    );
    const image = new ImageData(width, height);
    for (let i = 0; i < data.length; i++) {
      image.data.set([35, 38, 43, Math.round(data[i] * 0.75)], i * 4);
    }
    element.getContext('2d')!.putImageData(image, 0, 0);
  }, [name]);
  return <canvas ref={canvas} aria-hidden width={54} height={24} className="mx-auto block" />;
}
