'use client';

import { shapeTitles } from '@/core/layers/shape';
import { editLayer } from '@/core/site/edit';
import type { ShapeLayer, ShapeName } from '@/core/site/model/objectLayers';
import { Button } from '../../../shared/Button';
import { ColourField } from '../../../shared/ColourField';
import { NumberRow } from '../../../shared/NumberRow';
import { Row } from '../../../shared/Row';
import { Switch } from '../../../shared/Switch';
import { themeLight } from '@/core/layers/fitting';
import { useEditing } from '../../useBench';

const names = Object.keys(shapeTitles) as ShapeName[];

/** Which shape, its corners, its fill and its outline. */
export function ShapeFacet({ layer: shape }: { layer: ShapeLayer }) {
  const { picture, site, slot, commit, preview } = useEditing();
  const theme = site.theme.colours;
  const change = (part: Partial<ShapeLayer>) => editLayer<ShapeLayer>(picture.id, shape.id, part);
  const at = shape.effects.findIndex((e) => e.kind === 'outline');
  const outline = shape.effects[at];
  const withOutline = (part: object) =>
    change({
      effects: shape.effects.map((e, i) => (i === at ? ({ ...e, ...part } as typeof e) : e)),
    });
  const addOutline = {
    kind: 'outline',
    side: 'inside',
    width: 2,
    colour: themeLight(site),
    opacity: 1,
  } as const;
  return (
    <div className="flex flex-col gap-1.5">
      <Row label="Shape" tight>
        <Switch<ShapeName>
          label="Shape"
          value={shape.shape}
          choices={names.map((value) => ({ value, label: shapeTitles[value] }))}
          onChange={(next) =>
            commit(
              `${shapeTitles[next]}`,
              change({
                shape: next,
                ...(next === 'line' ? { height: Math.min(shape.height, 4) } : {}),
                ...(next === 'band' ? { width: slot.width, x: 0 } : {}),
              }),
            )
          }
        />
      </Row>
      {(shape.shape === 'rectangle' || shape.shape === 'line') && (
        <NumberRow
          label="Corners"
          value={Math.min(shape.radius, shape.height / 2)}
          min={0}
          max={Math.max(1, Math.floor(Math.min(shape.width, shape.height) / 2))}
          unit="px"
          onPreview={(v) => preview(change({ radius: v }))}
          onCommit={(v) => commit(`Corners of ${Math.round(v)} px`, change({ radius: v }))}
        />
      )}
      {shape.shape === 'line' && (
        <NumberRow
          label="Thickness"
          value={shape.height}
          min={1}
          max={40}
          unit="px"
          onPreview={(v) => preview(change({ height: v }))}
          onCommit={(v) => commit(`Line of ${Math.round(v)} px`, change({ height: v }))}
        />
      )}
      <Row label="Fill" tight>
        <Button
          className="px-2"
          aria-pressed={shape.fill !== null}
          onClick={() =>
            commit(
              shape.fill === null ? 'Fill the shape' : 'No fill',
              change(
                shape.fill === null
                  ? { fill: theme[2]?.hex ?? themeLight(site) }
                  : {
                      fill: null,
                      effects: at < 0 ? [...shape.effects, addOutline] : shape.effects,
                    },
              ),
            )
          }
        >
          {shape.fill === null ? 'No fill' : 'Filled'}
        </Button>
        {shape.fill !== null && (
          <ColourField
            compact
            label="Fill"
            value={shape.fill}
            theme={theme}
            onPreview={(fill) => preview(change({ fill }))}
            onCommit={(fill) => commit('Fill of the shape', change({ fill }))}
          />
        )}
      </Row>
      <Row label="Outline" tight>
        <Button
          className="px-2"
          aria-pressed={outline !== undefined}
          onClick={() =>
            commit(
              outline ? 'No outline' : 'Outline the shape',
              change({
                effects: outline
                  ? shape.effects.filter((_, i) => i !== at)
                  : [...shape.effects, addOutline],
              }),
            )
          }
        >
          {outline ? 'Outlined' : 'No outline'}
        </Button>
        {outline?.kind === 'outline' && (
          <ColourField
            compact
            label="Outline"
            value={outline.colour}
            theme={theme}
            onPreview={(colour) => preview(withOutline({ colour }))}
            onCommit={(colour) => commit('Colour of the outline', withOutline({ colour }))}
          />
        )}
      </Row>
      {outline?.kind === 'outline' && (
        <NumberRow
          label="Outline width"
          value={outline.width}
          min={0.5}
          max={40}
          step={0.5}
          digits={1}
          unit="px"
          onPreview={(width) => preview(withOutline({ width }))}
          onCommit={(width) => commit(`Outline ${width} px`, withOutline({ width }))}
        />
      )}
      {shape.fill === null && !outline && (
        <p className="text-warn">! Nothing of it is seen: give it a fill or an outline.</p>
      )}
    </div>
  );
}
