'use client';

import Link from 'next/link';
import { useState } from 'react';
import { worstFirst } from '@/core/readings/reading';
import type { ToldReading } from '@/core/readings/told';
import type { Slot } from '@/core/site/model/slot';
import { HelpButton } from '../help/HelpButton';
import { useSteadyList } from '../shared/useSteadyList';
import { VerdictMark } from '../shared/VerdictMark';
import type { SitePanelProps } from './SitePanel';

const key = (slot: Slot, reading: ToldReading): string => `${slot.id} ${reading.id}`;
const lower = (words: string): string => words.charAt(0).toLowerCase() + words.slice(1);

/** All readings of all slots of the site that are not as they should be, worst first. */
export function Findings({ session, site, readings, href, onWidths }: SitePanelProps) {
  const { pending } = readings;
  const [why, setWhy] = useState<string>();
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
  const { rows, steadied } = useSteadyList(
    ordered,
    ({ slot, reading }) => key(slot, reading),
    pending !== 0,
  );
  return (
    <section
      aria-label="Findings"
      data-tour="findings"
      className="border-t border-line px-3 pt-2 pb-3"
    >
      <div className="mb-1.5 flex justify-between gap-2">
        <span className="flex items-center gap-1.5">
          <h2 className="caption">Findings of the site</h2>
          <HelpButton topic="findings" />
        </span>
        <span className="figure text-soft" role="status">
          {pending ? `measuring, ${pending} to go` : pending === 0 && found.length}
        </span>
      </div>
      {found.length === 0 && pending === 0 && readings.current && (
        <p className="text-soft">Nothing to look at.</p>
      )}
      <ul {...steadied}>
        {rows.map(({ slot, reading }) => (
          <li
            key={key(slot, reading)}
            data-finding={key(slot, reading)}
            className="flex gap-1 border-t border-hair py-1.5 first:border-0"
          >
            <VerdictMark verdict={reading.verdict} />
            <p className="min-w-0 break-words">
              <Link href={href(slot)} className="font-semibold hover:underline">
                {slot.name}
              </Link>
              : {lower(reading.plain)} <span className="figure text-soft">{reading.figure}</span>{' '}
              <button
                type="button"
                className="underline"
                aria-expanded={why === key(slot, reading)}
                aria-label={`Why: ${reading.title} of ${slot.name}`}
                onClick={() => setWhy(why === key(slot, reading) ? undefined : key(slot, reading))}
              >
                Why
              </button>{' '}
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
                  aria-label={`Put right: ${lower(reading.mend)}, for ${reading.title} of ${slot.name}`}
                  onClick={() => void mend(slot, reading)}
                >
                  Put right: {lower(reading.mend)}
                </button>
              )}
              {why === key(slot, reading) && (
                <span className="block text-soft">
                  {reading.words}
                  {reading.standard && ` ${reading.standard}.`}
                </span>
              )}
            </p>
          </li>
        ))}
      </ul>
    </section>
  );
}
