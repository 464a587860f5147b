'use client';

import type { ReactElement } from 'react';
import clsx from 'clsx';
import { areaBelow, profilesOf } from '@/core/divider/profile';
import { activeSteps } from '@/core/recolour/activeSteps';
import type { ProfileLayer } from '@/core/site/model/blendLayers';
import type { Layer } from '@/core/site/model/layer';
import type { ShapeLayer } from '@/core/site/model/objectLayers';
import type { Ground } from '@/core/site/model/picture';
import { faceName } from '@/core/text/fonts';
import { useSmallPicture } from '../../hooks/useSmallPicture';
import { StepFace } from '../../shared/steps/StepFace';

/** A ground as the browser can draw it on a card. */
function groundCss(ground: Exclude<Ground, { type: 'none' }>): string {
  if (ground.type === 'colour') {
    return ground.colour;
  }
  const stops = [...ground.stops]
    .sort((a, b) => a.at - b.at)
    .map((s) => `${s.colour} ${s.at * 100}%`)
    .join(', ');
  return ground.shape === 'radial'
    ? `radial-gradient(in ${ground.space}, ${stops})`
    : `linear-gradient(${ground.angle}deg in ${ground.space}, ${stops})`;
}

export const GroundFace = ({ ground }: { ground: Ground }) => (
  <div
    className={clsx('h-full', ground.type === 'none' && 'see-through')}
    style={ground.type === 'none' ? undefined : { background: groundCss(ground) }}
  />
);

/** A layer as it is told at a glance. */
export function LayerFace({ layer, backdrop }: { layer: Layer; backdrop: string }): ReactElement {
  switch (layer.kind) {
    case 'photo':
      return (
        <div className={clsx('h-full', layer.cutOut && 'see-through')}>
          <PhotoFace assetId={layer.assetId} whole={layer.cutOut !== null} />
        </div>
      );
    case 'fill':
    case 'tone':
    case 'twotone':
    case 'hue':
    case 'texture':
      return <StepFace step={layer} />;
    case 'recipe':
      return (
        <div className="flex h-full bg-white">
          {activeSteps(layer.recipe)
            .slice(0, 4)
            .map((step) => (
              <div
                key={step.id}
                className="min-w-0 grow overflow-hidden border-r border-hair last:border-0"
              >
                <StepFace step={step} />
              </div>
            ))}
        </div>
      );
    case 'fade':
      return (
        <div className="h-full see-through">
          <div
            className="h-full"
            style={{
              background: layer.into ?? '#8b9095',
              maskImage: `linear-gradient(90deg, ${layer.into === null ? 'transparent, #000 40%, #000 60%, transparent' : '#000, transparent 40%, transparent 60%, #000'})`,
            }}
          />
        </div>
      );
    case 'join':
      return (
        <div className="grid h-full grid-cols-2 bg-white">
          {[0, 1].map((i) => (
            <div key={i} className="border-r border-dashed border-soft bg-board/50 last:border-0" />
          ))}
        </div>
      );
    case 'blur':
      return (
        <div className="grid h-full place-items-center bg-white">
          <div
            className="h-4 w-4 rounded-full bg-ink"
            style={{ filter: `blur(${Math.min(5, 1 + layer.radius / 3)}px)` }}
          />
        </div>
      );
    case 'profile':
      return (
        <div className="h-full" style={{ background: backdrop }}>
          <ProfileFace layer={layer} />
        </div>
      );
    case 'shape':
      return (
        <div className="grid h-full place-items-center" style={{ background: backdrop }}>
          <ShapeFace shape={layer} />
        </div>
      );
    case 'text':
      return (
        <div
          className="flex h-full items-center justify-center overflow-hidden whitespace-nowrap"
          style={{
            background: backdrop,
            color: layer.colour,
            fontFamily: `"${faceName(layer.font)}"`,
            fontWeight: layer.weight,
            fontStyle: layer.italic ? 'italic' : undefined,
            fontSize: 13,
          }}
        >
          {layer.words.split('\n')[0]}
        </div>
      );
  }
}

function ProfileFace({ layer }: { layer: ProfileLayer }) {
  const size = { width: 68, height: 40 };
  return (
    <svg aria-hidden className="h-full w-full" viewBox="0 0 68 40" preserveAspectRatio="none">
      {profilesOf({ ...layer, count: Math.min(layer.count, 4) }, size).map(
        ({ line, opacity }, i) => (
          <polygon
            key={i}
            fill={layer.colour}
            fillOpacity={opacity}
            points={areaBelow(line, size)
              .map(({ x, y }) => `${x},${y}`)
              .join(' ')}
          />
        ),
      )}
    </svg>
  );
}

function ShapeFace({ shape }: { shape: ShapeLayer }) {
  const outline = shape.effects.find((e) => e.kind === 'outline');
  const k = Math.min(44 / shape.width, 28 / shape.height);
  const width = Math.max(2, shape.width * k);
  const height = Math.max(2, shape.height * k);
  return (
    <div
      style={{
        width: shape.shape === 'band' ? 56 : width,
        height,
        background: shape.fill ?? undefined,
        border: outline ? `2px solid ${outline.colour}` : undefined,
        borderRadius: shape.shape === 'ellipse' ? '50%' : shape.radius * k,
        transform: `rotate(${shape.turn}deg)`,
      }}
    />
  );
}

export function PhotoFace({ assetId, whole = false }: { assetId: string; whole?: boolean }) {
  const url = useSmallPicture(assetId);
  return url ? (
    <img
      src={url}
      alt=""
      draggable={false}
      className={clsx('h-full w-full', whole ? 'object-contain' : 'object-cover')}
    />
  ) : (
    <div className="h-full bg-board" />
  );
}
