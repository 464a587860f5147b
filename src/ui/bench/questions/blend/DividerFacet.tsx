'use client';

import { Download } from 'lucide-react';
import { useMemo } from 'react';
import { profileSvg } from '@/core/divider/profile';
import { profileNames } from '@/core/divider/profileNames';
import { newProfile } from '@/core/layers/profile';
import { layoutPage, type LaidSlot } from '@/core/measure/layoutPage';
import { adjacentColours } from '@/core/seam/adjacentColours';
import { addLayer, editLayer, editSlot } from '@/core/site/edit';
import { pagesWith } from '@/core/site/pages';
import type { ProfileLayer, ProfileName } from '@/core/site/model/blendLayers';
import type { BackgroundSize } from '@/core/site/model/slot';
import { PageDrawing } from '../../../page/PageDrawing';
import { Button } from '../../../shared/Button';
import { CommitField } from '../../../shared/CommitField';
import { Switch } from '../../../shared/Switch';
import { download } from '../../../shared/download';
import { newId } from '../../../shared/newId';
import { typedNumber } from '../../../shared/typedNumber';
import { useEditing, useSelecting } from '../../useBench';
import { OwnLineControls } from './OwnLineControls';
import { ProfileFace, ProfileControls } from './ProfileControls';

const screens = [
  ['phone', 360],
  ['tablet', 768],
  ['desktop', 1280],
] as const;

/** Where the divider meets its section, as one screen shows it. */
function OnScreen({ name, width }: { name: string; width: number }) {
  const { site, slot } = useEditing();
  const page = pagesWith(site, slot)[0];
  const layout = useMemo(() => page && layoutPage(site, page, width), [site, page, width]);
  const laid = layout?.boxes.find((p): p is LaidSlot => p.type === 'slot' && p.slot.id === slot.id);
  const shown = 116;
  const k = shown / width;
  const tall = 43;
  return (
    <figure className="w-[116px]">
      <div
        className="relative overflow-hidden border border-line"
        style={{ width: shown, height: tall }}
      >
        {layout && laid && (
          <div
            className="absolute left-0 origin-top-left"
            style={{
              transform: `scale(${k})`,
              top: tall / 2 - (laid.rect.y + laid.rect.height / 2) * k,
            }}
          >
            <PageDrawing site={site} layout={layout} />
          </div>
        )}
      </div>
      <figcaption className="flex justify-between">
        <span>{name}</span>
        <span className="figure text-soft">
          {laid ? `${Math.round(laid.rect.height)} px` : '–'}
        </span>
      </figcaption>
    </figure>
  );
}

type Sizing = 'cut' | 'stretched';

/**
 * A section's upper edge by parameters, in exactly the section's colour; how it is sized by the
 * screen, and how that looks.
 */
export function DividerFacet() {
  const { site, slot, picture, commit } = useEditing();
  const { selected, select, setTool: draw } = useSelecting();
  const profile =
    selected?.kind === 'profile'
      ? selected
      : picture.layers.findLast((l): l is ProfileLayer => l.kind === 'profile');
  const section =
    adjacentColours(site, slot, 'bottom')?.colour ?? site.theme.colours[0]?.hex ?? '#444444';
  const { narrowSize } = slot;
  const sizing: Sizing =
    typeof slot.size !== 'string' && slot.size.x !== 'auto' ? 'stretched' : 'cut';
  const size = (s: Sizing): BackgroundSize =>
    s === 'cut'
      ? { x: 'auto', y: 'auto' }
      : { x: { value: 100, unit: '%' }, y: { value: 100, unit: '%' } };
  const take = (name: ProfileName) => {
    const own = name === 'own';
    const layer = profile ?? newProfile(newId(), name, section, slot.width);
    if (profile) {
      // A line that is still to be drawn is as wide and high as it will be drawn.
      const fresh = own && profile.points.length === 0 ? { count: 1, rise: 1 } : {};
      commit(
        own ? 'A line of my own' : `Profile: ${name}`,
        editLayer<ProfileLayer>(picture.id, profile.id, { profile: name, ...fresh }),
      );
    } else {
      commit(own ? 'Add a line of my own' : `Add a ${name}`, addLayer(picture.id, layer));
      select(layer.id);
    }
    if (own && layer.points.length === 0) {
      select(layer.id);
      draw({ kind: 'line', layerId: layer.id });
    }
  };
  const part = (
    label: string,
    key: 'below' | 'width' | 'height',
    unit: string,
    least: number,
    most: number,
  ) => (
    <CommitField
      label={label}
      suffix={unit}
      className="w-[68px]"
      value={String(narrowSize![key])}
      onCommit={(text) => {
        const v = typedNumber(text);
        if (!(v >= least && v <= most)) {
          return `Expected ${least} to ${most}, found “${text}”.`;
        }
        commit(
          `${label} ${v}`,
          editSlot(slot.id, (s) => {
            if (s.narrowSize) {
              s.narrowSize[key] = v;
            }
          }),
        );
      }}
    />
  );
  const vector = picture.layers.filter((l): l is ProfileLayer => l.kind === 'profile' && !l.hidden);
  return (
    <div className="flex h-full gap-4">
      <div className="flex min-w-0 grow flex-col gap-0.5 overflow-y-auto [&>*]:shrink-0">
        <div role="group" aria-label="Profile" className="flex flex-wrap">
          {profileNames.map((name) => (
            <button
              key={name}
              type="button"
              aria-pressed={profile?.profile === name}
              onClick={() => take(name)}
              className="-ml-px w-[58px] border border-line bg-white pt-0.5 leading-tight first:ml-0 first:rounded-l-sm last:rounded-r-sm hover:border-soft aria-pressed:relative aria-pressed:border-act aria-pressed:bg-act-wash"
            >
              <ProfileFace
                name={name}
                colour={profile?.colour ?? section}
                points={profile?.points.length ? profile.points : undefined}
              />
              <span className="block">{name === 'own' ? 'own line' : name}</span>
            </button>
          ))}
        </div>
        {profile?.profile === 'own' && <OwnLineControls profile={profile} />}
        {profile && <ProfileControls profile={profile} section={section} />}
        <div className="flex items-center gap-2">
          <span>Width</span>
          <Switch<Sizing>
            label="How wide it is laid"
            value={sizing}
            onChange={(s) =>
              commit(
                s === 'cut' ? 'Own width, ends cut' : 'As wide as the screen',
                editSlot(slot.id, (x) => {
                  x.size = size(s) as typeof x.size;
                }),
              )
            }
            choices={[
              { value: 'cut', label: 'its own, ends cut' },
              { value: 'stretched', label: 'the screen’s' },
            ]}
          />
          {vector.length > 0 && (
            <Button
              className="ml-auto px-2"
              aria-label="Download as SVG"
              onClick={() =>
                download(
                  `${slot.fileName}.svg`,
                  new TextEncoder().encode(profileSvg(vector, slot)),
                  'image/svg+xml',
                )
              }
            >
              <Download size={14} aria-hidden />
              SVG
            </Button>
          )}
        </div>
        <div className="flex flex-wrap items-center gap-2">
          <label className="flex items-center gap-1.5">
            <input
              type="checkbox"
              aria-label="Smaller on narrow screens"
              className="accent-act"
              checked={narrowSize !== null}
              onChange={(e) =>
                commit(
                  e.target.checked ? 'Another size on narrow screens' : 'One size on all screens',
                  editSlot(slot.id, (s) => {
                    s.narrowSize = e.target.checked ? { below: 800, width: 200, height: 50 } : null;
                  }),
                )
              }
            />
            {narrowSize ? 'Below' : 'Smaller on narrow screens'}
          </label>
          {narrowSize && (
            <>
              {part('Below a screen of', 'below', 'px', 200, 3000)}
              {part('Width on narrow screens', 'width', '%', 10, 1000)}
              <span aria-hidden>×</span>
              {part('Height on narrow screens', 'height', '%', 5, 400)}
            </>
          )}
        </div>
      </div>
      <div className="flex w-[116px] shrink-0 flex-col gap-0 overflow-hidden">
        {screens.map(([name, width]) => (
          <OnScreen key={name} name={name} width={width} />
        ))}
      </div>
    </div>
  );
}
