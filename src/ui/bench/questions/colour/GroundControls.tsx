'use client';

import { Plus, X } from 'lucide-react';
import { hexOf } from '@/core/colour/hex';
import { gradientColour } from '@/core/raster/gradient';
import { editPicture } from '@/core/site/edit';
import { slotKind } from '@/core/slots/registry';
import type { GradientGround, Ground } from '@/core/site/model/picture';
import { Button, IconButton } from '../../../shared/Button';
import { ColourField } from '../../../shared/ColourField';
import { CommitField } from '../../../shared/CommitField';
import { NumberRow } from '../../../shared/NumberRow';
import { Switch } from '../../../shared/Switch';
import { useEditing } from '../../useBench';
import { useState } from 'react';

/** The colour, gradient or nothing that lies under everything. */
export function GroundControls() {
  const { picture, site, slot, commit, preview } = useEditing();
  const { ground } = picture;
  const theme = site.theme.colours;
  const set = (next: Ground) =>
    editPicture(picture.id, (p) => {
      p.ground = next as typeof p.ground;
    });
  const first = theme[0]?.hex ?? '#3b4a45';
  const second = theme[1]?.hex ?? '#efe9dc';
  const of = (type: Ground['type']): Ground => {
    if (type === 'none') {
      return { type };
    }
    if (type === 'colour') {
      return { type, colour: ground.type === 'gradient' ? ground.stops[0].colour : first };
    }
    const from = ground.type === 'colour' ? ground.colour : first;
    return {
      type,
      shape: 'linear',
      angle: slotKind(slot.kind).coloured ? 180 : 90,
      space: 'oklch',
      stops: [
        { at: 0, colour: from },
        { at: 1, colour: from === second ? first : second },
      ],
    };
  };
  return (
    <>
      <Switch<Ground['type']>
        label="Ground"
        value={ground.type}
        choices={[
          { value: 'colour', label: 'Colour' },
          { value: 'gradient', label: 'Gradient' },
          { value: 'none', label: 'See-through' },
        ]}
        onChange={(type) =>
          commit(`Ground ${type === 'none' ? 'see-through' : `a ${type}`}`, set(of(type)))
        }
      />
      {ground.type === 'colour' && (
        <ColourField
          label="Ground colour"
          value={ground.colour}
          theme={theme}
          onPreview={(colour) => preview(set({ type: 'colour', colour }))}
          onCommit={(colour) => commit('Change the ground', set({ type: 'colour', colour }))}
        />
      )}
      {ground.type === 'gradient' && (
        <GradientControls
          ground={ground}
          onPreview={(g) => preview(set(g))}
          onCommit={(label, g) => commit(label, set(g))}
        />
      )}
      {ground.type === 'none' && (
        <p className="text-soft">
          What lies on the page shows through. WebP and PNG keep it; a JPEG lies on white.
        </p>
      )}
    </>
  );
}

function GradientControls({
  ground,
  onPreview,
  onCommit,
}: {
  ground: GradientGround;
  onPreview(g: GradientGround): void;
  onCommit(label: string, g: GradientGround): void;
}) {
  const { site } = useEditing();
  const [chosen, setChosen] = useState(0);
  const at = Math.min(chosen, ground.stops.length - 1);
  const stop = ground.stops[at];
  const withStop = (part: Partial<typeof stop>): GradientGround => ({
    ...ground,
    stops: ground.stops.map((s, i) => (i === at ? { ...s, ...part } : s)),
  });
  const css = `linear-gradient(90deg in ${ground.space}, ${[...ground.stops]
    .sort((a, b) => a.at - b.at)
    .map((s) => `${s.colour} ${s.at * 100}%`)
    .join(', ')})`;
  const add = () => {
    const stops = [...ground.stops].sort((a, b) => a.at - b.at);
    const gaps = stops.slice(1).map((s, i) => ({ from: stops[i].at, to: s.at }));
    const widest = gaps.reduce((a, b) => (b.to - b.from > a.to - a.from ? b : a));
    const middle = (widest.from + widest.to) / 2;
    onCommit('Add a colour to the gradient', {
      ...ground,
      stops: [...stops, { at: middle, colour: hexOf(gradientColour(ground, middle)) }],
    });
    setChosen(stops.length);
  };
  return (
    <>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <Switch
          label="Shape of the gradient"
          value={ground.shape}
          choices={[
            { value: 'linear', label: 'linear' },
            { value: 'radial', label: 'radial' },
          ]}
          onChange={(shape) => onCommit(`A ${shape} gradient`, { ...ground, shape })}
        />
        <Switch
          label="Mixed in"
          value={ground.space}
          choices={[
            { value: 'oklch', label: 'OKLCH' },
            { value: 'srgb', label: 'sRGB' },
          ]}
          onChange={(space) => onCommit(`Mixed in ${space}`, { ...ground, space })}
        />
        <div className="flex min-w-40 grow items-center gap-1.5">
          <div
            className="relative h-[26px] grow border border-line"
            style={{ background: css }}
            role="group"
            aria-label="Colours of the gradient"
          >
            {ground.stops.map((s, i) => (
              <button
                key={i}
                type="button"
                aria-label={`Colour ${i + 1}: ${s.colour} at ${Math.round(s.at * 100)}%`}
                aria-pressed={i === at}
                onClick={() => setChosen(i)}
                className="absolute -top-1 h-[34px] w-2.5 -translate-x-1/2 rounded-sm border border-ink bg-white aria-pressed:border-2 aria-pressed:border-act"
                style={{ left: `${s.at * 100}%` }}
              />
            ))}
          </div>
          <IconButton
            label="Add a colour to the gradient"
            className="w-7"
            disabled={ground.stops.length >= 16}
            onClick={add}
          >
            <Plus size={13} />
          </IconButton>
          <IconButton
            label="Remove this colour"
            className="w-7"
            disabled={ground.stops.length <= 2}
            onClick={() => {
              onCommit('Remove a colour of the gradient', {
                ...ground,
                stops: ground.stops.filter((_, i) => i !== at),
              });
              setChosen(0);
            }}
          >
            <X size={13} />
          </IconButton>
        </div>
      </div>
      {ground.shape === 'linear' && (
        <NumberRow
          label="Angle"
          value={ground.angle}
          min={0}
          max={360}
          unit="°"
          onPreview={(angle) => onPreview({ ...ground, angle })}
          onCommit={(angle) => onCommit(`Angle ${Math.round(angle)}°`, { ...ground, angle })}
        />
      )}
      <div className="flex flex-wrap items-center gap-2">
        <span className="shrink-0">Colour {at + 1} at</span>
        <CommitField
          label="Place of the colour"
          className="w-16"
          suffix="%"
          value={String(Math.round(stop.at * 100))}
          onCommit={(text) => {
            const percent = Number(text.replace('%', ''));
            if (text.trim() === '' || !(percent >= 0 && percent <= 100)) {
              return `Expected 0 to 100 %, found “${text}”.`;
            }
            onCommit('Move a colour of the gradient', withStop({ at: percent / 100 }));
          }}
        />
        <Button
          className="px-2"
          onClick={() =>
            onCommit('Swap the gradient’s ends', {
              ...ground,
              stops: ground.stops.map((s) => ({ ...s, at: 1 - s.at })).reverse(),
            })
          }
        >
          Swap ends
        </Button>
        <ColourField
          label={`Colour ${at + 1}`}
          value={stop.colour}
          theme={site.theme.colours}
          onPreview={(colour) => onPreview(withStop({ colour }))}
          onCommit={(colour) => onCommit('Colour of the gradient', withStop({ colour }))}
        />
      </div>
    </>
  );
}
