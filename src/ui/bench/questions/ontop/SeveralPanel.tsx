'use client';

import { AlignHorizontalDistributeCenter, AlignVerticalDistributeCenter } from 'lucide-react';
import { effectNames, effectOf } from '@/core/effects/registry';
import type { ObjectLayer } from '@/core/site/model/layer';
import { Button, IconButton } from '../../../shared/Button';
import { Group } from '../../../shared/Group';
import { Row } from '../../../shared/Row';
import { addEffect } from '../../addOnTop';
import { alignLayers, arrangeable, spaceLayers } from '@/core/arrange/layerEdits';
import { useActing } from '../../useBench';
import { alignIcons, Strength } from './PlaceFacet';

/** Several layers at once: lined up, spaced, made stronger or weaker together. */
export function SeveralPanel({ layers }: { layers: readonly ObjectLayer[] }) {
  const bench = useActing();
  const { picture, slot, commit } = bench;
  const boxes = () => bench.drawn.getState().boxes;
  const free = layers.filter(arrangeable).length;
  return (
    <Group title={`${layers.length} layers`}>
      <Row label="Align" tight>
        <span className="inline-flex" role="group" aria-label="Align with each other">
          {alignIcons.map(({ side, Icon }) => (
            <IconButton
              key={side}
              label={`Align: ${side}`}
              disabled={free < 1}
              className="-ml-px rounded-none first:ml-0 first:rounded-l-sm last:rounded-r-sm"
              onClick={() =>
                commit(`Align ${side}`, alignLayers(picture, slot, layers, boxes(), side))
              }
            >
              <Icon size={14} />
            </IconButton>
          ))}
        </span>
        <span className="inline-flex" role="group" aria-label="Space evenly">
          <IconButton
            label="Space evenly sideways"
            disabled={free < 3}
            className="rounded-r-none"
            onClick={() => commit('Space evenly', spaceLayers(picture, layers, boxes(), 'x'))}
          >
            <AlignHorizontalDistributeCenter size={14} />
          </IconButton>
          <IconButton
            label="Space evenly up and down"
            disabled={free < 3}
            className="-ml-px rounded-l-none"
            onClick={() => commit('Space evenly', spaceLayers(picture, layers, boxes(), 'y'))}
          >
            <AlignVerticalDistributeCenter size={14} />
          </IconButton>
        </span>
        {free < 3 && <span className="truncate text-soft">three or more can be spaced</span>}
      </Row>
      <Row label="Effects" tight>
        {effectNames.map((name) => (
          <Button key={name} className="px-2" onClick={() => addEffect(bench, layers, name)}>
            + {effectOf({ kind: name }).title}
          </Button>
        ))}
      </Row>
      <Strength layers={layers} />
      <p className="text-soft">
        Drag them together on the picture, by their corners to resize, by the knob to turn. Ctrl+C
        copies them to another slot.
      </p>
    </Group>
  );
}
