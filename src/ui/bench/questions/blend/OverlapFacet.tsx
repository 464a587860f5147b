'use client';

import { fileSize, hasOverlap, overlapOf } from '@/core/frame/overlap';
import { isObject, kindOf } from '@/core/layers/registry';
import { sides } from '@/core/seam/edges';
import { editLayers, editSlot } from '@/core/site/edit';
import { CommitField } from '../../../shared/CommitField';
import { typedNumber } from '../../../shared/typedNumber';
import { useEditing } from '../../useBench';

/** How far beyond the slot's sides layers may hang, and which of them do. */
export function OverlapFacet() {
  const { slot, picture, commit } = useEditing();
  const overlap = overlapOf(slot);
  const size = fileSize(slot, overlap);
  const objects = picture.layers.filter(isObject);
  return (
    <div className="flex h-full flex-col gap-1.5 overflow-y-auto [&>*]:shrink-0">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        {sides.map((side) => (
          <span key={side} className="flex items-center gap-1.5">
            <span>{side}</span>
            <CommitField
              label={`Overlap at the ${side}`}
              suffix="px"
              className="w-[72px]"
              value={String(overlap[side])}
              onCommit={(text) => {
                const v = typedNumber(text);
                if (text.trim() === '' || !Number.isInteger(v) || v < 0 || v > 400) {
                  return `Expected whole px from 0 to 400, found “${text}”.`;
                }
                commit(
                  `Overlap of ${v} px at the ${side}`,
                  editSlot(slot.id, (s) => {
                    s.overlap[side] = v;
                  }),
                );
              }}
            />
          </span>
        ))}
      </div>
      {objects.length > 0 && (
        <ul aria-label="Layers that hang out" className="flex flex-wrap gap-x-4">
          {objects.map((l) => (
            <li key={l.id}>
              <label className="flex h-[26px] items-center gap-1.5">
                <input
                  type="checkbox"
                  className="accent-act"
                  checked={l.hangs}
                  onChange={(e) =>
                    commit(
                      `${kindOf(l).name(l).slice(0, 30)} ${e.target.checked ? 'hangs out' : 'stays in the slot'}`,
                      editLayers(picture.id, [l.id], () => ({ hangs: e.target.checked })),
                    )
                  }
                />
                <span className="max-w-52 truncate">“{kindOf(l).name(l)}” may hang out</span>
              </label>
            </li>
          ))}
        </ul>
      )}
      <p className="text-soft">
        {hasOverlap(overlap)
          ? `The file is ${size.width} × ${size.height} px: the slot, and what hangs out over its edges into the page. See-through there, in WebP, AVIF or PNG.`
          : 'Give a side some px, and a layer that may hang out is not cut there: it lies over the page beside the slot.'}
      </p>
    </div>
  );
}
