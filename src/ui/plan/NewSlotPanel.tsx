'use client';

import { useState } from 'react';
import { contentWidthAt, oneColumnBelow } from '@/core/measure/layoutPage';
import { addThemeColour, keepSize } from '@/core/site/edit';
import { kindTitle } from '@/core/site/pages';
import type { Page } from '@/core/site/model/page';
import type { Site } from '@/core/site/model/site';
import type { Measured, SlotKind } from '@/core/site/model/slot';
import { addSlot } from '@/core/site/slots';
import type { Session } from '../hooks/useSession';
import { ways, type Way } from '../measure/ways';
import { Button } from '../shared/Button';
import { CommitField, Group, Row, Switch } from '../shared/fields';

const kinds = Object.keys(kindTitle) as SlotKind[];

/** What a kind measures on this page before anything was measured, px. */
function firstSize(page: Page, kind: SlotKind): { width: number; height: number } {
  const content = contentWidthAt(page, 3840);
  switch (kind) {
    case 'header':
      return { width: content, height: Math.round(content / 5) };
    case 'background':
      return { width: 1900, height: 1200 };
    case 'sidebar':
      return { width: page.body.sidebars.find((s) => s.slot === null)?.width ?? 240, height: 240 };
    case 'divider':
      return { width: 2000, height: 100 };
    case 'mark':
      return { width: 300, height: Math.max(24, Math.min(80, page.bar.height - 8)) };
    case 'band':
      return {
        width: page.band && !page.band.boxed ? 1920 : content,
        height: page.band?.height ?? 160,
      };
    case 'piece':
      return { width: 160, height: 48 };
  }
}

/** A small picture of where on a page a kind of slot lies. */
function KindFace({ kind }: { kind: SlotKind }) {
  const at: Record<SlotKind, [number, number, number, number]> = {
    header: [8, 8, 28, 7],
    background: [0, 0, 44, 34],
    sidebar: [27, 15, 9, 12],
    divider: [0, 25, 44, 3],
    mark: [10, 3, 8, 3],
    band: [8, 15, 28, 5],
    piece: [12, 20, 6, 4],
  };
  const [x, y, w, h] = at[kind];
  return (
    <svg aria-hidden width={44} height={34} className="shrink-0 border border-line bg-sheet">
      {kind === 'background' && (
        <rect x={x} y={y} width={w} height={h} className="fill-act" opacity={0.75} />
      )}
      <rect x={8} y={0} width={28} height={34} className="fill-white stroke-hair" />
      {kind !== 'background' && (
        <rect x={x} y={y} width={w} height={h} className="fill-act" opacity={0.75} />
      )}
    </svg>
  );
}

/** Measures a new slot and lays it on the page. */
export function NewSlotPanel({
  session,
  site,
  page,
  onDone,
}: {
  session: Session;
  site: Site;
  page: Page;
  onDone(slotId?: string): void;
}) {
  const [kind, setKind] = useState<SlotKind>('header');
  const [way, setWay] = useState('numbers');
  const [name, setName] = useState<string>();
  const [size, setSize] = useState(() => firstSize(page, 'header'));
  const [measured, setMeasured] = useState<Measured | null>(null);
  const Panel = ways.find((w) => w.id === way)!.Panel;
  const choose = (next: SlotKind) => {
    setKind(next);
    setSize(firstSize(page, next));
    setMeasured(null);
    if (next === 'divider') {
      setWay('section');
    } else if (next === 'sidebar') {
      setWay('columns');
    }
  };
  const given: Way = {
    kind,
    size,
    measured,
    ownSizes: site.ownSizes,
    onMeasured: (s, m) => {
      setSize({ ...size, ...s });
      setMeasured(m);
    },
    onKeepSize: (s) => session.commit(`Keep the size ${s.name}`, keepSize(s)),
    onColour: (hex) => session.commit(`Theme colour ${hex}`, addThemeColour(hex)),
  };
  const add = () => {
    const id = crypto.randomUUID();
    session.commit(
      `Add ${name ?? kindTitle[kind]}`,
      addSlot(page.id, { id, kind, ...size, measured, ...(name && { name }) }),
    );
    onDone(id);
  };
  const taken =
    {
      header: page.headerSlot,
      mark: page.bar.markSlot,
      band: page.band?.slot ?? null,
      background: page.background.type === 'own' ? page.background.slot : null,
    }[kind as 'header'] ?? null;
  return (
    <div className="flex flex-col gap-3 p-3">
      <Group title="What is measured" aside={<Button onClick={() => onDone()}>Back</Button>}>
        <div role="radiogroup" aria-label="Kind of slot" className="grid grid-cols-2 gap-1.5">
          {kinds.map((k) => (
            <button
              key={k}
              type="button"
              role="radio"
              aria-checked={k === kind}
              onClick={() => choose(k)}
              className="flex items-center gap-2 rounded-sm border border-line bg-white p-1.5 text-left hover:border-soft aria-checked:border-act aria-checked:bg-act-wash"
            >
              <KindFace kind={k} />
              {kindTitle[k]}
            </button>
          ))}
        </div>
        {kind === 'sidebar' && (
          <p className="text-soft">
            A strip shows on screens of {oneColumnBelow} px and more; below, the columns go under
            each other.
          </p>
        )}
      </Group>
      <Group title="Measure by">
        <div className="-mb-px flex flex-wrap gap-y-1">
          <Switch
            label="Measure by"
            value={way}
            onChange={setWay}
            choices={ways.slice(0, 3).map((w) => ({ value: w.id, label: w.title }))}
          />
          <span className="w-1.5" />
          <Switch
            label="Measure by, more"
            value={way}
            onChange={setWay}
            choices={ways.slice(3).map((w) => ({ value: w.id, label: w.title }))}
          />
        </div>
        <Panel key={`${way} ${kind}`} {...given} />
      </Group>
      <Group title="The slot">
        <Row label="Name">
          <CommitField
            label="Name of the slot"
            words
            className="grow"
            value={name ?? kindTitle[kind]}
            onCommit={(text) => {
              setName(text.trim() || undefined);
              return undefined;
            }}
          />
        </Row>
        {taken && (
          <p className="text-warn">
            {site.slots.find((s) => s.id === taken)?.name} lies there now. It stays in the site, on
            no page.
          </p>
        )}
        <div className="flex items-center gap-3">
          <p className="grow figure text-[15px] font-semibold" data-testid="measured">
            {size.width} × {size.height} px
          </p>
          <Button look="main" onClick={add}>
            Add it to {page.name}
          </Button>
        </div>
      </Group>
    </div>
  );
}
