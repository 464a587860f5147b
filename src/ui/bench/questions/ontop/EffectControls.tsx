'use client';

import type {
  Effect,
  GlowEffect,
  OutlineEffect,
  ReliefEffect,
  ShadowEffect,
} from '@/core/site/model/effects';
import { awayFrom } from '@/core/effects/light';
import { usualHeight } from '@/core/effects/usualLight';
import { asLook, asStrong, lookOf, strengthOf, type ReliefLook } from '@/core/effects/relief';
import { farOf } from '@/core/effects/shadow';
import { Button } from '../../../shared/Button';
import { ColourField } from '../../../shared/ColourField';
import { NumberRow } from '../../../shared/NumberRow';
import { Row } from '../../../shared/Row';
import { Switch } from '../../../shared/Switch';
import { useEditing } from '../../useBench';

interface Given<E extends Effect> {
  effect: E;
  onPreview(change: Partial<E>): void;
  onCommit(label: string, change: Partial<E>): void;
}

/** Colour and opacity, which nearly all effects have. */
function Colouring<E extends ShadowEffect | GlowEffect | OutlineEffect>({
  title,
  effect,
  onPreview,
  onCommit,
}: Given<E> & { title: string }) {
  const { site } = useEditing();
  return (
    <>
      <div className="col-span-2">
        <Row label="Colour">
          <ColourField
            label={`${title} colour`}
            value={effect.colour}
            theme={site.theme.colours}
            onPreview={(colour) => onPreview({ colour } as Partial<E>)}
            onCommit={(colour) =>
              onCommit(`Colour of the ${title.toLowerCase()}`, { colour } as Partial<E>)
            }
          />
        </Row>
      </div>
      <NumberRow
        label="Opacity"
        value={effect.opacity * 100}
        min={0}
        max={100}
        unit="%"
        onPreview={(v) => onPreview({ opacity: v / 100 } as Partial<E>)}
        onCommit={(v) =>
          onCommit(`${title} at ${Math.round(v)}%`, { opacity: v / 100 } as Partial<E>)
        }
      />
    </>
  );
}

/** Where a shadow falls: away from the picture's light, or where its own numbers say. */
export function ShadowControls({ effect, onPreview, onCommit }: Given<ShadowEffect>) {
  const { picture } = useEditing();
  const px = (label: string, key: 'x' | 'y' | 'blur' | 'spread', min: number, max: number) => (
    <NumberRow
      label={label}
      value={effect[key]}
      min={min}
      max={max}
      unit="px"
      onPreview={(v) => onPreview({ [key]: Math.round(v) })}
      onCommit={(v) =>
        onCommit(`Shadow ${label.toLowerCase()} ${Math.round(v)} px`, { [key]: Math.round(v) })
      }
    />
  );
  const far = farOf(effect);
  return (
    <>
      <div className="col-span-2">
        <Row label="Falls">
          <Switch
            label="Where the shadow falls"
            value={effect.byLight ? 'light' : 'own'}
            choices={[
              { value: 'light', label: 'away from the light' },
              { value: 'own', label: 'where I say' },
            ]}
            onChange={(v) =>
              v === 'light'
                ? onCommit('A shadow away from the light', { byLight: true, x: 0, y: far })
                : onCommit('A shadow of its own', {
                    byLight: false,
                    ...awayFrom(far, picture.light),
                  })
            }
          />
        </Row>
      </div>
      {effect.byLight ? (
        <NumberRow
          label="Far"
          value={far}
          min={0}
          max={60}
          unit="px"
          onPreview={(v) => onPreview({ x: 0, y: Math.round(v) })}
          onCommit={(v) => onCommit(`Shadow ${Math.round(v)} px far`, { x: 0, y: Math.round(v) })}
        />
      ) : (
        <>
          {px('Right', 'x', -60, 60)}
          {px('Down', 'y', -60, 60)}
        </>
      )}
      {px('Soft', 'blur', 0, 80)}
      {px('Spread', 'spread', -20, 40)}
      <Colouring title="Shadow" effect={effect} onPreview={onPreview} onCommit={onCommit} />
    </>
  );
}

export function GlowControls({ effect, onPreview, onCommit }: Given<GlowEffect>) {
  return (
    <>
      <Row label="Side">
        <Switch
          label="Side of the glow"
          value={effect.side}
          choices={[
            { value: 'outside', label: 'outside' },
            { value: 'inside', label: 'inside' },
          ]}
          onChange={(side) => onCommit(`Glow ${side}`, { side })}
        />
      </Row>
      <NumberRow
        label="Size"
        value={effect.size}
        min={1}
        max={80}
        unit="px"
        onPreview={(size) => onPreview({ size })}
        onCommit={(size) => onCommit(`Glow ${Math.round(size)} px`, { size })}
      />
      <Colouring title="Glow" effect={effect} onPreview={onPreview} onCommit={onCommit} />
    </>
  );
}

export function OutlineControls({ effect, onPreview, onCommit }: Given<OutlineEffect>) {
  return (
    <>
      <Row label="Side">
        <Switch
          label="Side of the outline"
          value={effect.side}
          choices={[
            { value: 'inside', label: 'inside' },
            { value: 'centre', label: 'centre' },
            { value: 'outside', label: 'outside' },
          ]}
          onChange={(side) => onCommit(`Outline ${side}`, { side })}
        />
      </Row>
      <NumberRow
        label="Thickness"
        value={effect.width}
        min={0.5}
        max={40}
        step={0.5}
        digits={1}
        unit="px"
        onPreview={(width) => onPreview({ width })}
        onCommit={(width) => onCommit(`Outline ${width} px`, { width })}
      />
      <Colouring title="Outline" effect={effect} onPreview={onPreview} onCommit={onCommit} />
    </>
  );
}

const looks: readonly ReliefLook[] = ['raised', 'pressed in', 'engraved line'];

/** Depth by what one sees; its light is the picture's, its colours those of what lies there. */
export function ReliefControls({ effect, onPreview, onCommit }: Given<ReliefEffect>) {
  const kept = effect.direction !== null || effect.highlight !== null || effect.shade !== null;
  return (
    <>
      <div className="col-span-2">
        <Row label="Looks">
          <Switch<ReliefLook>
            label="How the relief looks"
            value={lookOf(effect)}
            choices={looks.map((value) => ({ value, label: value }))}
            onChange={(look) =>
              onCommit(`${look[0].toUpperCase()}${look.slice(1)}`, asLook(effect, look))
            }
          />
        </Row>
      </div>
      <NumberRow
        label="Strong"
        value={strengthOf(effect) * 100}
        min={5}
        max={100}
        unit="%"
        onPreview={(v) => onPreview(asStrong(effect, v / 100))}
        onCommit={(v) => onCommit(`Relief ${Math.round(v)}% strong`, asStrong(effect, v / 100))}
      />
      <NumberRow
        label="Soft"
        value={effect.softness}
        min={0}
        max={20}
        step={0.5}
        digits={1}
        unit="px"
        onPreview={(softness) => onPreview({ softness })}
        onCommit={(softness) => onCommit(`Relief softness ${softness} px`, { softness })}
      />
      <div className="col-span-2 flex items-center gap-2 text-soft">
        {kept ? (
          <>
            <Button
              onClick={() =>
                onCommit('Under the picture’s light', {
                  direction: null,
                  height: usualHeight,
                  highlight: null,
                  shade: null,
                })
              }
            >
              Under the picture’s light
            </Button>
            It has a light and colours of its own.
          </>
        ) : (
          'Drag the sun at the picture’s border to turn the light.'
        )}
      </div>
    </>
  );
}
