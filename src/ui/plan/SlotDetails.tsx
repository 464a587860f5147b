'use client';

import Link from 'next/link';
import { editSlot } from '@/core/site/edit';
import type { Page } from '@/core/site/model/page';
import type { Site } from '@/core/site/model/site';
import type { Slot } from '@/core/site/model/slot';
import { makeDefaultBackground, pagesWith } from '@/core/site/pages';
import { isContent } from '@/core/slots/registry';
import { removeSlot, takeOff } from '@/core/site/dropSlot';
import { placeSlot, resizeSlot } from '@/core/site/slots';
import { readPixels } from '@/core/measure/pixels';
import type { Session } from '../hooks/useSession';
import { Button } from '../shared/Button';
import { CommitField } from '../shared/CommitField';

/** What can be changed of a slot without going to its bench. */
export function SlotDetails({
  session,
  site,
  page,
  slot,
  placed,
  href,
  onGone,
}: {
  session: Session;
  site: Site;
  page: Page;
  slot: Slot;
  placed: boolean;
  href: string;
  onGone(): void;
}) {
  const size = (side: 'width' | 'height') => (text: string) => {
    const read = readPixels(text);
    if (!read.ok) {
      return read.message;
    }
    session.commit(
      `${slot.name} ${read.px} px ${side === 'width' ? 'wide' : 'high'}`,
      resizeSlot(slot.id, { [side]: read.px }),
    );
  };
  const offset = (axis: 'x' | 'y') => (text: string) => {
    const px = Number(text.replace(/px$/, ''));
    if (!Number.isInteger(px)) {
      return `Expected whole px, found “${text}”.`;
    }
    session.commit(
      `Move ${slot.name}`,
      editSlot(slot.id, (s) => {
        s.offset[axis] = px;
      }),
    );
  };
  const renamed = (name: string) => {
    if (!name.trim()) {
      return 'Give it a name.';
    }
    session.commit(
      `Call it ${name.trim()}`,
      editSlot(slot.id, (s) => {
        s.name = name.trim().slice(0, 80);
      }),
    );
  };
  const elsewhere = pagesWith(site, slot).filter((p) => p.id !== page.id);
  return (
    <div className="flex flex-col gap-1.5 px-3 pb-2.5 pl-[50px]">
      <CommitField
        label={`Name of ${slot.name}`}
        words
        className="w-full"
        value={slot.name}
        onCommit={renamed}
      />
      <div className="flex items-center gap-1.5">
        <CommitField
          label="Slot width"
          className="w-[86px]"
          suffix="px"
          value={String(slot.width)}
          onCommit={size('width')}
        />
        <span aria-hidden>×</span>
        <CommitField
          label="Slot height"
          className="w-[86px]"
          suffix="px"
          value={String(slot.height)}
          onCommit={size('height')}
        />
        {isContent(slot.kind) && (
          <>
            <span className="ml-1 text-soft">moved</span>
            <CommitField
              label="Moved right"
              className="w-[58px]"
              suffix="→"
              value={String(slot.offset.x)}
              onCommit={offset('x')}
            />
            <CommitField
              label="Moved down"
              className="w-[58px]"
              suffix="↓"
              value={String(slot.offset.y)}
              onCommit={offset('y')}
            />
          </>
        )}
      </div>
      <div className="flex flex-wrap gap-1.5">
        <Link
          href={href}
          className="inline-flex h-[26px] items-center rounded-sm border border-act bg-act px-2.5 text-white hover:bg-[#0a574f]"
        >
          Open its bench
        </Link>
        {slot.kind === 'background' && site.defaultBackground !== slot.id && (
          <Button
            onClick={() => session.commit('Default background', makeDefaultBackground(slot.id))}
          >
            Default of all pages
          </Button>
        )}
        {placed ? (
          <Button
            onClick={() =>
              session.commit(`Take ${slot.name} off ${page.name}`, takeOff(page.id, slot.id))
            }
          >
            Take off this page
          </Button>
        ) : (
          <Button
            onClick={() =>
              session.commit(`Lay ${slot.name} on ${page.name}`, placeSlot(page.id, slot.id))
            }
          >
            Lay on this page
          </Button>
        )}
        <Button
          variant="bad"
          onClick={() => {
            session.commit(`Remove ${slot.name}`, removeSlot(slot.id));
            onGone();
          }}
        >
          Remove
        </Button>
      </div>
      {elsewhere.length > 0 && (
        <p className="text-soft">Also on {elsewhere.map((p) => p.name).join(', ')}.</p>
      )}
    </div>
  );
}
