'use client';

import { useState } from 'react';
import { contentWidthAt, oneColumnBelow } from '@/core/measure/layoutPage';
import { addThemeColour, keepSize } from '@/core/site/edit';
import { slotKind, slotKinds } from '@/core/slots/registry';
import type { Page } from '@/core/site/model/page';
import type { Site } from '@/core/site/model/site';
import type { Measured, SlotKind } from '@/core/site/model/slot';
import { addSlot } from '@/core/site/slots';
import type { Session } from '../hooks/useSession';
import { ways } from '../measure/ways';
import type { Way } from '../measure/way';
import { Button } from '../shared/Button';
import { CommitField } from '../shared/CommitField';
import { Group } from '../shared/Group';
import { Row } from '../shared/Row';
import { Switch } from '../shared/Switch';

/** What a kind measures on this page before anything was measured, px. */
const firstSizeOn = (page: Page, kind: SlotKind) =>
  slotKind(kind).firstSize(page, contentWidthAt(page, 3840));

/** A small picture of where on a page a kind of slot lies. */
function KindFace({ kind }: { kind: SlotKind }) {
  const [x, y, w, h] = slotKind(kind).face;
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
  const [size, setSize] = useState(() => firstSizeOn(page, 'header'));
  const [measured, setMeasured] = useState<Measured | null>(null);
  const Panel = ways.find((w) => w.id === way)!.Panel;
  const choose = (next: SlotKind) => {
    setKind(next);
    setSize(firstSizeOn(page, next));
    setMeasured(null);
    if (next === 'divider') {
      setWay('section');
    } else if (next === 'sidebar') {
      setWay('columns');
    }
  };
  const given: Way = {
    kind,
    page,
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
      `Add ${name ?? slotKind(kind).title}`,
      addSlot(page.id, { id, kind, ...size, measured, ...(name && { name }) }),
    );
    onDone(id);
  };
  const { single, on } = slotKind(kind);
  const taken = (single ? on(page)[0] : null) ?? null;
  return (
    <div className="flex flex-col gap-3 p-3">
      <Group title="What is measured" aside={<Button onClick={() => onDone()}>Back</Button>}>
        <div role="radiogroup" aria-label="Kind of slot" className="grid grid-cols-2 gap-1.5">
          {slotKinds.map(({ kind: k, title }) => (
            <button
              key={k}
              type="button"
              role="radio"
              aria-checked={k === kind}
              onClick={() => choose(k)}
              className="flex items-center gap-2 rounded-sm border border-line bg-white p-1.5 text-left hover:border-soft aria-checked:border-act aria-checked:bg-act-wash"
            >
              <KindFace kind={k} />
              {title}
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
            value={name ?? slotKind(kind).title}
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
          <p
            className="grow figure text-[15px] font-semibold whitespace-nowrap"
            data-testid="measured"
          >
            {size.width} × {size.height} px
          </p>
          <Button variant="main" onClick={add}>
            <span className="max-w-44 truncate" title={page.name}>
              Add it to {page.name}
            </span>
          </Button>
        </div>
      </Group>
    </div>
  );
}
