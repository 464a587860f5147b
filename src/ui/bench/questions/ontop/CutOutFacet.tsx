'use client';

import { Brush, Eraser, Lasso, Pipette, X } from 'lucide-react';
import { editLayer } from '@/core/site/edit';
import type { PhotoLayer } from '@/core/site/model/photoLayer';
import { Button, Hint } from '../../../shared/Button';
import { NumberRow } from '../../../shared/NumberRow';
import { Row } from '../../../shared/Row';
import { Switch } from '../../../shared/Switch';
import { setCutOut } from '@/core/cutout/editCutOut';
import { type Tool, useEditing, useSelecting } from '../../useBench';

/** Size of the brush to begin with, px of the slot. */
const usualBrush = 14;

const drawn = 'Draw on the picture, or move with the arrows and press Enter.';

/** What is to be done with each tool. */
const told: Readonly<Record<Tool['kind'], string>> = {
  words: '',
  line: '',
  sample: 'Click the surround, or move with the arrows and press Enter.',
  brush: drawn,
  loop: 'Draw round it, or set corners by arrows and Enter, the last twice.',
};

/** The plain surround is made see-through, and the rest cleaned up by hand. */
export function CutOutFacet({ layer: photo }: { layer: PhotoLayer }) {
  const { picture, slot, commit, preview } = useEditing();
  const { tool, setTool } = useSelecting();
  const cutOut = photo.cutOut;
  const change = (part: object) => setCutOut(picture.id, photo.id, (c) => ({ ...c, ...part }));
  const toggle = (next: Tool) =>
    setTool(
      tool?.kind === next.kind &&
        (next.kind !== 'brush' || (tool.kind === 'brush' && tool.mode === next.mode))
        ? undefined
        : next,
    );
  const size = tool?.kind === 'brush' ? tool.size : usualBrush;
  return (
    <div className="flex flex-col gap-1.5">
      <Row label="Thing" tight>
        <Button
          aria-pressed={tool?.kind === 'loop'}
          disabled={photo.locked}
          onClick={() => toggle({ kind: 'loop', layerId: photo.id })}
        >
          <Lasso size={13} aria-hidden />
          {cutOut?.area ? 'Draw round it again' : 'Draw round it'}
        </Button>
        {cutOut?.area ? (
          <Button
            onClick={() => commit('Without the loop', change({ area: null }))}
            disabled={photo.locked}
          >
            Without the loop
          </Button>
        ) : (
          <span className="min-w-0 text-soft">On a busy ground, a rough loop is enough.</span>
        )}
      </Row>
      <Row label="Surround" tight>
        <Button
          aria-pressed={tool?.kind === 'sample'}
          disabled={photo.locked}
          onClick={() => toggle({ kind: 'sample', layerId: photo.id })}
        >
          <Pipette size={13} aria-hidden />
          {cutOut?.samples.length ? 'Remove one more' : 'Remove its colour'}
        </Button>
        <ul aria-label="Colours removed" className="flex min-w-0 flex-wrap gap-1">
          {cutOut?.samples.map((s, i) => (
            <li key={i}>
              <Hint text={`${s.colour} is removed; click to leave it in`}>
                <button
                  type="button"
                  aria-label={`Leave ${s.colour} in again`}
                  onClick={() =>
                    commit(
                      `Leave ${s.colour} in`,
                      change({ samples: cutOut.samples.filter((_, k) => k !== i) }),
                    )
                  }
                  className="grid h-[26px] w-[26px] place-items-center rounded-sm border border-line hover:border-soft"
                  style={{ background: s.colour }}
                >
                  <X size={12} className="rounded-full bg-white text-ink" aria-hidden />
                </button>
              </Hint>
            </li>
          ))}
        </ul>
        {!cutOut?.samples.length && (
          <span className="min-w-0 text-soft">
            Or point at the colour that is to go, on the picture.
          </span>
        )}
      </Row>
      {cutOut && (cutOut.samples.length > 0 || cutOut.area) && (
        <div className="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)] gap-x-4 [&_label]:w-[76px]">
          {cutOut.samples.length > 0 && (
            <NumberRow
              label="Tolerance"
              value={cutOut.tolerance}
              min={0}
              max={40}
              step={0.5}
              digits={1}
              unit=""
              onPreview={(tolerance) => preview(change({ tolerance }))}
              onCommit={(tolerance) => commit(`Tolerance ${tolerance}`, change({ tolerance }))}
            />
          )}
          <NumberRow
            label="Soft edge"
            value={cutOut.softness}
            min={0}
            max={40}
            unit="px"
            onPreview={(softness) => preview(change({ softness }))}
            onCommit={(softness) =>
              commit(`Soft edge ${Math.round(softness)} px`, change({ softness }))
            }
          />
        </div>
      )}
      {cutOut && cutOut.samples.length > 0 && (
        <Row label="Where" tight>
          <Switch
            label="Where it is removed"
            value={cutOut.joined ? 'joined' : 'everywhere'}
            choices={[
              { value: 'joined', label: 'joined to the place' },
              { value: 'everywhere', label: 'everywhere' },
            ]}
            onChange={(v) =>
              commit(
                v === 'joined' ? 'Only what is joined' : 'Everywhere',
                change({ joined: v === 'joined' }),
              )
            }
          />
        </Row>
      )}
      <Row label="Brush" tight>
        <Button
          aria-pressed={tool?.kind === 'brush' && tool.mode === 'away'}
          disabled={photo.locked}
          onClick={() => toggle({ kind: 'brush', layerId: photo.id, mode: 'away', size })}
        >
          <Eraser size={13} aria-hidden />
          Take away
        </Button>
        <Button
          aria-pressed={tool?.kind === 'brush' && tool.mode === 'back'}
          disabled={photo.locked}
          onClick={() => toggle({ kind: 'brush', layerId: photo.id, mode: 'back', size })}
        >
          <Brush size={13} aria-hidden />
          Bring back
        </Button>
        {tool?.kind === 'brush' && (
          <div className="min-w-0 grow [&_label]:w-9">
            <NumberRow
              label="Size"
              value={tool.size}
              min={1}
              max={Math.max(20, Math.round(slot.height / 2))}
              unit="px"
              onPreview={(v) => setTool({ ...tool, size: v })}
              onCommit={(v) => setTool({ ...tool, size: v })}
            />
          </div>
        )}
        {cutOut && !(tool?.kind === 'brush') && (
          <Button
            onClick={() =>
              commit(
                'Remove the cut-out',
                editLayer<PhotoLayer>(picture.id, photo.id, { cutOut: null }),
              )
            }
          >
            Whole photo again
          </Button>
        )}
      </Row>
      {tool && <p className="text-soft">{told[tool.kind]} Escape puts it down.</p>}
    </div>
  );
}
