'use client';

import { Plus, X } from 'lucide-react';
import { useState } from 'react';
import { chainLength } from '@/core/measure/chain';
import { columnsOf } from '@/core/measure/knownSizes';
import { readPixels } from '@/core/measure/pixels';
import type { ChainPart } from '@/core/site/model/slot';
import { Button, IconButton } from '../shared/Button';
import { Choose } from '../shared/Choose';
import { CommitField } from '../shared/CommitField';
import { useMeasure } from '../shared/useMeasure';
import { ChainDrawing } from './ChainDrawing';
import type { Way } from './way';

const whats = [
  { value: 'column', label: 'column' },
  { value: 'gap', label: 'gap' },
  { value: 'padding', label: 'padding' },
  { value: 'border', label: 'border' },
] as const;

/** From columns and everything between them, drawn as a chain. */
export function Columns({ page, measured, onMeasured }: Way) {
  const [ref, room] = useMeasure();
  const [parts, setParts] = useState<readonly ChainPart[]>(() =>
    measured?.from === 'columns' ? measured.parts : columnsOf(page),
  );
  const total = chainLength(parts);
  const change = (i: number, part: Partial<ChainPart>) =>
    setParts(parts.map((p, k) => (k === i ? { ...p, ...part } : p)));
  return (
    <div ref={ref} className="flex min-w-0 flex-col gap-1.5">
      {room.width > 0 && <ChainDrawing parts={parts} width={room.width} />}
      <ul className="flex flex-wrap gap-x-3 gap-y-1">
        {parts.map((part, i) => (
          <li key={i} className="flex items-center gap-1">
            <Choose
              label={`Part ${i + 1}`}
              className="w-[92px]"
              value={part.what}
              choices={whats}
              onChange={(what) => change(i, { what })}
            />
            <CommitField
              label={`Part ${i + 1}, px`}
              className="w-[72px]"
              suffix="px"
              value={String(part.px)}
              onCommit={(text) => {
                const read = text.trim() === '0' ? { ok: true as const, px: 0 } : readPixels(text);
                if (!read.ok) {
                  return read.message;
                }
                change(i, { px: read.px });
              }}
            />
            <IconButton
              label={`Remove part ${i + 1}`}
              className="h-[22px] w-6! border-transparent"
              disabled={parts.length < 2}
              onClick={() => setParts(parts.filter((_, k) => k !== i))}
            >
              <X size={13} />
            </IconButton>
          </li>
        ))}
        <li>
          <Button
            onClick={() =>
              setParts([
                ...parts,
                parts.at(-1)?.what === 'column'
                  ? { what: 'gap', px: 20 }
                  : { what: 'column', px: parts.findLast((p) => p.what === 'column')?.px ?? 200 },
              ])
            }
          >
            <Plus size={13} aria-hidden />
            Part
          </Button>
        </li>
        <li className="ml-auto">
          <Button
            variant="main"
            disabled={total < 1 || total > 8000}
            onClick={() => onMeasured({ width: total }, { from: 'columns', parts })}
          >
            Take {total} px as the width
          </Button>
        </li>
      </ul>
    </div>
  );
}
