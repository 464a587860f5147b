'use client';

import { useState } from 'react';
import { colourOf } from '@/core/colour/parse';
import type { Match, MatchedPart } from '@/core/recolour/match';
import type { Size } from '@/core/frame/placement';
import { wordsOf } from '@/core/refusal';
import type { Extent, FillLayer } from '@/core/site/model/blendLayers';
import type { Side } from '@/core/site/model/slot';
import { theEngine } from '../../../hooks/tab/engine';
import { drawingOf } from '@/core/compose/drawing';
import { Button } from '../../../shared/Button';
import { Choose } from '../../../shared/Choose';
import { NumberRow } from '../../../shared/NumberRow';
import { Row } from '../../../shared/Row';
import { Switch } from '../../../shared/Switch';
import { notify } from '../../../shared/notices';
import { colourName } from '@/core/readings/say';
import { WashFields } from '../../../shared/steps/StepControls';
import { ModeChoice, type StepProps } from '../../../shared/steps/StepFields';
import { useEditing } from '../../useBench';
import { useStep } from './RecolourControls';

/** An extent to begin with. */
function extentOf(type: Extent['type'], { width, height }: Size): Extent {
  if (type === 'side') {
    return { type, side: 'left', full: Math.round(width / 4), reach: Math.round(width * 0.6) };
  }
  return type === 'box'
    ? {
        type,
        x: Math.round(width / 4),
        y: Math.round(height / 4),
        width: Math.round(width / 2),
        height: Math.round(height / 2),
        soft: 24,
      }
    : { type };
}

export function WashControls({ wash }: { wash: FillLayer }) {
  const { slot } = useEditing();
  const fields = useStep(wash);
  const { preview, commit } = fields;
  const { extent } = wash;
  const fadedOutBy = (px: number): Partial<FillLayer> =>
    extent.type === 'side'
      ? {
          extent: {
            ...extent,
            reach: Math.round(px),
            full: Math.min(extent.full, Math.round(px)),
          },
        }
      : {};
  const soften = (px: number): Partial<FillLayer> =>
    extent.type === 'box' ? { extent: { ...extent, soft: Math.round(px) } } : {};
  return (
    <WashFields {...fields}>
      <Row tight label="Where">
        <Switch<Extent['type']>
          label="Where the wash lies"
          value={extent.type}
          choices={[
            { value: 'all', label: 'everywhere' },
            { value: 'side', label: 'from a side' },
            { value: 'box', label: 'in a box' },
          ]}
          onChange={(type) => commit('Where the wash lies', { extent: extentOf(type, slot) })}
        />
        <span className="ml-auto text-soft">Blend</span>
        <ModeChoice step={wash} commit={commit as StepProps['commit']} className="w-32" />
      </Row>
      {extent.type === 'side' && (
        <div className="grid grid-cols-[104px_minmax(0,1fr)] items-center gap-2">
          <Choose<Side>
            label="Side the wash comes from"
            className="w-24"
            value={extent.side}
            choices={(['left', 'right', 'top', 'bottom'] as const).map((value) => ({
              value,
              label: value,
            }))}
            onChange={(side) => commit(`Wash from the ${side}`, { extent: { ...extent, side } })}
          />
          <NumberRow
            label="Fades out by"
            value={extent.reach}
            min={1}
            max={Math.max(slot.width, slot.height)}
            unit="px"
            onPreview={(v) => preview(fadedOutBy(v))}
            onCommit={(v) => commit(`Wash fades out by ${Math.round(v)} px`, fadedOutBy(v))}
          />
        </div>
      )}
      {extent.type === 'box' && (
        <NumberRow
          label="Softness"
          value={extent.soft}
          min={0}
          max={200}
          unit="px"
          onPreview={(v) => preview(soften(v))}
          onCommit={(v) => commit(`Wash fades over ${Math.round(v)} px`, soften(v))}
        />
      )}
      <MatchRow
        wash={wash}
        onTake={(strength) => commit(`Matched wash at ${strength}%`, { opacity: strength / 100 })}
      />
    </WashFields>
  );
}

/** Finds the strength that brings the picture, or its border, closest to a theme colour. */
function MatchRow({ wash, onTake }: { wash: FillLayer; onTake(strength: number): void }) {
  const { picture, slot, site } = useEditing();
  const theme = site.theme.colours;
  const [target, setTarget] = useState(
    theme.find((c) => c.hex === wash.colour)?.hex ?? theme[0]?.hex ?? '#ffffff',
  );
  const [part, setPart] = useState<MatchedPart>('mean');
  const [found, setFound] = useState<{ key: string; match: Match }>();
  const [busy, setBusy] = useState(false);
  const below = picture.layers.slice(
    0,
    picture.layers.findIndex((l) => l.id === wash.id),
  );
  const key = JSON.stringify([below, picture.ground, wash.colour, wash.blend, target, part]);
  const find = async () => {
    setBusy(true);
    try {
      const raster = await theEngine().pixels({ ...drawingOf(slot, picture), layers: below });
      const match = await theEngine().bulk.match(
        raster,
        { colour: colourOf(wash.colour), mode: wash.blend },
        colourOf(target),
        part,
      );
      if (match) {
        setFound({ key, match });
        onTake(match.strength);
      } else {
        notify(
          'bad',
          'Nothing lies below this wash yet that could be matched. Lay a photo or a ground first.',
        );
      }
    } catch (error) {
      notify('bad', wordsOf(error));
    }
    setBusy(false);
  };
  const match = found?.key === key ? found.match : undefined;
  return (
    <Row tight label="Match to">
      <Choose
        label="Colour to match"
        className="w-24 shrink-0"
        value={target}
        choices={theme.map((c) => ({ value: c.hex, label: c.name }))}
        onChange={setTarget}
      />
      <Switch<MatchedPart>
        label="What is matched"
        value={part}
        choices={[
          { value: 'mean', label: 'mean' },
          { value: 'border', label: 'border' },
        ]}
        onChange={setPart}
      />
      <Button className="px-2" disabled={busy || theme.length === 0} onClick={() => void find()}>
        Match
      </Button>
      <span
        role="status"
        className="min-w-0 truncate figure text-soft"
        title={
          match &&
          `CIEDE2000 to ${colourName(site, target)}: ${match.before.toFixed(1)} without the wash, ${match.after.toFixed(1)} with it`
        }
      >
        {busy && 'matching…'}
        {!busy &&
          match &&
          `${match.strength}%: off by ${match.before.toFixed(1)} → ${match.after.toFixed(1)}`}
      </span>
    </Row>
  );
}
