import type { ReactNode } from 'react';
import { Tooltip } from 'radix-ui';
import { slotOf } from '@/core/site/picture';
import type { Session } from '@/work/session';
import { useSite } from '../hooks/useSession';
import { BenchProvider, useBenchModel } from '../bench/useBench';

const nowhere = () => {};

/** A bench of one slot over a site in memory, around the part of it that is tested. */
export function TestBench({
  session,
  slotId,
  children,
}: {
  session: Session;
  slotId: string;
  children: ReactNode;
}) {
  const site = useSite(session);
  const bench = useBenchModel(session, slotOf(site, slotId)!, nowhere);
  return (
    <Tooltip.Provider>
      <BenchProvider value={bench}>{children}</BenchProvider>
    </Tooltip.Provider>
  );
}
