'use client';

import { useState } from 'react';
import { kindOf } from '@/core/layers/registry';
import {
  contrastVerdict,
  layVeil,
  ratioWords,
  veilExtent,
  type VeilForm,
} from '@/core/readings/legibility';
import { editLayer } from '@/core/site/edit';
import type { TextLayer } from '@/core/site/model/objectLayers';
import { Switch } from '../../../shared/Switch';
import { VerdictMark } from '../../../shared/VerdictMark';
import { useEditing, useFiled, useSelecting } from '../../useBench';
import { InkChoices, VeilChoices } from './VeilChoices';

/**
 * How each text stands off what lies behind it; the least veil of each colour that makes it
 * readable, and colours it would be readable in.
 */
export function LegibilityFacet() {
  const { slot, picture, commit } = useEditing();
  const { encodedFile } = useFiled();
  const { selected, select } = useSelecting();
  const reports = encodedFile.file?.texts ?? {};
  const texts = picture.layers.filter((l): l is TextLayer => l.kind === 'text' && !l.hidden);
  const [form, setForm] = useState<VeilForm>('all');
  const failing = texts.filter(
    (t) => reports[t.id] && reports[t.id].contrast.worst < reports[t.id].wanted,
  );
  const text = (selected?.kind === 'text' ? selected : undefined) ?? failing[0] ?? texts[0];
  const report = text && reports[text.id];
  const veils = report?.veils.filter((v) => v.percent < 100) ?? [];
  return (
    <div className="flex h-full gap-4">
      <table className="h-min w-[272px] shrink-0 border-collapse">
        <thead>
          <tr className="text-left caption">
            <th className="font-normal">Text</th>
            <th className="w-[58px] text-right font-normal">Worst</th>
            <th className="w-[58px] text-right font-normal">5 in 100</th>
            <th className="w-[58px] text-right font-normal">Middle</th>
          </tr>
        </thead>
        <tbody>
          {texts.map((t) => {
            const r = reports[t.id];
            return (
              <tr key={t.id} className="border-t border-hair">
                <td className="max-w-0">
                  <button
                    type="button"
                    aria-pressed={t === text}
                    onClick={() => select(t.id)}
                    className="flex h-[26px] w-full items-center gap-1.5 text-left aria-pressed:font-semibold"
                  >
                    {r && <VerdictMark verdict={contrastVerdict(r)} />}
                    <span className="truncate">{kindOf(t).name(t)}</span>
                  </button>
                </td>
                {r ? (
                  [r.contrast.worst, r.contrast.fifth, r.contrast.median].map((v, i) => (
                    <td key={i} className={`text-right figure ${v < r.wanted ? 'text-bad' : ''}`}>
                      {ratioWords(v)}
                    </td>
                  ))
                ) : (
                  <td colSpan={3} className="text-right text-soft">
                    not measured yet
                  </td>
                )}
              </tr>
            );
          })}
        </tbody>
      </table>
      <div className="flex min-w-0 grow flex-col gap-1.5 overflow-y-auto [&>*]:shrink-0">
        {!report && (
          <p className="text-soft">
            {text ? 'Measured once the picture rests.' : 'No words to be read.'}
          </p>
        )}
        {report && report.contrast.worst >= report.wanted && (
          <p className="text-soft">
            “{kindOf(text).name(text)}” has {ratioWords(report.contrast.worst)} at its worst spot;{' '}
            {report.wanted}:1 is wanted of text of its size and weight.
          </p>
        )}
        {report && report.contrast.worst < report.wanted && (
          <>
            <span className="caption">Veil</span>
            <Switch<VeilForm>
              label="Where the veil lies"
              value={form}
              onChange={setForm}
              choices={[
                { value: 'all', label: 'over all' },
                { value: 'behind', label: 'behind them' },
                { value: 'side', label: 'from a side' },
              ]}
            />
            {veils.length > 0 ? (
              <VeilChoices
                veils={veils}
                wanted={report.wanted}
                onVeil={({ colour, percent }, label) =>
                  commit(
                    label,
                    layVeil(picture, text, colour, percent, veilExtent(form, report.bounds, slot)),
                  )
                }
              />
            ) : (
              <p className="text-soft">
                No veil reaches {report.wanted}:1: the words have an outline, a shadow or a
                see-through colour. Another colour may.
              </p>
            )}
            {report.inks.length > 0 && (
              <>
                <span className="caption">Or the words in</span>
                <InkChoices
                  inks={report.inks}
                  what="Words"
                  onInk={(colour, label) =>
                    commit(label, editLayer<TextLayer>(picture.id, text.id, { colour }))
                  }
                />
              </>
            )}
          </>
        )}
      </div>
    </div>
  );
}
