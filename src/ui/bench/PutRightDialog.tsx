'use client';

import { Dialog } from 'radix-ui';
import { useMemo, useState } from 'react';
import { worstFirst, type Reading } from '@/core/readings/reading';
import { backdropOf } from '@/core/seam/adjacentColours';
import { applyEdit, chain } from '@/core/site/edit';
import type { Picture } from '@/core/site/model/picture';
import type { Site } from '@/core/site/model/site';
import type { Slot } from '@/core/site/model/slot';
import { pictureOf, slotOf } from '@/core/site/picture';
import { usePuttingRight } from '../hooks/usePuttingRight';
import { usePixels } from '../hooks/usePixels';
import { Button } from '../shared/Button';
import { useRasterCanvas } from '../shared/useRasterCanvas';
import { VerdictMark } from '../shared/VerdictMark';
import { useEditing, useFiled } from './useBench';

/** Room for one of the two pictures, px. */
const room = { width: 560, height: 190 };

/** What is only to be looked at may be as it is wanted: it is offered, and not chosen. */
const isChosenFirst = ({ verdict }: Reading): boolean => verdict === 'fails';

const none: readonly Reading[] = [];

/** What is to be put right is chosen, seen before and after, and is one step. */
export function PutRightDialog({
  open,
  onOpenChange,
}: {
  open: boolean;
  onOpenChange(open: boolean): void;
}) {
  const { readings } = useFiled();
  const { site, slot, picture, commit } = useEditing();
  /** Those that are chosen otherwise than they come. */
  const [turned, setTurned] = useState<ReadonlySet<string>>(new Set());
  const mendable = useMemo(() => worstFirst(readings.filter((r) => r.mend)), [readings]);
  const chosen = useMemo(
    () => mendable.filter((r) => isChosenFirst(r) !== turned.has(r.id)),
    [mendable, turned],
  );
  const whole = usePuttingRight(site, slot, open ? chosen : none);
  // Seen at once as far as it is known.
  const edit = useMemo(() => whole ?? chain(...chosen.map((r) => r.mend!.edit)), [whole, chosen]);
  const after = useMemo(() => applyEdit(site, edit), [site, edit]);
  const afterSlot = slotOf(after, slot.id) ?? slot;
  const count = chosen.length;
  const toggle = (id: string) => {
    const next = new Set(turned);
    if (!next.delete(id)) {
      next.add(id);
    }
    setTurned(next);
  };
  return (
    <Dialog.Root open={open} onOpenChange={onOpenChange}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/25" />
        <Dialog.Content className="fixed top-1/2 left-1/2 z-40 flex max-h-[calc(100vh-2rem)] w-[min(1200px,calc(100vw-2rem))] -translate-x-1/2 -translate-y-1/2 flex-col gap-3 overflow-auto rounded-sm border border-line bg-white p-5">
          <Dialog.Title className="font-semibold">Put right</Dialog.Title>
          <Dialog.Description className="text-soft">
            What is chosen is done in one step, and one undo takes it back.
          </Dialog.Description>
          <div className="grid grid-cols-[repeat(auto-fit,minmax(min(100%,300px),1fr))] gap-4">
            <Look title="Before" site={site} slot={slot} picture={picture} />
            <Look
              title="After"
              site={after}
              slot={afterSlot}
              picture={pictureOf(after, afterSlot)}
            />
          </div>
          <ul aria-label="What can be put right" className="flex flex-col gap-1">
            {mendable.map((reading) => (
              <Choice
                key={reading.id}
                reading={reading}
                checked={chosen.includes(reading)}
                onToggle={() => toggle(reading.id)}
              />
            ))}
          </ul>
          <div className="flex items-center justify-end gap-2">
            <p role="status" className="grow text-soft">
              {whole ? '' : 'Measuring what they come to together…'}
            </p>
            <Dialog.Close asChild>
              <Button>Leave it</Button>
            </Dialog.Close>
            <Dialog.Close asChild>
              <Button
                variant="main"
                disabled={count === 0 || !whole}
                aria-busy={!whole}
                onClick={() =>
                  commit(`Put right ${count} ${count === 1 ? 'reading' : 'readings'}`, edit)
                }
              >
                Put right {count}
              </Button>
            </Dialog.Close>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function Choice({
  reading,
  checked,
  onToggle,
}: {
  reading: Reading;
  checked: boolean;
  onToggle(): void;
}) {
  return (
    <li>
      <label className="flex min-h-7 items-center gap-2">
        <input type="checkbox" className="accent-act" checked={checked} onChange={onToggle} />
        <VerdictMark verdict={reading.verdict} />
        <span className="min-w-0 break-words">
          {reading.plain}. <span className="text-soft">{reading.mend!.label}.</span>
        </span>
      </label>
    </li>
  );
}

/** The picture over what it lies on. */
function Look({
  title,
  site,
  slot,
  picture,
}: {
  title: string;
  site: Site;
  slot: Slot;
  picture: Picture;
}) {
  const pixels = usePixels(slot, picture);
  const canvas = useRasterCanvas(pixels);
  const k = Math.min(1, room.width / slot.width, room.height / slot.height);
  return (
    <figure className="min-w-0">
      <figcaption className="caption">{title}</figcaption>
      <div
        className="mt-1 max-w-full overflow-hidden border border-hair p-3"
        style={{ background: backdropOf(site, slot) }}
        aria-busy={!pixels}
      >
        <canvas
          ref={canvas}
          role="img"
          aria-label={`${slot.name}, ${title.toLowerCase()}`}
          className="block max-w-full"
          style={{ width: slot.width * k, aspectRatio: `${slot.width} / ${slot.height}` }}
        />
      </div>
    </figure>
  );
}
