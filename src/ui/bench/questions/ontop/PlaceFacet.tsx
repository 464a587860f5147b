'use client';

import {
  AlignCenterHorizontal,
  AlignCenterVertical,
  AlignEndHorizontal,
  AlignEndVertical,
  AlignStartHorizontal,
  AlignStartVertical,
  FlipHorizontal2,
  FlipVertical2,
  Link2,
  RotateCcw,
} from 'lucide-react';
import { useState } from 'react';
import type { AlignSide } from '@/core/arrange/align';
import { blendModes, type BlendMode } from '@/core/raster/blend';
import { editLayer, editLayers } from '@/core/site/edit';
import type { Layer, ObjectLayer } from '@/core/site/model/layer';
import type { PhotoLayer } from '@/core/site/model/photoLayer';
import { IconButton } from '../../../shared/Button';
import { Choose } from '../../../shared/Choose';
import { CommitField } from '../../../shared/CommitField';
import { NumberRow } from '../../../shared/NumberRow';
import { Row } from '../../../shared/Row';
import { typedNumber } from '../../../shared/typedNumber';
import { alignLayers, changeNames, fitToWidth, moveTo, reshape } from '@/core/arrange/layerEdits';
import { useLayerBox, useActing, useEditing } from '../../useBench';

export const alignIcons: readonly { side: AlignSide; Icon: typeof AlignStartVertical }[] = [
  { side: 'left', Icon: AlignStartVertical },
  { side: 'centre', Icon: AlignCenterVertical },
  { side: 'right', Icon: AlignEndVertical },
  { side: 'top', Icon: AlignStartHorizontal },
  { side: 'middle', Icon: AlignCenterHorizontal },
  { side: 'bottom', Icon: AlignEndHorizontal },
];

const shown = (v: number): string => String(Math.round(v * 10) / 10);

/** Where a layer lies, how large, turned by how much, how strong and how blended. */
export function PlaceFacet({ layer }: { layer: ObjectLayer }) {
  const bench = useActing();
  const { picture, slot, commit } = bench;
  const box = useLayerBox(layer);
  const name = changeNames([layer]);
  const [keep, setKeep] = useState(layer.kind !== 'shape');
  const figure = (label: string, least: number, apply: (v: number) => void) => (typed: string) => {
    const v = typedNumber(typed);
    if (typed.trim() === '' || Number.isNaN(v) || v < least || v > 20000) {
      return `Expected ${label}${least > -20000 ? ` of ${least} or more` : ''}, found “${typed}”.`;
    }
    apply(v);
  };
  // Figures are those of the box before it is turned, whatever point the layer itself counts from.
  const place = (side: 'left' | 'top') =>
    figure('pixels', -20000, (v) => {
      if (box) {
        commit(`Move ${name} to ${side} ${v}`, moveTo(picture, layer, box, { [side]: v }));
      }
    });
  return (
    <div className="flex flex-col gap-1.5">
      <fieldset disabled={layer.locked || !box} className="contents">
        <Row label="Place" tight>
          <CommitField
            label="Left"
            suffix="x"
            className="w-[74px]"
            value={box ? shown(box.x - box.width / 2) : '–'}
            onCommit={place('left')}
          />
          <CommitField
            label="Top"
            suffix="y"
            className="w-[74px]"
            value={box ? shown(box.y - box.height / 2) : '–'}
            onCommit={place('top')}
          />
          <span className="ml-1 inline-flex" role="group" aria-label="Align with the slot">
            {alignIcons.map(({ side, Icon }) => (
              <IconButton
                key={side}
                label={`Align with the slot: ${side}`}
                className="-ml-px w-7 rounded-none first:ml-0 first:rounded-l-sm last:rounded-r-sm"
                onClick={() =>
                  commit(
                    `Align ${side}`,
                    alignLayers(picture, slot, [layer], bench.drawn.getState().boxes, side),
                  )
                }
              >
                <Icon size={14} />
              </IconButton>
            ))}
          </span>
        </Row>
        <Row label="Size" tight>
          <CommitField
            label="Width of the layer"
            suffix="w"
            className="w-[74px]"
            value={box ? shown(box.width) : '–'}
            onCommit={figure('a width', 1, (width) => {
              if (box) {
                commit(`${name} ${width} px wide`, reshape(picture, layer, box, { width, keep }));
              }
            })}
          />
          <CommitField
            label="Height of the layer"
            suffix="h"
            className="w-[74px]"
            value={box ? shown(box.height) : '–'}
            onCommit={figure('a height', 1, (height) => {
              if (box) {
                commit(`${name} ${height} px high`, reshape(picture, layer, box, { height, keep }));
              }
            })}
          />
          <IconButton
            label="Keep proportions"
            aria-pressed={keep}
            className="w-7"
            onClick={() => setKeep(!keep)}
          >
            <Link2 size={14} />
          </IconButton>
          <CommitField
            label="Turn of the layer"
            suffix="°"
            className="ml-1 w-[70px]"
            value={shown(layer.turn)}
            onCommit={figure('degrees', -20000, (turn) => {
              if (box) {
                commit(`Turn ${name} to ${turn}°`, reshape(picture, layer, box, { turn, keep }));
              }
            })}
          />
          <IconButton
            label="Upright"
            className="w-7"
            disabled={layer.turn === 0}
            onClick={() => {
              if (box) {
                commit(`${name} upright`, reshape(picture, layer, box, { turn: 0, keep }));
              }
            }}
          >
            <RotateCcw size={14} />
          </IconButton>
          <button
            type="button"
            className="h-[26px] shrink-0 rounded-sm border border-line bg-white px-2 hover:border-soft disabled:opacity-45"
            disabled={!box}
            onClick={() =>
              box && commit(`Fit ${name} to the width`, fitToWidth(picture, slot, layer, box))
            }
          >
            Fit to width
          </button>
        </Row>
      </fieldset>
      {layer.kind === 'photo' && (
        <Row label="Flip" tight>
          <IconButton
            label="Flip left and right"
            aria-pressed={layer.flipX}
            onClick={() =>
              commit(
                `Flip ${name}`,
                editLayer<PhotoLayer>(picture.id, layer.id, { flipX: !layer.flipX }),
              )
            }
          >
            <FlipHorizontal2 size={14} />
          </IconButton>
          <IconButton
            label="Flip top and bottom"
            aria-pressed={layer.flipY}
            onClick={() =>
              commit(
                `Flip ${name}`,
                editLayer<PhotoLayer>(picture.id, layer.id, { flipY: !layer.flipY }),
              )
            }
          >
            <FlipVertical2 size={14} />
          </IconButton>
          <span className="truncate figure text-soft">
            sharpness {(1 / layer.scale).toFixed(2)}×
            {Math.abs(layer.stretch - 1) > 0.005 &&
              `, distorted by ${Math.round((Math.max(layer.stretch, 1 / layer.stretch) - 1) * 100)}%`}
          </span>
        </Row>
      )}
      <Strength layers={[layer]} />
      {layer.kind !== 'photo' && (
        <p className="text-soft">
          On the picture:{' '}
          {layer.kind === 'shape'
            ? 'Shift keeps proportions at the corners'
            : 'corners keep proportions, with Shift they do not'}
          ; Alt lets go of lines.
        </p>
      )}
    </div>
  );
}

/** Opacity and blend mode of one layer or several. */
export function Strength({ layers }: { layers: readonly Layer[] }) {
  const { picture, commit, preview } = useEditing();
  const ids = layers.map((l) => l.id);
  const last = layers[layers.length - 1];
  const change = (part: Partial<Layer>) => editLayers(picture.id, ids, () => part);
  return (
    <>
      <NumberRow
        label="Opacity"
        value={last.opacity * 100}
        min={0}
        max={100}
        unit="%"
        onPreview={(v) => preview(change({ opacity: v / 100 }))}
        onCommit={(v) => commit(`Opacity ${Math.round(v)}%`, change({ opacity: v / 100 }))}
      />
      <Row label="Blend mode">
        <Choose<BlendMode>
          label="Blend mode"
          className="w-40"
          value={last.blend}
          choices={blendModes.map((value) => ({ value, label: value }))}
          onChange={(blend) => commit(`Blend ${blend}`, change({ blend }))}
        />
      </Row>
    </>
  );
}
