'use client';

import { useEffect, useRef } from 'react';
import { createRaster, type Raster } from '@/core/raster/raster';
import { repeatsAlong } from '@/core/readings/repeats';
import { joinWords } from '@/core/readings/join';
import { editLayer } from '@/core/site/edit';
import type { Axes, JoinLayer, JoinMethod } from '@/core/site/model/blendLayers';
import type { Way } from '@/core/readings/reading';
import { NumberRow } from '../../../shared/NumberRow';
import { Row } from '../../../shared/Row';
import { Switch } from '../../../shared/Switch';
import { useEditing, useFiled, useSelecting } from '../../useBench';
import { Ways } from './Ways';

/** Px of the picture shown around where its copies meet. */
const around = { width: 88, height: 44 };

/** Where four copies of a picture meet, or two, as the page shows it. */
function Meeting({ file, className }: { file: Raster; className: string }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const {
    slot: { repeat },
  } = useEditing();
  useEffect(() => {
    const element = canvas.current;
    if (!element) {
      return;
    }
    const width = Math.min(around.width, file.width * 2);
    const height = Math.min(around.height, file.height * 2);
    const out = createRaster(width, height);
    const left = repeatsAlong(repeat, 'x') ? -(width >> 1) : Math.max(0, (file.width - width) >> 1);
    const top = repeatsAlong(repeat, 'y')
      ? -(height >> 1)
      : Math.max(0, (file.height - height) >> 1);
    for (let y = 0; y < height; y++) {
      for (let x = 0; x < width; x++) {
        const u = (((left + x) % file.width) + file.width) % file.width;
        const v = (((top + y) % file.height) + file.height) % file.height;
        const k = (v * file.width + u) * 4;
        out.data.set(file.data.subarray(k, k + 4), (y * width + x) * 4);
      }
    }
    element.width = width;
    element.height = height;
    element.getContext('2d')!.putImageData(new ImageData(out.data, width, height), 0, 0);
  }, [file, repeat]);
  return (
    <canvas
      ref={canvas}
      aria-hidden
      className={`shrink-0 border border-line see-through ${className}`}
    />
  );
}

/** How the picture joins with itself, and ways to make it. */
export function RepeatFacet() {
  const { slot, picture } = useEditing();
  const { selected } = useSelecting();
  const { readings, encodedFile } = useFiled();
  const join =
    selected?.kind === 'join'
      ? selected
      : picture.layers.findLast((l): l is JoinLayer => l.kind === 'join');
  const joins = readings.filter((r) => r.id.startsWith('join-'));
  const worst = joins.find((r) => r.verdict === 'fails') ?? joins.find((r) => r.verdict === 'look');
  const tiles = readings.find((r) => r.id === 'tile-count');
  const ways: Way[] = (worst?.ways ?? []).map((mend, i) => ({
    id: `${worst?.id} ${i}`,
    tries: [mend],
  }));
  return (
    <div className="flex h-full gap-4">
      <div className="flex w-[176px] shrink-0 flex-col gap-1">
        {encodedFile.file ? (
          <Meeting file={encodedFile.file.decoded} className="w-[176px]" />
        ) : (
          <div className="h-[88px] border border-line" />
        )}
        <p className="text-soft">
          {slot.repeat === 'no-repeat'
            ? 'This slot does not repeat.'
            : 'Where its copies meet, twice as large.'}
        </p>
      </div>
      <div className="flex min-w-0 grow flex-col gap-1 overflow-y-auto [&>*]:shrink-0">
        {(worst ? [worst] : joins).map((r) => (
          <p key={r.id}>
            {r.title}: <span className="text-soft">{r.words}</span>
          </p>
        ))}
        {tiles && tiles.verdict !== 'holds' && <p className="text-warn">{tiles.words}</p>}
        {worst && (
          <Ways
            done="joins"
            title={`Make it join ${worst.id === 'join-x' ? 'sideways' : 'downwards'}`}
            readingId={worst.id}
            ways={ways}
            preview={(t) => <Meeting file={t.file.decoded} className="h-[26px] w-[52px]" />}
          />
        )}
        {join && <JoinControls join={join} />}
      </div>
    </div>
  );
}

const methods: readonly JoinMethod[] = ['heal', 'overlap', 'mirror'];
const short: Readonly<Record<JoinMethod, string>> = {
  heal: 'patched',
  overlap: 'melted',
  mirror: 'mirrored',
};

/** Two copies of a leaning pattern side by side, as each way has them meet. */
function JoinFace({ method }: { method: JoinMethod }) {
  const right = [20, 24, 28, 32];
  const left = [2, 6, 10, 14];
  const lean = (x: number, by: number) => `M${x} 12L${x + by} 2`;
  return (
    <svg aria-hidden width={38} height={14} fill="none" stroke="currentColor">
      {left.map((x) => (
        <path key={x} d={lean(x, 4)} opacity={method === 'overlap' ? 1 - x / 20 : 1} />
      ))}
      {right.map((x) => (
        <path
          key={x}
          d={method === 'mirror' ? lean(x + 4, -4) : lean(x, 4)}
          opacity={method === 'overlap' ? (x - 16) / 18 : 1}
        />
      ))}
      {method === 'heal' && (
        <rect x={14.5} y={1.5} width={9} height={11} rx={3} className="fill-white" />
      )}
      {method === 'mirror' && <path d="M19 0V14" strokeDasharray="2 2" />}
    </svg>
  );
}

function JoinControls({ join }: { join: JoinLayer }) {
  const { picture, slot, commit, preview } = useEditing();
  const change = (part: Partial<JoinLayer>) => editLayer<JoinLayer>(picture.id, join.id, part);
  return (
    <>
      <Row tight label="Join by">
        <Switch<JoinMethod>
          label="Join by"
          value={join.method}
          choices={methods.map((value) => ({
            value,
            label: (
              <>
                <JoinFace method={value} />
                {short[value]}
              </>
            ),
          }))}
          onChange={(method) => commit(joinWords[method], change({ method }))}
        />
      </Row>
      <Row tight label="Along">
        <Switch<Axes>
          label="Joined along"
          value={join.axes}
          choices={[
            { value: 'x', label: 'sideways' },
            { value: 'y', label: 'downwards' },
            { value: 'both', label: 'both' },
          ]}
          onChange={(axes) => commit('What is joined', change({ axes }))}
        />
      </Row>
      {join.method !== 'mirror' && (
        <NumberRow
          label="Over"
          value={join.band}
          min={1}
          max={Math.max(2, Math.floor(Math.max(slot.width, slot.height) / 2))}
          unit="px"
          onPreview={(band) => preview(change({ band: Math.round(band) }))}
          onCommit={(band) =>
            commit(`Join over ${Math.round(band)} px`, change({ band: Math.round(band) }))
          }
        />
      )}
    </>
  );
}
