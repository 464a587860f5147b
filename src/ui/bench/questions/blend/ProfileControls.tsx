'use client';

import { Shuffle } from 'lucide-react';
import { areaBelow, profilesOf } from '@/core/divider/profile';
import { newProfile } from '@/core/layers/profile';
import { editLayer } from '@/core/site/edit';
import type { LinePoint, ProfileLayer, ProfileName } from '@/core/site/model/blendLayers';
import { Button, IconButton } from '../../../shared/Button';
import { ColourField } from '../../../shared/ColourField';
import { CommitField } from '../../../shared/CommitField';
import { NumberRow } from '../../../shared/NumberRow';
import { Row } from '../../../shared/Row';
import { Switch } from '../../../shared/Switch';
import { useEditing } from '../../useBench';

/** What an own line may look like, before there is one. */
const ownFace = [
  { at: 0.05, level: 0.3 },
  { at: 0.3, level: 0.95 },
  { at: 0.5, level: 0.45 },
  { at: 0.75, level: 0.7 },
];

export function ProfileFace({
  name,
  colour,
  points = ownFace,
}: {
  name: ProfileName;
  colour: string;
  points?: readonly LinePoint[];
}) {
  const size = { width: 52, height: 20 };
  return (
    <svg aria-hidden {...size}>
      {profilesOf({ ...newProfile('face', name, colour, 480), rise: 0.9, points }, size).map(
        ({ line }, i) => (
          <polygon
            key={i}
            fill={colour}
            points={areaBelow(line, size)
              .map(({ x, y }) => `${x},${y}`)
              .join(' ')}
          />
        ),
      )}
    </svg>
  );
}

export function ProfileControls({ profile, section }: { profile: ProfileLayer; section: string }) {
  const { picture, site, commit, preview } = useEditing();
  const change = (part: Partial<ProfileLayer>) =>
    editLayer<ProfileLayer>(picture.id, profile.id, part);
  return (
    <>
      <div className="flex items-center gap-2">
        <ColourField
          compact
          label="Colour of the profile"
          value={profile.colour}
          theme={site.theme.colours}
          onPreview={(colour) => preview(change({ colour }))}
          onCommit={(colour) => commit('Colour of the profile', change({ colour }))}
        />
        {profile.colour !== section && (
          <Button
            className="h-[22px]"
            onClick={() => commit('The section’s colour', change({ colour: section }))}
          >
            The section’s
          </Button>
        )}
      </div>
      <div className="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)] gap-x-3 [&_label]:w-[46px]">
        <NumberRow
          label="Across"
          value={profile.count}
          min={1}
          max={80}
          unit=""
          onPreview={(v) => preview(change({ count: Math.round(v) }))}
          onCommit={(v) => commit(`${Math.round(v)} across`, change({ count: Math.round(v) }))}
        />
        <NumberRow
          label="Height"
          value={profile.rise * 100}
          min={5}
          max={100}
          unit="%"
          onPreview={(v) => preview(change({ rise: v / 100 }))}
          onCommit={(v) => commit(`Height ${Math.round(v)}%`, change({ rise: v / 100 }))}
        />
        <Row tight label="Layers">
          <Switch
            label="Layers"
            value={String(profile.depths)}
            choices={['1', '2', '3'].map((value) => ({ value, label: value }))}
            onChange={(v) =>
              commit(`${v} ${v === '1' ? 'layer' : 'layers'}`, change({ depths: Number(v) }))
            }
          />
        </Row>
        {profile.profile !== 'own' && (
          <Row tight label="Number">
            <CommitField
              label="Number"
              className="w-16"
              value={String(profile.seed)}
              onCommit={(text) => {
                if (!/^\d{1,9}$/.test(text.trim())) {
                  return `Expected a whole number, found “${text}”.`;
                }
                commit(`Number ${text.trim()}`, change({ seed: Number(text) }));
              }}
            />
            <IconButton
              label="Another one"
              className="w-7"
              onClick={() => commit('Another one', change({ seed: profile.seed + 1 }))}
            >
              <Shuffle size={13} />
            </IconButton>
          </Row>
        )}
      </div>
    </>
  );
}
