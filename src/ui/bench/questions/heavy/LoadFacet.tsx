'use client';

import type { Verdict } from '@/core/readings/reading';
import { connections, loadFormula, loadMs, phoneWidth, slotsLoaded } from '@/core/load/load';
import { kilobytes } from '@/core/readings/say';
import { slotOf } from '@/core/site/picture';
import { useWeights } from '../../../hooks/useWeights';
import { CommitField } from '../../../shared/CommitField';
import { Group } from '../../../shared/Group';
import { Row } from '../../../shared/Row';
import { VerdictMark } from '../../../shared/VerdictMark';
import { useEditing, useFiled } from '../../useBench';

const seconds = (ms: number): string =>
  ms < 995 ? `${Math.round(ms / 10) * 10} ms` : `${(ms / 1000).toFixed(1)} s`;

function loadVerdict(known: boolean, within: boolean): Verdict {
  if (!known) {
    return 'unknown';
  }
  return within ? 'holds' : 'fails';
}

/**
 * How long the file takes to come, and what all pictures of each page weigh together on a phone.
 */
export function LoadFacet() {
  const { site, commit } = useEditing();
  const { encodedFile } = useFiled();
  const bytes = encodedFile.current ? encodedFile.file?.bytes : undefined;
  const weights = useWeights(site);
  const budget = site.limits.phoneBytes;
  const slowest = bytes === undefined ? 1 : Math.max(...connections.map((c) => loadMs(bytes, c)));
  return (
    <div className="flex h-full gap-5">
      <Group title="This file comes in" className="w-[240px] shrink-0">
        <ul>
          {connections.map((c) => (
            <li
              key={c.name}
              data-connection={c.name}
              className="border-t border-hair py-1 first:border-0"
            >
              <span className="flex justify-between gap-2">
                <span className="truncate">
                  {c.name}{' '}
                  <span className="text-[11.5px] text-soft">
                    {c.bitsPerSecond / 1e6} Mbit/s, {c.roundTripMs} ms
                  </span>
                </span>
                <span className="shrink-0 figure">
                  {bytes === undefined ? '–' : seconds(loadMs(bytes, c))}
                </span>
              </span>
              <span
                aria-hidden
                className="mt-0.5 block h-1 bg-act"
                style={{
                  width: `${bytes === undefined ? 0 : Math.max(1, (100 * loadMs(bytes, c)) / slowest)}%`,
                }}
              />
            </li>
          ))}
        </ul>
        <p className="text-soft">Time = {loadFormula}.</p>
      </Group>
      <div className="flex min-w-0 grow flex-col gap-1 overflow-y-auto">
        <Group title={`Pictures of a page on a phone of ${phoneWidth} px`}>
          <Row tight label="At most">
            <CommitField
              label="Budget of a page on a phone"
              className="w-28"
              suffix="KB"
              value={String(budget / 1000)}
              onCommit={(text) => {
                const kb = Number(text.replace(',', '.'));
                if (!(kb >= 1 && kb <= 50000)) {
                  return `Expected 1 to 50000 KB, found “${text}”.`;
                }
                commit(`A page of ${kb} KB`, (s) => {
                  s.limits.phoneBytes = Math.round(kb * 1000);
                });
              }}
            />
          </Row>
          {site.pages.map((page) => {
            const loaded = slotsLoaded(site, page, phoneWidth);
            const known = loaded.filter((id) => weights.has(id));
            const total = known.reduce((sum, id) => sum + weights.get(id)!, 0);
            const complete = known.length === loaded.length;
            return (
              <div key={page.id} data-page-weight={page.name}>
                <p className="flex items-center gap-1">
                  <VerdictMark verdict={loadVerdict(complete, total <= budget)} />
                  <span className="min-w-0 grow truncate">{page.name}</span>
                  <span className="figure">{kilobytes(total)}</span>
                </p>
                <div aria-hidden className="relative h-2 bg-hair">
                  <span
                    className="absolute inset-y-0 left-0 flex"
                    style={{ width: `${Math.min(100, (100 * total) / budget)}%` }}
                  >
                    {known.map((id, i) => (
                      <span
                        key={id}
                        title={`${slotOf(site, id)?.name}: ${kilobytes(weights.get(id)!)}`}
                        className={i % 2 ? 'bg-soft' : 'bg-act'}
                        style={{ width: `${(100 * weights.get(id)!) / Math.max(1, total)}%` }}
                      />
                    ))}
                  </span>
                </div>
                <p className="truncate text-[11.5px] text-soft">
                  {loaded
                    .filter((id) => weights.get(id) !== 0)
                    .map(
                      (id) =>
                        `${slotOf(site, id)?.name} ${weights.has(id) ? kilobytes(weights.get(id)!) : '…'}`,
                    )
                    .join(', ') || 'No picture.'}
                </p>
              </div>
            );
          })}
        </Group>
      </div>
    </div>
  );
}
