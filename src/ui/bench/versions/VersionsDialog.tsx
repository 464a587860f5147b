'use client';

import { Copy, Trash2, X } from 'lucide-react';
import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { kilobytes } from '@/core/readings/say';
import type { Page } from '@/core/site/model/page';
import type { PictureVersion } from '@/core/site/model/slot';
import {
  addVersion,
  chooseVersion,
  freeVersionName,
  mostVersions,
  removeVersion,
  renameVersion,
  versionsOf,
} from '@/core/site/versions';
import { useSeenVersions, type SeenVersion } from '../../hooks/useSeenVersions';
import { Button, IconButton } from '../../shared/Button';
import { CommitField } from '../../shared/CommitField';
import { newId } from '../../shared/newId';
import { useRasterCanvas } from '../../shared/useRasterCanvas';
import { VerdictMark } from '../../shared/VerdictMark';
import { useEditing } from '../useBench';

/** So many are seen side by side. */
const atOnce = 4;

/** The versions of a picture side by side, each lying in the page. */
export function VersionsDialog({
  page,
  screen,
  open,
  onOpenChange,
}: {
  page: Page;
  screen: number;
  open: boolean;
  onOpenChange(open: boolean): void;
}) {
  const { slot } = useEditing();
  return (
    <Dialog.Root open={open} onOpenChange={onOpenChange}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/25" />
        <Dialog.Content
          className="fixed inset-4 z-40 flex flex-col rounded-sm border border-line bg-white"
          aria-describedby={undefined}
        >
          <div className="flex h-[46px] shrink-0 items-center gap-3 border-b border-hair px-4">
            <Dialog.Title className="min-w-0 truncate font-semibold">
              Versions of {slot.name}
            </Dialog.Title>
            <AddVersion />
            <span className="grow" />
            <Dialog.Close asChild>
              <IconButton label="Close">
                <X size={15} />
              </IconButton>
            </Dialog.Close>
          </div>
          <Side page={page} screen={screen} />
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function AddVersion() {
  const { slot, commit } = useEditing();
  const name = freeVersionName(slot);
  return (
    <Button
      disabled={slot.versions.length >= mostVersions}
      onClick={() => commit(`Begin ${name}`, addVersion(slot.id, newId(), name))}
    >
      <Copy size={13} aria-hidden />
      Another version
    </Button>
  );
}

/** Those that are seen: the chosen one among them, whatever was asked for. */
function seenOf(
  versions: readonly PictureVersion[],
  chosen: string,
  asked: readonly string[] | undefined,
): readonly PictureVersion[] {
  const wanted = asked ?? versions.slice(-atOnce).map((v) => v.pictureId);
  const all = wanted.includes(chosen) ? wanted : [chosen, ...wanted].slice(0, atOnce);
  return versions.filter((v) => all.includes(v.pictureId));
}

function Side({ page, screen }: { page: Page; screen: number }) {
  const { site, slot } = useEditing();
  const versions = versionsOf(slot);
  const [asked, setAsked] = useState<readonly string[]>();
  const shown = seenOf(versions, slot.pictureId, asked);
  const ids = shown.map((v) => v.pictureId);
  const seen = useSeenVersions({ site, slot, page, screen }, ids);
  const toggle = (id: string) =>
    setAsked(ids.includes(id) ? ids.filter((i) => i !== id) : [...ids.slice(1 - atOnce), id]);
  return (
    <>
      {versions.length > atOnce && (
        <div
          role="group"
          aria-label="Versions that are seen"
          className="flex shrink-0 flex-wrap gap-1 border-b border-hair px-4 py-1.5"
        >
          {versions.map(({ pictureId, name }) => (
            <Button
              key={pictureId}
              className="h-[22px] max-w-[160px]"
              aria-pressed={ids.includes(pictureId)}
              disabled={pictureId === slot.pictureId}
              onClick={() => toggle(pictureId)}
            >
              <span className="truncate">{name}</span>
            </Button>
          ))}
        </div>
      )}
      <ul
        aria-label="Versions side by side"
        className={`grid min-h-0 grow gap-px overflow-y-auto bg-hair ${shown.length > 1 ? 'grid-cols-2' : 'grid-cols-1'}`}
      >
        {shown.map((version) => (
          <Version
            key={version.pictureId}
            version={version}
            seen={seen.get(version.pictureId)}
            alone={versions.length < 2}
          />
        ))}
      </ul>
    </>
  );
}

function countWords({ readings, bytes, failure }: Partial<SeenVersion>) {
  if (failure !== undefined) {
    return <span className="text-bad">{failure}</span>;
  }
  if (!readings) {
    return <span className="text-soft">Measured…</span>;
  }
  const count = (verdict: string) => readings.filter((r) => r.verdict === verdict).length;
  const [fails, look] = [count('fails'), count('look')];
  return (
    <>
      {fails > 0 && (
        <span className="text-bad">
          <VerdictMark verdict="fails" />
          {fails}
        </span>
      )}
      {look > 0 && (
        <span className="text-warn">
          <VerdictMark verdict="look" />
          {look}
        </span>
      )}
      {fails + look === 0 && (
        <span className="text-act">
          <VerdictMark verdict="holds" />
          all hold
        </span>
      )}
      <span className="figure">{bytes === undefined ? 'empty' : kilobytes(bytes)}</span>
    </>
  );
}

function Version({
  version: { pictureId, name },
  seen,
  alone,
}: {
  version: PictureVersion;
  seen: SeenVersion | undefined;
  alone: boolean;
}) {
  const { slot, commit } = useEditing();
  const canvas = useRasterCanvas(seen?.shot);
  const chosen = slot.pictureId === pictureId;
  const worst = seen?.readings?.filter((r) => r.verdict === 'fails' || r.verdict === 'look') ?? [];
  return (
    <li
      data-version={name}
      className={`flex min-h-0 min-w-0 flex-col gap-2 bg-white p-3 ${chosen ? 'outline-2 -outline-offset-2 outline-act' : ''}`}
    >
      <div className="flex min-h-[120px] grow items-center justify-center overflow-hidden bg-board">
        {seen?.shot ? (
          <canvas
            ref={canvas}
            role="img"
            aria-label={`${name} in the page`}
            className="max-h-full max-w-full"
          />
        ) : (
          <span className="text-soft">
            {seen?.readings && seen.bytes === undefined ? 'Nothing lies in it yet.' : 'Drawn…'}
          </span>
        )}
      </div>
      <div className="flex shrink-0 items-center gap-2.5">
        {alone ? (
          <span className="min-w-0 grow truncate font-semibold">{name}</span>
        ) : (
          <span className="min-w-0 grow">
            <CommitField
              words
              label={`Name of ${name}`}
              value={name}
              className="w-full"
              onCommit={(text) => {
                const wanted = text.trim().slice(0, 80);
                if (wanted === '') {
                  return 'Give it a name.';
                }
                commit(`Call it ${wanted}`, renameVersion(slot.id, pictureId, wanted));
                return undefined;
              }}
            />
          </span>
        )}
        {countWords(seen ?? {})}
        {!alone && (
          <>
            <Button
              aria-pressed={chosen}
              disabled={chosen}
              aria-label={chosen ? `${name} is handed over` : `Hand over ${name}`}
              onClick={() => commit(`Choose ${name}`, chooseVersion(slot.id, pictureId))}
            >
              {chosen ? 'Handed over' : 'Choose'}
            </Button>
            <IconButton
              label={`Remove ${name}`}
              onClick={() => commit(`Remove ${name}`, removeVersion(slot.id, pictureId))}
            >
              <Trash2 size={14} />
            </IconButton>
          </>
        )}
      </div>
      <p
        className="h-[18px] shrink-0 truncate text-soft"
        title={worst.map((r) => r.title).join(', ')}
      >
        {worst.map((r) => r.title).join(', ')}
      </p>
    </li>
  );
}
