'use client';

import { lazy, Suspense } from 'react';
import type { Page } from '@/core/site/model/page';
import type { Site } from '@/core/site/model/site';
import type { Slot } from '@/core/site/model/slot';
import type { Session } from '../hooks/useSession';
import type { SiteReadings } from '../hooks/useSiteReadings';
import { HelpButton } from '../help/HelpButton';
import type { TopicName } from '../help/topics';
import { Boundary } from '../shared/Boundary';
import { hasOwn } from './hasOwn';
import { SitePanel } from './SitePanel';

/** Loaded when they are asked for. */
const HarmonyPanel = lazy(async () => ({
  default: (await import('../harmony/HarmonyPanel')).HarmonyPanel,
}));
const NewSlotPanel = lazy(async () => ({ default: (await import('./NewSlotPanel')).NewSlotPanel }));
const PagePanel = lazy(async () => ({ default: (await import('./PagePanel')).PagePanel }));
const OwnPagePanel = lazy(async () => ({ default: (await import('./OwnPagePanel')).OwnPagePanel }));
const VisitorsPanel = lazy(async () => ({
  default: (await import('./VisitorsPanel')).VisitorsPanel,
}));

/** What the panel shows; in place of the list of slots, a slot is measured or colours are sought. */
export type PlanView = 'site' | 'page' | 'visitors' | 'measure' | 'harmony';

const insteadOfSlots: ReadonlySet<PlanView> = new Set<PlanView>(['measure', 'harmony']);

const views = [
  ['site', 'Slots'],
  ['page', 'Page layout'],
  ['visitors', 'Visitors'],
] as const;

/** What is shown, where its parts do not say it by themselves. */
const titleOf: Partial<Record<PlanView, string>> = {
  page: 'Page layout',
  visitors: 'Visitors',
  measure: 'A new slot',
  harmony: 'Colours and fonts that go together',
};

const helpOf: Partial<Record<PlanView, TopicName>> = { page: 'page', visitors: 'visitors' };

interface Props {
  session: Session;
  site: Site;
  page: Page;
  slots: readonly Slot[];
  readings: SiteReadings;
  selected: string | undefined;
  onSelect(slotId: string | undefined): void;
  href(slot: Slot): string;
  view: PlanView;
  onView(view: PlanView): void;
  onPage(pageId: string): void;
  onOwnPage(): void;
  onSuppose(content: number | undefined): void;
}

/** Beside the page: its slots and findings, its layout, the visitors, a new slot. */
export function PlanPanel(props: Props) {
  const { view, onView } = props;
  return (
    <aside className="flex w-[400px] shrink-0 flex-col border-l border-line bg-white max-md:w-full max-md:border-t max-md:border-l-0">
      <nav aria-label="Panel" className="flex shrink-0 border-b border-line">
        {views.map(([value, label]) => (
          <button
            key={value}
            type="button"
            aria-pressed={view === value || (value === 'site' && insteadOfSlots.has(view))}
            onClick={() => onView(value)}
            className="h-[33px] grow border-b-2 border-transparent font-semibold text-soft hover:text-ink focus-visible:-outline-offset-2 aria-pressed:border-act aria-pressed:text-ink"
          >
            {label}
          </button>
        ))}
        <HelpButton topic={helpOf[view] ?? 'slots'} className="mx-2 self-center" />
      </nav>
      <div className="min-h-0 grow overflow-auto">
        <Boundary resetOn={view} what="This panel">
          {titleOf[view] && <h2 className="sr-only">{titleOf[view]}</h2>}
          <Suspense fallback={null}>
            <Shown {...props} />
          </Suspense>
        </Boundary>
      </div>
    </aside>
  );
}

function Shown({ session, site, page, view, onView, onSelect, onPage, ...props }: Props) {
  const common = { session, site };
  switch (view) {
    case 'site':
      return (
        <SitePanel
          {...common}
          page={page}
          slots={props.slots}
          readings={props.readings}
          selected={props.selected}
          onSelect={onSelect}
          onMeasure={() => onView('measure')}
          onHarmony={() => onView('harmony')}
          onWidths={() => onView('visitors')}
          href={props.href}
        />
      );
    case 'page':
      return hasOwn(page) ? (
        <OwnPagePanel {...common} page={page} onPage={onPage} onAgain={props.onOwnPage} />
      ) : (
        <PagePanel {...common} page={page} onPage={onPage} />
      );
    case 'visitors':
      return <VisitorsPanel {...common} page={page} onSuppose={props.onSuppose} />;
    case 'harmony':
      return <HarmonyPanel session={session} page={page} onDone={() => onView('site')} />;
    case 'measure':
      return (
        <NewSlotPanel
          {...common}
          page={page}
          onDone={(slotId) => {
            if (slotId) {
              onSelect(slotId);
            }
            onView('site');
          }}
        />
      );
  }
}
