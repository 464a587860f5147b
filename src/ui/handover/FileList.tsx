'use client';

import { Download } from 'lucide-react';
import Link from 'next/link';
import { encodeSettingsWords } from '@/core/encode/settings';
import type { HandedFile } from '@/core/handover/ports';
import type { PlannedFile, SlotFiles } from '@/core/handover/filePlan';
import { kilobytes } from '@/core/readings/say';
import type { Edit } from '@/core/site/edit';
import type { EncodeSettings } from '@/core/site/model/picture';
import type { Site } from '@/core/site/model/site';
import { isContent } from '@/core/slots/registry';
import { useThumb } from '../hooks/useThumb';
import { Button } from '../shared/Button';
import { download } from '../shared/download';
import { AlternativeText } from './AlternativeText';
import { whatFor } from './whatFor';

/** What the encoder was asked for beside that is told when pointed at. */
const inShort = (settings: EncodeSettings): string =>
  encodeSettingsWords({ ...settings, effort: 'usual', dithered: false });

const nameOf = (path: string): string => path.slice(path.lastIndexOf('/') + 1);

const replacedWords = (path: string, [file]: readonly PlannedFile[]): string =>
  nameOf(path) === nameOf(file.path)
    ? 'Takes the place of the theme’s file of that name.'
    : `In place of ${nameOf(path)}: the lines that name it change.`;

interface Props {
  readonly site: Site;
  readonly plan: readonly SlotFiles[];
  readonly files: ReadonlyMap<string, HandedFile>;
  readonly selected: string | undefined;
  onSelect(slotId: string): void;
  commit(label: string, edit: Edit): void;
}

/**
 * Every slot with its files: name, what it is for, size, format and weight, each to be saved alone.
 */
export function FileList({ plan, ...rest }: Props) {
  return (
    <ul aria-label="Files" className="flex flex-col">
      {plan.map((p) => (
        <SlotRow key={p.slot.id} own={p} {...rest} />
      ))}
    </ul>
  );
}

function SlotRow({
  site,
  own,
  files,
  selected,
  onSelect,
  commit,
}: Omit<Props, 'plan'> & { own: SlotFiles }) {
  const { slot, picture, note } = own;
  const thumb = useThumb(site, slot);
  const current = selected === slot.id;
  return (
    <li
      className={`border-b border-hair px-4 py-2 ${current ? 'bg-white' : ''}`}
      data-slot-files={slot.name}
    >
      <div className="flex gap-3">
        <div className="flex w-[132px] shrink-0 flex-col gap-1">
          <button
            type="button"
            aria-pressed={current}
            onClick={() => onSelect(slot.id)}
            className="flex h-[74px] items-center justify-center overflow-hidden rounded-sm border border-line see-through aria-pressed:border-act"
            aria-label={`Show the lines of ${slot.name}`}
          >
            {thumb && (
              <span
                aria-hidden
                className="size-full bg-contain bg-center bg-no-repeat"
                style={{ backgroundImage: `url(${thumb})` }}
              />
            )}
          </button>
          <Link
            href={`/sites/${site.id}/slots/${slot.id}`}
            className="truncate font-semibold hover:underline"
            title={slot.name}
          >
            {slot.name}
          </Link>
        </div>
        <div className="min-w-0 grow">
          <table className="w-full table-fixed">
            <colgroup>
              <col />
              <col style={{ width: 56 }} />
              <col style={{ width: 82 }} />
              <col style={{ width: 90 }} />
              <col style={{ width: 62 }} />
              <col style={{ width: 36 }} />
            </colgroup>
            <thead className="sr-only">
              <tr>
                <th>Name</th>
                <th>For</th>
                <th>Size</th>
                <th>Format</th>
                <th>Weight</th>
                <th>Save</th>
              </tr>
            </thead>
            <tbody>
              {own.files.map((f) => {
                const file = files.get(f.path);
                return (
                  <tr key={f.path} data-file={f.path} className="h-[25px]">
                    <td className="truncate pr-2" title={f.path}>
                      {f.path.replace(/^pictures\//, '')}
                    </td>
                    <td className="truncate pr-2 text-soft" title={whatFor(f).words}>
                      {whatFor(f).short}
                      <span className="sr-only">{whatFor(f).words}</span>
                    </td>
                    <td className="figure whitespace-nowrap text-soft">
                      {f.width}×{f.height}
                    </td>
                    <td className="truncate pr-1 text-soft" title={encodeSettingsWords(f.settings)}>
                      {f.asItWas === undefined ? inShort(f.settings) : 'as it was'}
                    </td>
                    <td className="text-right figure">
                      {file ? kilobytes(file.bytes.length) : '…'}
                    </td>
                    <td className="text-right">
                      <Button
                        className="h-[22px] w-7 px-0!"
                        disabled={!file}
                        aria-label={`Save ${f.path}`}
                        onClick={() =>
                          file && download(f.path.replace(/^.*\//, ''), file.bytes, file.type)
                        }
                      >
                        <Download size={12} aria-hidden />
                      </Button>
                    </td>
                  </tr>
                );
              })}
            </tbody>
          </table>
          {note && <p className="text-warn">{note}</p>}
          {slot.replaces !== null && !note && (
            <p className="text-soft">{replacedWords(slot.replaces, own.files)}</p>
          )}
          {isContent(slot.kind) && (
            <div className="mt-1 max-w-[460px]">
              <AlternativeText slot={slot} picture={picture} commit={commit} />
            </div>
          )}
        </div>
      </div>
    </li>
  );
}
