'use client';

import { X } from 'lucide-react';
import { useState } from 'react';
import { contentWidthAt } from '@/core/measure/layoutPage';
import { hiddenShare, meanMargin, narrowedTo, shares } from '@/core/measure/visitors';
import { readPixels } from '@/core/measure/pixels';
import { wordsOf } from '@/core/refusal';
import { editPage } from '@/core/site/pages';
import type { Page } from '@/core/site/model/page';
import type { Site, VisitorWidth } from '@/core/site/model/site';
import { visitorsFrom } from '../hooks/readFromFile';
import type { Session } from '../hooks/useSession';
import { FileDrop } from '../measure/FileDrop';
import { Button, IconButton } from '../shared/Button';
import { CommitField } from '../shared/CommitField';
import { Group } from '../shared/Group';
import { notify } from '../shared/notices';
import { leastScreen, mostScreen } from './WidthChart';

interface Props {
  session: Session;
  site: Site;
  page: Page;
  onSuppose(px: number | undefined): void;
}

const percent = (share: number | undefined): string =>
  share === undefined ? '–' : `${Math.round(share * 100)}%`;

/** The owner's visitors by screen width, and what a narrower content would change for them. */
export function VisitorsPanel({ session, site, page, onSuppose }: Props) {
  const [busy, setBusy] = useState<string>();
  const [added, setAdded] = useState('');
  const { visitors } = site;
  const parts = shares(visitors);
  const keep = (label: string, list: readonly VisitorWidth[]) =>
    session.commit(label, (s) => {
      s.visitors = [...list].sort((a, b) => a.width - b.width);
      s.visitorsInvented = false;
    });
  const read = async (files: readonly File[]) => {
    const file = files[0];
    if (!file) {
      return;
    }
    setBusy(file.name);
    try {
      const list = await visitorsFrom(file);
      keep(`Visitors from ${file.name}`, list);
      notify('done', `${list.length} screen widths from ${file.name}.`);
    } catch (error) {
      notify('bad', wordsOf(error));
    }
    setBusy(undefined);
  };
  const now = contentWidthAt(page, mostScreen);
  const narrower = [
    now,
    ...[0.92, 0.85, 0.78, 0.7].map((k) => Math.round((now * k) / 20) * 20),
  ].filter((px, i, all) => px >= leastScreen && all.indexOf(px) === i);
  return (
    <div className="flex flex-col gap-3 p-3">
      <Group title="If the content were narrower">
        <table className="w-full text-left">
          <thead>
            <tr className="text-soft">
              <th scope="col" className="font-normal">
                content
              </th>
              <th scope="col" className="font-normal">
                no background
              </th>
              <th scope="col" className="font-normal">
                mean, each side
              </th>
              <td />
            </tr>
          </thead>
          <tbody>
            {narrower.map((px) => {
              const supposed = narrowedTo(page, px);
              const mean = meanMargin(supposed, visitors);
              return (
                <tr
                  key={px}
                  className="border-t border-hair hover:bg-act-wash"
                  onMouseEnter={() => onSuppose(px === now ? undefined : px)}
                  onMouseLeave={() => onSuppose(undefined)}
                >
                  <td className="h-[30px] figure">{px} px</td>
                  <td className="figure">{percent(hiddenShare(supposed, visitors))}</td>
                  <td className="figure">{mean === undefined ? '–' : `${Math.round(mean)} px`}</td>
                  <td className="text-right">
                    {px === now ? (
                      <span className="text-soft">as it is</span>
                    ) : (
                      <Button
                        className="h-[22px]"
                        aria-label={`Set the content to ${px} px`}
                        onFocus={() => onSuppose(px)}
                        onBlur={() => onSuppose(undefined)}
                        onClick={() => {
                          session.commit(
                            `Content ${px} px`,
                            editPage(page.id, (p) => {
                              p.content.px = px;
                            }),
                          );
                          onSuppose(undefined);
                        }}
                      >
                        Set
                      </Button>
                    )}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
        <p className="text-soft">
          “No background”: the share of your visitors on whose screens the content covers all of it.
        </p>
      </Group>

      <Group
        title={`Your visitors by screen width${site.visitorsInvented ? ', invented for the sample' : ''}`}
      >
        <FileDrop
          label="List of visitors"
          button="Choose a CSV file"
          accept=".csv,.tsv,.txt"
          busy={busy}
          onFiles={(f) => void read(f)}
        >
          Drop a list: a width or a size such as 1920x1080, then how many.
        </FileDrop>
        {visitors.length === 0 && (
          <p className="text-soft">No width yet. Drop a list, or add one below.</p>
        )}
        <ul className="mt-1">
          {visitors.map((v, i) => (
            <li key={v.width} className="flex h-[30px] items-center gap-2 border-t border-hair">
              <span className="w-16 text-right figure">{v.width} px</span>
              <CommitField
                label={`Visitors at ${v.width} px`}
                className="w-20"
                value={String(v.share)}
                onCommit={(text) => {
                  const share = Number(text.replace(',', '.').replace('%', ''));
                  if (text.trim() === '' || !(share >= 0 && share <= 1e9)) {
                    return `Expected how many, found “${text}”.`;
                  }
                  keep(
                    `Visitors at ${v.width} px`,
                    visitors.map((w, k) => (k === i ? { ...w, share } : w)),
                  );
                }}
              />
              <span aria-hidden className="relative h-2.5 grow bg-sheet">
                <span
                  className="absolute inset-y-0 left-0 bg-[#cfd8d6]"
                  style={{ width: `${(parts[i]?.share ?? 0) * 100}%` }}
                />
              </span>
              <span className="w-9 text-right figure text-soft">{percent(parts[i]?.share)}</span>
              <IconButton
                label={`Remove ${v.width} px`}
                className="h-[22px] w-6! border-transparent"
                onClick={() =>
                  keep(
                    `Remove ${v.width} px`,
                    visitors.filter((_, k) => k !== i),
                  )
                }
              >
                <X size={13} />
              </IconButton>
            </li>
          ))}
        </ul>
        <div className="mt-1 flex items-center gap-2">
          <span className="text-soft">Another width</span>
          <CommitField
            label="Another screen width"
            className="w-24"
            suffix="px"
            value={added}
            onCommit={(text) => {
              const wanted = readPixels(text);
              if (!wanted.ok) {
                return wanted.message;
              }
              if (wanted.px < 200) {
                return `Expected a screen of 200 px or more, found ${wanted.px}.`;
              }
              if (visitors.some((v) => v.width === wanted.px)) {
                return `${wanted.px} px is in the list already.`;
              }
              keep(`Add ${wanted.px} px`, [
                ...visitors,
                { width: wanted.px, share: visitors.length ? 1 : 100 },
              ]);
              setAdded('');
            }}
          />
        </div>
      </Group>
    </div>
  );
}
