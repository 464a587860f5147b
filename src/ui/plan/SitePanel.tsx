'use client';

import { lazy, Suspense } from 'react';
import { ChevronDown, ChevronRight } from 'lucide-react';
import Link from 'next/link';
import { chainWords } from '@/core/measure/chain';
import { worstFirst } from '@/core/readings/reading';
import type { ToldReading } from '@/core/readings/told';
import type { Page } from '@/core/site/model/page';
import type { Site } from '@/core/site/model/site';
import type { Slot } from '@/core/site/model/slot';
import { slotsAside } from '@/core/site/pages';
import { isContent } from '@/core/slots/registry';
import { isBlank, pictureOf } from '@/core/site/picture';
import type { SiteReadings } from '../hooks/useSiteReadings';
import type { Session } from '../hooks/useSession';
import { Button } from '../shared/Button';
import { VerdictMark } from '../shared/VerdictMark';
import { ThemeColours } from './ThemeColours';
import { ThemeFonts } from './ThemeFonts';
import { Findings } from './Findings';

/** Loaded when a slot is opened. */
const SlotDetails = lazy(async () => ({ default: (await import('./SlotDetails')).SlotDetails }));

export interface SitePanelProps {
  session: Session;
  site: Site;
  page: Page;
  slots: readonly Slot[];
  readings: SiteReadings;
  selected: string | undefined;
  onSelect(slotId: string | undefined): void;
  onMeasure(): void;
  /** Seeks colours and fonts that go together. */
  onHarmony(): void;
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
export function SitePanel(props: SitePanelProps) {
  const { site, slots, readings, onMeasure } = props;
  const aside = slotsAside(site);
  return (
    <>
      <ThemeColours session={props.session} site={site} onHarmony={props.onHarmony} />
      <ThemeFonts session={props.session} site={site} />
      <section aria-label="Slots on this page" className="border-t border-ink">
        <div className="flex items-center justify-between px-3 py-2">
          <h2 className="caption">Slots on this page</h2>
          <Button onClick={onMeasure}>+ Measure a slot</Button>
        </div>
        {slots.length === 0 && (
          <p className="border-t border-hair px-3 py-2 text-soft">
            No slot on this page yet. Measure one, or bring your own page.
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
}: SitePanelProps & { number?: number; slot: Slot; list: readonly ToldReading[] }) {
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
        <Suspense fallback={null}>
          <SlotDetails
            session={session}
            site={site}
            page={page}
            slot={slot}
            placed={number !== undefined}
            href={href(slot)}
            onGone={() => onSelect(undefined)}
          />
        </Suspense>
      )}
    </li>
  );
}
