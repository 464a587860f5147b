'use client';

import { ChevronDown, ChevronRight } from 'lucide-react';
import Link from 'next/link';
import { chainWords } from '@/core/measure/chain';
import { worstFirst } from '@/core/readings/reading';
import type { ToldReading } from '@/core/readings/told';
import { editSlot } from '@/core/site/edit';
import type { Page } from '@/core/site/model/page';
import type { Site } from '@/core/site/model/site';
import type { Slot } from '@/core/site/model/slot';
import { makeDefaultBackground, pagesWith, slotsAside } from '@/core/site/pages';
import { isContent } from '@/core/slots/registry';
import { isBlank, pictureOf } from '@/core/site/picture';
import { removeSlot, takeOff } from '@/core/site/dropSlot';
import { placeSlot, resizeSlot } from '@/core/site/slots';
import { readPixels } from '@/core/measure/pixels';
import type { SiteReadings } from '../hooks/useSiteReadings';
import type { Session } from '../hooks/useSession';
import { Button } from '../shared/Button';
import { CommitField } from '../shared/CommitField';
import { VerdictMark } from '../shared/VerdictMark';
import { ThemeColours } from './ThemeColours';

interface Props {
  session: Session;
  site: Site;
  page: Page;
  slots: readonly Slot[];
  readings: SiteReadings;
  selected: string | undefined;
  onSelect(slotId: string | undefined): void;
  onMeasure(): void;
  /** Shows the visitors by screen width. */
  onWidths(): void;
  href(slot: Slot): string;
}

const behaviour: Record<Slot['repeat'], string> = {
  'no-repeat': 'not repeated',
  repeat: 'repeats both ways',
  'repeat-x': 'repeats sideways',
  'repeat-y': 'repeats down',
};

/** Where the size comes from, or how the picture lies. */
function about(site: Site, slot: Slot): string {
  const place = isContent(slot.kind)
    ? 'scales with the page'
    : `${behaviour[slot.repeat]}${slot.attachment === 'fixed' ? ', fixed' : ''}`;
  if (slot.measured?.from === 'columns') {
    return `${chainWords(slot.measured.parts)}, ${place}`;
  }
  if (slot.replaces) {
    return `in place of ${slot.replaces}`;
  }
  return slot.id === site.defaultBackground ? `default of all pages, ${place}` : place;
}

/** The site at a glance: theme colours, slots, findings. */
export function SitePanel(props: Props) {
  const { site, slots, readings, onMeasure } = props;
  const aside = slotsAside(site);
  return (
    <>
      <ThemeColours session={props.session} site={site} />
      <section aria-label="Slots on this page" className="border-t border-ink">
        <div className="flex items-center justify-between px-3 py-2">
          <h2 className="caption">Slots on this page</h2>
          <Button onClick={onMeasure}>+ Measure a slot</Button>
        </div>
        {slots.length === 0 && (
          <p className="border-t border-hair px-3 py-2 text-soft">
            No slot on this page yet. Measure one, or import the theme’s styles.
          </p>
        )}
        <ul>
          {slots.map((slot, i) => (
            <SlotRow
              key={slot.id}
              {...props}
              number={i + 1}
              slot={slot}
              list={readings.bySlot.get(slot.id) ?? []}
            />
          ))}
        </ul>
      </section>
      {aside.length > 0 && (
        <section aria-label="Slots on no page" className="border-t border-line">
          <h2 className="px-3 py-2 caption">On no page</h2>
          <ul>
            {aside.map((slot) => (
              <SlotRow
                key={slot.id}
                {...props}
                slot={slot}
                list={readings.bySlot.get(slot.id) ?? []}
              />
            ))}
          </ul>
        </section>
      )}
      <Findings {...props} />
    </>
  );
}

function SlotRow({
  number,
  slot,
  list,
  session,
  site,
  page,
  selected,
  onSelect,
  href,
}: Props & { number?: number; slot: Slot; list: readonly ToldReading[] }) {
  const open = selected === slot.id;
  const worst = worstFirst(list).filter((r) => r.verdict === 'fails' || r.verdict === 'look');
  const blank = isBlank(pictureOf(site, slot));
  return (
    <li className={`border-t border-hair ${open ? 'bg-act-wash' : ''}`}>
      <div className="grid grid-cols-[16px_20px_1fr_auto_48px] items-center gap-2 py-1.5 pr-3 pl-1.5">
        <button
          type="button"
          aria-expanded={open}
          aria-label={`${open ? 'Close' : 'Change'} ${slot.name}`}
          onClick={() => onSelect(open ? undefined : slot.id)}
          className="text-soft hover:text-ink"
        >
          {open ? <ChevronDown size={15} /> : <ChevronRight size={15} />}
        </button>
        <span className="figure text-soft">{number ?? '–'}</span>
        <Link href={href(slot)} className="min-w-0 hover:underline">
          <span className="block truncate font-semibold" title={slot.name}>
            {slot.name}
          </span>
          <span className="block truncate text-soft" title={about(site, slot)}>
            {about(site, slot)}
          </span>
        </Link>
        <span className="figure">
          {slot.width} × {slot.height}
        </span>
        <span className="text-right figure">
          {blank && <span className="text-soft">empty</span>}
          {!blank && worst.length > 0 && (
            <span className="inline-flex gap-1">
              <VerdictMark verdict={worst[0].verdict} />
              {worst.length}
            </span>
          )}
          {!blank && worst.length === 0 && (
            <VerdictMark
              verdict={list.some((r) => r.verdict === 'unknown') ? 'unknown' : 'holds'}
            />
          )}
        </span>
      </div>
      {open && (
        <SlotDetails
          session={session}
          site={site}
          page={page}
          slot={slot}
          placed={number !== undefined}
          href={href(slot)}
          onGone={() => onSelect(undefined)}
        />
      )}
    </li>
  );
}

/** What can be changed of a slot without going to its bench. */
function SlotDetails({
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
      return 'Expected a name, found nothing.';
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
          look="bad"
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

const lower = (words: string): string => words.charAt(0).toLowerCase() + words.slice(1);

/** All readings of all slots of the site that are not as they should be, worst first. */
function Findings({ session, site, readings, href, onWidths }: Props) {
  const mend = async (slot: Slot, { id }: ToldReading) => {
    const found = await readings.mendOf(slot, id);
    if (found) {
      session.commit(found.label, found.edit);
    }
  };
  const found = site.slots.flatMap((slot) =>
    (readings.bySlot.get(slot.id) ?? [])
      .filter((r) => r.verdict === 'fails' || r.verdict === 'look')
      .map((reading) => ({ slot, reading })),
  );
  const ordered = worstFirst(found.map((f) => f.reading)).map((reading) =>
    found.find((f) => f.reading === reading)!,
  );
  return (
    <section aria-label="Findings" className="border-t border-line px-3 pt-2 pb-3">
      <div className="mb-1.5 flex justify-between gap-2">
        <h2 className="caption">Findings of the site</h2>
        <span className="figure text-soft" role="status">
          {readings.pending > 0 ? `pressing, ${readings.pending} to go` : found.length}
        </span>
      </div>
      {found.length === 0 && readings.pending === 0 && readings.current && (
        <p className="text-soft">Nothing to look at.</p>
      )}
      <ul>
        {ordered.map(({ slot, reading }) => (
          <li
            key={`${slot.id} ${reading.id}`}
            data-finding={`${slot.id} ${reading.id}`}
            className="flex gap-1 border-t border-hair py-1.5 first:border-0"
          >
            <VerdictMark verdict={reading.verdict} />
            <p className="min-w-0 break-words">
              <Link href={href(slot)} className="font-semibold hover:underline">
                {slot.name}
              </Link>
              : {reading.words}{' '}
              {reading.id === 'background-shows' && (
                <>
                  <button type="button" className="underline" onClick={onWidths}>
                    See widths
                  </button>{' '}
                </>
              )}
              {reading.mend && (
                <button
                  type="button"
                  className="text-warn underline"
                  aria-label={`Mend: ${lower(reading.mend)}, for ${reading.title} of ${slot.name}`}
                  onClick={() => void mend(slot, reading)}
                >
                  Mend: {lower(reading.mend)}
                </button>
              )}
            </p>
          </li>
        ))}
      </ul>
    </section>
  );
}
