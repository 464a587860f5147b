'use client';

import { figuresOf, harmonyRoles, type Harmony, type HarmonyKind } from '@/core/harmony/harmony';
import { chooseByArrow } from '../shared/arrowStep';
import { VerdictMark } from '../shared/VerdictMark';
import { HarmonyFace } from './HarmonyFace';
import { harmonyTitles, pairWords } from './words';

/** Sets of colours as small pages, one of which can be chosen; of that one every figure. */
export function HarmonyChoice({
  harmonies,
  chosen,
  onChoose,
}: {
  harmonies: readonly Harmony[];
  chosen: HarmonyKind | undefined;
  onChoose(harmony: Harmony): void;
}) {
  const first = harmonies.some((h) => h.kind === chosen) ? chosen : harmonies[0]?.kind;
  return (
    <div role="radiogroup" aria-label="Sets of colours" className="flex flex-col gap-1.5">
      {harmonies.map((harmony, i) => {
        const { kind, colours } = harmony;
        const figures = figuresOf(harmony);
        const title = harmonyTitles[kind];
        const least = figures.slice(0, 2).map((f) => `${pairWords[f.of]} ${f.ratio.toFixed(1)}`);
        return (
          <div key={kind}>
            <button
              type="button"
              role="radio"
              aria-checked={kind === chosen}
              tabIndex={kind === first ? 0 : -1}
              aria-label={`${title}: ${harmonyRoles.map((r) => `${r} ${colours[r]}`).join(', ')}`}
              onClick={() => onChoose(harmony)}
              onKeyDown={(e) => chooseByArrow(e, i, harmonies, onChoose)}
              className="grid w-full grid-cols-[104px_minmax(0,1fr)] gap-2.5 rounded-sm border border-line bg-white p-1.5 text-left hover:border-soft aria-checked:border-act aria-checked:bg-act-wash"
            >
              <HarmonyFace harmony={harmony} />
              <span className="flex min-w-0 flex-col justify-between">
                <span className="truncate font-semibold">{title}</span>
                <span className="grid grid-cols-6">
                  {harmonyRoles.map((role) => (
                    <span key={role} className="min-w-0">
                      <span
                        className="block h-5 border border-black/10"
                        style={{ background: colours[role] }}
                      />
                      <span className="block truncate text-[10px] text-soft">{role}</span>
                    </span>
                  ))}
                </span>
                <span className="truncate figure text-[11px]! text-soft">{least.join('  ')}</span>
              </span>
            </button>
            {kind === chosen && <Figures harmony={harmony} />}
          </div>
        );
      })}
    </div>
  );
}

/** Every contrast of a harmony against what is wanted of it. */
function Figures({ harmony }: { harmony: Harmony }) {
  return (
    <table className="mt-1 w-full" aria-label="Contrasts of this set">
      <tbody>
        {figuresOf(harmony).map(({ of, on, ratio, wanted }) => (
          <tr key={`${of} ${on}`} className="border-t border-hair">
            <td className="py-0.5 pl-2">
              {pairWords[of]} {on === 'text' ? 'beside' : 'on the'} {pairWords[on]}
            </td>
            <td className="text-right figure">{ratio.toFixed(1)} : 1</td>
            <td className="w-24 pr-2 text-right figure text-[11px]! text-soft">
              <VerdictMark verdict={ratio >= wanted ? 'holds' : 'fails'} /> {wanted} wanted
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
