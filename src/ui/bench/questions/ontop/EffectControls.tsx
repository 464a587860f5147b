'use client';

import type {
  Effect,
  GlowEffect,
  OutlineEffect,
  ReliefEffect,
  ShadowEffect,
} from '@/core/site/model/effects';
import { ColourField } from '../../../shared/ColourField';
import { NumberRow } from '../../../shared/NumberRow';
import { Row } from '../../../shared/Row';
import { Switch } from '../../../shared/Switch';
import { useEditing } from '../../useBench';
import { LightDial } from './LightDial';

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

export function ShadowControls({ effect, onPreview, onCommit }: Given<ShadowEffect>) {
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
  return (
    <>
      {px('Right', 'x', -60, 60)}
      {px('Down', 'y', -60, 60)}
      {px('Blur', 'blur', 0, 80)}
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

export function ReliefControls({ effect, onPreview, onCommit }: Given<ReliefEffect>) {
  const { site } = useEditing();
  const theme = site.theme.colours;
  return (
    <div className="col-span-2 flex flex-col gap-1">
      <div className="flex items-center gap-3">
        <LightDial
          direction={effect.direction}
          height={effect.height}
          onPreview={onPreview}
          onCommit={(change) => onCommit('Light of the relief', change)}
        />
        <div className="grid min-w-0 grow grid-cols-[minmax(0,1fr)_minmax(0,1fr)] gap-x-3 [&_label]:w-[56px]">
          <NumberRow
            label="Depth"
            value={effect.depth}
            min={-30}
            max={30}
            step={0.5}
            digits={1}
            unit="px"
            onPreview={(depth) => onPreview({ depth })}
            onCommit={(depth) =>
              onCommit(`Relief ${depth} px ${depth < 0 ? 'deep' : 'high'}`, { depth })
            }
          />
          <NumberRow
            label="Softness"
            value={effect.softness}
            min={0}
            max={20}
            step={0.5}
            digits={1}
            unit="px"
            onPreview={(softness) => onPreview({ softness })}
            onCommit={(softness) => onCommit(`Relief softness ${softness} px`, { softness })}
          />
          <NumberRow
            label="Light"
            value={effect.direction}
            min={0}
            max={360}
            unit="°"
            onPreview={(direction) => onPreview({ direction })}
            onCommit={(direction) =>
              onCommit(`Light from ${Math.round(direction)}°`, { direction })
            }
          />
          <NumberRow
            label="Height"
            value={effect.height}
            min={5}
            max={85}
            unit="°"
            onPreview={(height) => onPreview({ height })}
            onCommit={(height) =>
              onCommit(`Light at a height of ${Math.round(height)}°`, { height })
            }
          />
          <NumberRow
            label="Strength"
            value={effect.opacity * 100}
            min={0}
            max={100}
            unit="%"
            onPreview={(v) => onPreview({ opacity: v / 100 })}
            onCommit={(v) => onCommit(`Relief at ${Math.round(v)}%`, { opacity: v / 100 })}
          />
        </div>
      </div>
      <div className="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)] gap-x-3 [&_label]:w-[56px]">
        <Row tight label="Highlight">
          <ColourField
            compact
            label="Highlight"
            value={effect.highlight}
            theme={theme}
            onPreview={(highlight) => onPreview({ highlight })}
            onCommit={(highlight) => onCommit('Highlight of the relief', { highlight })}
          />
        </Row>
        <Row tight label="Shade">
          <ColourField
            compact
            label="Shade"
            value={effect.shade}
            theme={theme}
            onPreview={(shade) => onPreview({ shade })}
            onCommit={(shade) => onCommit('Shade of the relief', { shade })}
          />
        </Row>
      </div>
    </div>
  );
}
