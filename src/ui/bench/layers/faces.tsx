'use client';

import clsx from 'clsx';
import type { Ground, Layer, ShapeLayer } from '@/core/site/model';
import { faceName } from '@/core/text/fonts';
import { useAssetUrl } from '../../hooks/useAssetUrl';
import { TextureFace } from '../questions/colour/TextureControls';

/** A ground as the browser can draw it on a card. */
function groundCss(ground: Exclude<Ground, { type: 'none' }>): string {
  if (ground.type === 'colour') return ground.colour;
  const stops = [...ground.stops].sort((a, b) => a.at - b.at).map((s) => `${s.colour} ${s.at * 100}%`).join(', ');
  return ground.shape === 'radial' ? `radial-gradient(in ${ground.space}, ${stops})` : `linear-gradient(${ground.angle}deg in ${ground.space}, ${stops})`;
}

export const GroundFace = ({ ground }: { ground: Ground }) => <div className={clsx('h-full', ground.type === 'none' && 'see-through')} style={ground.type === 'none' ? undefined : { background: groundCss(ground) }} />;

/** A layer as it is told at a glance. */
export function LayerFace({ layer, backdrop }: { layer: Layer; backdrop: string }) {
  switch (layer.kind) {
    case 'photo': return <div className={clsx('h-full', layer.cutOut && 'see-through')}><PhotoFace assetId={layer.assetId} whole={layer.cutOut !== null} /></div>;
    case 'fill': return <div className="h-full bg-board"><div className="h-full" style={{ background: layer.colour, opacity: layer.opacity }} /></div>;
    case 'tone': return <div className="grid h-full grid-cols-4">{[0.25, 0.5, 0.75, 1].map((v) => <div key={v} style={{ background: `hsl(${30 + 20 * layer.warmth} ${20 * layer.saturation}% ${Math.min(100, v * 80 * layer.brightness)}%)` }} />)}</div>;
    case 'twotone': return <div className="h-full" style={{ background: `linear-gradient(90deg, ${layer.dark}, ${layer.light})` }} />;
    case 'hue': return <div className="grid h-full grid-cols-3">{[0.35, 0.7, 1].map((v) => <div key={v} style={{ background: layer.colour, filter: `brightness(${v + 0.3})` }} />)}</div>;
    case 'texture': return <div className="grid h-full place-items-center bg-white"><TextureFace name={layer.texture} /></div>;
    case 'shape': return <div className="grid h-full place-items-center" style={{ background: backdrop }}><ShapeFace shape={layer} /></div>;
    case 'text': return (
      <div className="flex h-full items-center justify-center overflow-hidden whitespace-nowrap" style={{ background: backdrop, color: layer.colour, fontFamily: `"${faceName(layer.font)}"`, fontWeight: layer.weight, fontStyle: layer.italic ? 'italic' : undefined, fontSize: 13 }}>
        {layer.words.split('\n')[0]}
      </div>
    );
  }
}

function ShapeFace({ shape }: { shape: ShapeLayer }) {
  const outline = shape.effects.find((e) => e.kind === 'outline'), k = Math.min(44 / shape.width, 28 / shape.height), width = Math.max(2, shape.width * k), height = Math.max(2, shape.height * k);
  return <div style={{ width: shape.shape === 'band' ? 56 : width, height, background: shape.fill ?? undefined, border: outline ? `2px solid ${outline.colour}` : undefined, borderRadius: shape.shape === 'ellipse' ? '50%' : shape.radius * k, transform: `rotate(${shape.turn}deg)` }} />;
}

export function PhotoFace({ assetId, whole = false }: { assetId: string; whole?: boolean }) {
  const url = useAssetUrl(assetId);
  // A plain image of the owner's own bytes; there is nothing for a server to make smaller.
  // eslint-disable-next-line @next/next/no-img-element
  return url ? <img src={url} alt="" draggable={false} className={clsx('h-full w-full', whole ? 'object-contain' : 'object-cover')} /> : <div className="h-full bg-board" />;
}
