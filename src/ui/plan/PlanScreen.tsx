'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import { layoutPage, marginAt, type Piece } from '@/core/measure/layoutPage';
import type { Page, Site, Slot } from '@/core/site/model';
import { isBlank, pictureOf } from '@/core/site/picture';
import { takeReadings, worstFirst } from '@/core/readings/registry';
import { layPhoto } from '../bench/edits';
import { filesOf, useIntake } from '../hooks/useIntake';
import { useSession, useSite, type Session } from '../hooks/useSession';
import { DimensionLine } from '../page/DimensionLines';
import { PageDrawing } from '../page/PageDrawing';
import { Switch } from '../shared/fields';
import { Standing } from '../shared/Standing';
import { TopBar } from '../shared/TopBar';
import { useMeasure } from '../shared/useMeasure';
import { VerdictMark } from '../shared/VerdictMark';

const widths = [360, 768, 1280, 1440, 1920] as const;

export function PlanScreen({ siteId }: { siteId: string }) {
  const opened = useSession(siteId);
  if (opened.state === 'opening') return <Standing title="Opening" />;
  if (opened.state === 'absent') return <Standing title="There is no such site in this browser.">It may have been removed, or was made in another browser.</Standing>;
  if (opened.state === 'failed') return <Standing title="This site cannot be read.">{opened.message}</Standing>;
  return <Plan session={opened.session} />;
}

/** Slots of a page in the order of the drawing, which is also their number. */
function slotsOn(site: Site, page: Page): Slot[] {
  const ids = [page.headerSlot, page.backgroundSlot, page.body.sidebarSlot, page.section?.dividerSlot, page.bar.markSlot];
  return ids.map((id) => site.slots.find((s) => s.id === id)).filter((s) => s !== undefined);
}

const behaviour: Record<Slot['repeat'], string> = { 'no-repeat': 'not repeated', repeat: 'repeats both ways', 'repeat-x': 'repeats sideways', 'repeat-y': 'repeats down' };

function Plan({ session }: { session: Session }) {
  const site = useSite(session), router = useRouter();
  const [pageId, setPageId] = useState(site.pages[0].id);
  const [width, setWidth] = useState(1440);
  const page = site.pages.find((p) => p.id === pageId) ?? site.pages[0];
  const slots = slotsOn(site, page);
  const benchOf = (slot: Slot) => `/sites/${site.id}/slots/${slot.id}`;
  const { take, busy } = useIntake();
  const drop = (slot: Slot, files: readonly File[]) => take(files.slice(0, 1), (item) => {
    session.commit(`Lay ${item.name}`, layPhoto(slot, pictureOf(session.state.getState().site, slot), item));
    router.push(benchOf(slot));
  });

  return (
    <div className="flex h-screen flex-col">
      <TopBar crumbs={[{ label: 'Sites', href: '/' }, { label: site.name }]}>
        <Switch label="Page" value={page.id} onChange={setPageId} choices={site.pages.map((p) => ({ value: p.id, label: p.name }))} />
        <Switch label="Screen width" value={String(width)} onChange={(v) => setWidth(Number(v))} choices={widths.map((w) => ({ value: String(w), label: <span className="figure">{w}</span> }))} />
      </TopBar>
      <div className="flex min-h-0 grow">
        <Sheet site={site} page={page} width={width} slots={slots} href={benchOf} busy={busy} onDrop={drop} />
        <aside className="flex w-[400px] shrink-0 flex-col overflow-auto border-l border-line bg-white">
          <ThemeColours site={site} />
          <section aria-label="Slots on this page" className="border-t border-ink">
            <h2 className="caption px-3 pt-3 pb-2">Slots on this page</h2>
            <ul>{slots.map((slot, i) => <SlotRow key={slot.id} number={i + 1} site={site} slot={slot} href={benchOf(slot)} />)}</ul>
          </section>
          <Findings site={site} slots={slots} href={benchOf} />
        </aside>
      </div>
    </div>
  );
}

interface SheetProps {
  site: Site;
  page: Page;
  width: number;
  slots: readonly Slot[];
  busy: string | undefined;
  href(slot: Slot): string;
  onDrop(slot: Slot, files: readonly File[]): void;
}

type SlotPiece = Extract<Piece, { type: 'slot' }>;

/** Where a slot can be taken hold of: a background only beside the content, where it shows. */
function handleOf({ slot, rect }: SlotPiece, contentX: number) {
  return slot.kind === 'background' ? { ...rect, width: contentX, height: rect.height } : rect;
}

/** The page drawn to scale, with its numbered slots; each opens its bench and takes a dropped picture. */
function Sheet({ site, page, width, slots, busy, href, onDrop }: SheetProps) {
  const [ref, board] = useMeasure();
  const [over, setOver] = useState<string>();
  const layout = useMemo(() => layoutPage(site, page, width), [site, page, width]);
  const scale = board.width ? Math.min(1, (board.width - 60) / layout.width) : 0;
  const left = (board.width - layout.width * scale) / 2, top = 44, margin = marginAt(page, width);
  const content = { from: left + layout.content.x * scale, to: left + (layout.content.x + layout.content.width) * scale };
  return (
    <main ref={ref} className="relative min-w-0 grow overflow-auto bg-board" aria-label={`${page.name} at a screen of ${width} px`}>
      <h1 className="sr-only">Page plan of {site.name}</h1>
      {scale > 0 && (
        <div className="relative" style={{ height: layout.height * scale + top + 24 }}>
          <svg aria-hidden className="absolute inset-0" width={board.width} height={top}>
            {margin * scale >= 44 && <DimensionLine x1={left} x2={content.from} y1={24} y2={24} figure={`${margin}`} />}
            <DimensionLine x1={content.from} x2={content.to} y1={24} y2={24} figure={scale < 0.25 ? `${layout.content.width}` : `content ${layout.content.width}`} />
            {margin * scale >= 44 && <DimensionLine x1={content.to} x2={left + layout.width * scale} y1={24} y2={24} figure={`${margin}`} />}
          </svg>
          <div style={{ position: 'absolute', left, top, transform: `scale(${scale})`, transformOrigin: '0 0' }}><PageDrawing site={site} layout={layout} /></div>
          {layout.pieces.filter((p): p is SlotPiece => p.type === 'slot').map((piece) => {
            const { slot } = piece, number = slots.indexOf(slot) + 1, handle = handleOf(piece, layout.content.x);
            if (handle.width < 2) return null;
            const blank = isBlank(pictureOf(site, slot));
            return (
              <Link
                key={slot.id} href={href(slot)} aria-label={`${slot.name}, ${slot.width} by ${slot.height} px: open its bench`} data-slot={slot.id}
                className={`group absolute border ${over === slot.id ? 'border-2 border-act bg-act/20' : blank ? 'border-dashed border-white/70 hover:border-act' : 'border-transparent hover:border-act focus-visible:border-act'}`}
                style={{ left: left + handle.x * scale, top: top + handle.y * scale, width: handle.width * scale, height: handle.height * scale }}
                onDragOver={(e) => { e.preventDefault(); setOver(slot.id); }} onDragLeave={() => setOver(undefined)}
                onDrop={(e) => { e.preventDefault(); setOver(undefined); onDrop(slot, filesOf(e.dataTransfer)); }}
              >
                <span className="figure absolute top-1.5 left-1.5 grid h-5 w-5 place-items-center rounded-full border border-act bg-white font-semibold text-act group-hover:bg-act group-hover:text-white">{number}</span>
              </Link>
            );
          })}
        </div>
      )}
      {busy && <p role="status" className="sticky bottom-3 left-3 inline-block rounded-sm border border-line bg-white px-3 py-1.5">Reading {busy}…</p>}
    </main>
  );
}

function ThemeColours({ site }: { site: Site }) {
  return (
    <section aria-label="Theme colours" className="p-3">
      <div className="mb-2 flex justify-between"><h2 className="caption">Theme colours</h2><span className="figure text-soft">{site.theme.colours.length}</span></div>
      <ul className="flex">
        {site.theme.colours.map((c) => (
          <li key={c.name} className="min-w-0 grow basis-0">
            <div className="h-9 border border-black/10" style={{ background: c.hex }} />
            <div className="mt-1 truncate" title={c.name}>{c.name}</div>
            <div className="figure text-[11px] text-soft">{c.hex}</div>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Readings that need no pressed file; the bench adds the rest. */
const readingsOf = (site: Site, slot: Slot) => takeReadings({ slot, picture: pictureOf(site, slot) });

function SlotRow({ number, site, slot, href }: { number: number; site: Site; slot: Slot; href: string }) {
  const picture = pictureOf(site, slot);
  const worst = worstFirst(readingsOf(site, slot)).filter((r) => r.verdict === 'fails' || r.verdict === 'look');
  return (
    <li className="border-t border-hair">
      <Link href={href} className="grid grid-cols-[20px_1fr_auto_64px] items-center gap-3 px-3 py-2 hover:bg-act-wash">
        <span className="figure text-soft">{number}</span>
        <span className="min-w-0"><span className="block truncate font-semibold" title={slot.name}>{slot.name}</span><span className="block truncate text-soft">{behaviour[slot.repeat]}</span></span>
        <span className="figure">{slot.width} × {slot.height}</span>
        <span className="figure text-right">
          {isBlank(picture) ? <span className="text-soft">empty</span> : worst.length ? <><VerdictMark verdict={worst[0].verdict} />{worst.length}</> : <VerdictMark verdict="holds" />}
        </span>
      </Link>
    </li>
  );
}

function Findings({ site, slots, href }: { site: Site; slots: readonly Slot[]; href(slot: Slot): string }) {
  const found = slots.flatMap((slot) => readingsOf(site, slot).filter((r) => r.verdict === 'fails' || r.verdict === 'look').map((reading) => ({ slot, reading })));
  return (
    <section aria-label="Findings" className="border-t border-hair p-3">
      <h2 className="caption mb-2">Findings</h2>
      {found.length === 0 && <p className="text-soft">Nothing to look at on this page.</p>}
      <ul>
        {worstFirst(found.map((f) => f.reading)).map((reading) => {
          const { slot } = found.find((f) => f.reading === reading)!;
          return (
            <li key={`${slot.id} ${reading.id}`} className="flex gap-1 border-t border-hair py-2 first:border-0 first:pt-0">
              <VerdictMark verdict={reading.verdict} />
              <p><Link href={href(slot)} className="underline">{slot.name}</Link>: {reading.words}</p>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
