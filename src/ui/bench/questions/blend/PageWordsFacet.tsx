'use client';

import { contrastVerdict, ratioWords } from '@/core/readings/legibility';
import { inkMend, veilUnderPage } from '@/core/readings/pageWords';
import { VerdictMark } from '../../../shared/VerdictMark';
import { useEditing, usePageWords } from '../../useBench';
import { InkChoices, VeilChoices } from './VeilChoices';

/** How the page's own words over the picture can be read, and what would make them. */
export function PageWordsFacet() {
  const { site, slot, picture, commit } = useEditing();
  const { over } = usePageWords();
  if (!over) {
    return <p className="text-soft">Measured once the picture rests.</p>;
  }
  const [worst] = over.words;
  if (!worst) {
    return <p className="text-soft">No words of the page lie over it in what is seen here.</p>;
  }
  const holds = worst.contrast.worst >= worst.wanted;
  const mends = worst.inks.flatMap((ink) => {
    const mend = inkMend(site, slot.id, worst, ink);
    return mend ? [{ ink, mend }] : [];
  });
  return (
    <div className="flex h-full gap-4">
      <div className="w-[300px] shrink-0 overflow-y-auto">
        <table className="w-full border-collapse">
          <thead>
            <tr className="text-left caption">
              <th className="font-normal">Words of the page</th>
              <th className="w-[58px] text-right font-normal">Worst</th>
              <th className="w-[58px] text-right font-normal">5 in 100</th>
              <th className="w-[58px] text-right font-normal">Middle</th>
            </tr>
          </thead>
          <tbody>
            {over.words.slice(0, 40).map(({ text, selector, contrast, wanted }) => (
              <tr key={`${selector} ${text}`} className="h-[26px] border-t border-hair">
                <td className="max-w-0 truncate" title={text}>
                  <VerdictMark verdict={contrastVerdict({ contrast, wanted })} />
                  {text}
                </td>
                {[contrast.worst, contrast.fifth, contrast.median].map((v, i) => (
                  <td key={i} className={`text-right figure ${v < wanted ? 'text-bad' : ''}`}>
                    {ratioWords(v)}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <div className="flex min-w-0 grow flex-col gap-1.5 overflow-y-auto [&>*]:shrink-0">
        {holds && <p className="text-soft">All of them can be read everywhere.</p>}
        {!holds && (
          <>
            <span className="caption">Veil under them</span>
            {over.veils.length > 0 ? (
              <VeilChoices
                veils={over.veils}
                wanted={worst.wanted}
                onVeil={(veil, label) => commit(label, veilUnderPage(picture, veil))}
              />
            ) : (
              <p className="text-soft">No veil of the theme’s colours is enough.</p>
            )}
            {mends.length > 0 && (
              <>
                <span className="caption">Or “{worst.text.slice(0, 30)}” in</span>
                <InkChoices
                  inks={mends.map(({ ink }) => ink)}
                  what="The page’s words"
                  onInk={(ink, label) => commit(label, mends.find((m) => m.ink === ink)!.mend.edit)}
                />
              </>
            )}
          </>
        )}
      </div>
    </div>
  );
}
