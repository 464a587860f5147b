'use client';

import { newFade } from '@/core/layers/fade';
import { sides } from '@/core/seam/edges';
import { addLayer, editLayer } from '@/core/site/edit';
import type { Corner, FadeCurve, FadeLayer } from '@/core/site/model/blendLayers';
import type { Side } from '@/core/site/model/slot';
import { fadePx } from '@/core/seam/ways';
import { adjacentColours } from '@/core/seam/adjacentColours';
import { Button } from '../../../shared/Button';
import { ColourField } from '../../../shared/ColourField';
import { NumberRow } from '../../../shared/NumberRow';
import { Row } from '../../../shared/Row';
import { Switch } from '../../../shared/Switch';
import { newId } from '../../../shared/newId';
import { useEditing, useSelecting } from '../../useBench';

const corners: readonly (readonly [Corner, string])[] = [
  ['topLeft', 'Top left'],
  ['topRight', 'Top right'],
  ['bottomLeft', 'Bottom left'],
  ['bottomRight', 'Bottom right'],
];
const curves: readonly (readonly [FadeCurve, string])[] = [
  ['linear', 'even'],
  ['smooth', 'smooth'],
  ['late', 'late'],
  ['early', 'early'],
];

/** A curve as it is told at a glance. */
function CurveFace({ curve }: { curve: FadeCurve }) {
  const d = {
    linear: 'M1 13L25 1',
    smooth: 'M1 13C12 13 14 1 25 1',
    late: 'M1 13C16 13 21 8 25 1',
    early: 'M1 13C5 6 10 1 25 1',
  }[curve];
  return (
    <svg aria-hidden width={26} height={14} fill="none">
      <path d={d} stroke="currentColor" strokeWidth={1.5} />
    </svg>
  );
}

/** Edges that fade: how far in from each side and corner, along which curve, and into what. */
export function FadeFacet() {
  const { picture, slot, site, commit } = useEditing();
  const { selected, select } = useSelecting();
  const fade =
    selected?.kind === 'fade'
      ? selected
      : picture.layers.findLast((l): l is FadeLayer => l.kind === 'fade');
  if (fade) {
    return <FadeControls fade={fade} />;
  }
  const meets = sides.filter((s) => slot.beside[s] !== null);
  const which = meets.length > 0 ? meets : sides;
  const add = (into: string | null) => {
    const layer: FadeLayer = {
      ...newFade(newId(), into, Object.fromEntries(which.map((s) => [s, fadePx(slot, s)]))),
      curve: 'late',
    };
    commit(
      into === null ? 'Fade the edges into see-through' : 'Fade the edges into the page’s colour',
      addLayer(picture.id, layer),
    );
    select(layer.id);
  };
  const colour =
    which.map((s) => adjacentColours(site, slot, s)?.colour).find((c) => c !== undefined) ??
    site.theme.colours[0]?.hex ??
    '#ffffff';
  return (
    <div className="flex flex-col items-start gap-2">
      <p className="text-soft">
        Everything below runs out towards the edges. Into see-through it meets any page exactly, in
        WebP, AVIF and PNG.
      </p>
      <div className="flex gap-2">
        <Button onClick={() => add(null)}>Fade into see-through</Button>
        <Button onClick={() => add(colour)}>
          <span
            aria-hidden
            className="h-3.5 w-3.5 border border-line"
            style={{ background: colour }}
          />
          Fade into {colour}
        </Button>
      </div>
    </div>
  );
}

function FadeControls({ fade }: { fade: FadeLayer }) {
  const { picture, slot, site, commit, preview } = useEditing();
  const change = (part: Partial<FadeLayer>) => editLayer<FadeLayer>(picture.id, fade.id, part);
  const side = (s: Side, px: number) => change({ sides: { ...fade.sides, [s]: Math.round(px) } });
  const corner = (c: Corner, px: number) =>
    change({ corners: { ...fade.corners, [c]: Math.round(px) } });
  const longest = Math.max(slot.width, slot.height);
  const title = (s: string) => `${s[0].toUpperCase()}${s.slice(1)}`;
  return (
    <div className="flex h-full flex-col gap-1 overflow-y-auto [&>*]:shrink-0">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <Switch<FadeCurve>
          label="Curve of the fade"
          value={fade.curve}
          onChange={(curve) => commit(`Fade ${curve}`, change({ curve }))}
          choices={curves.map(([value, words]) => ({
            value,
            label: (
              <>
                <CurveFace curve={value} />
                {words}
              </>
            ),
          }))}
        />
        <Switch
          label="Fades into"
          value={fade.into === null ? 'none' : 'colour'}
          onChange={(v) =>
            commit(
              v === 'none' ? 'Fade into see-through' : 'Fade into a colour',
              change({ into: v === 'none' ? null : (site.theme.colours[0]?.hex ?? '#ffffff') }),
            )
          }
          choices={[
            { value: 'none', label: 'see-through' },
            { value: 'colour', label: 'a colour' },
          ]}
        />
      </div>
      {fade.into !== null && (
        <Row tight label="Colour">
          <ColourField
            compact
            label="Colour it fades into"
            value={fade.into}
            theme={site.theme.colours}
            onPreview={(into) => preview(change({ into }))}
            onCommit={(into) => commit('Colour of the fade', change({ into }))}
          />
        </Row>
      )}
      <div className="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)] gap-x-4 [&_label]:w-[78px]">
        {sides.map((s) => (
          <NumberRow
            key={s}
            label={title(s)}
            value={fade.sides[s]}
            min={0}
            max={s === 'top' || s === 'bottom' ? slot.height : slot.width}
            unit="px"
            onPreview={(v) => preview(side(s, v))}
            onCommit={(v) => commit(`${title(s)} edge fades over ${Math.round(v)} px`, side(s, v))}
          />
        ))}
        {corners.map(([c, words]) => (
          <NumberRow
            key={c}
            label={words}
            value={fade.corners[c]}
            min={0}
            max={longest}
            unit="px"
            onPreview={(v) => preview(corner(c, v))}
            onCommit={(v) => commit(`${words} corner fades over ${Math.round(v)} px`, corner(c, v))}
          />
        ))}
      </div>
    </div>
  );
}
