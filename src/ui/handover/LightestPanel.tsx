'use client';

import { Search, X } from 'lucide-react';
import { useLightestFiles, type LightestProgress } from '../hooks/useLightestFiles';
import type { Session } from '../hooks/useSession';
import { Button } from '../shared/Button';
import { Group } from '../shared/Group';
import { Progress } from '../shared/Progress';
import { whatFor } from './whatFor';

const doing = ({ name, file, done, of }: LightestProgress): string =>
  `${done + 1} of ${of}: ${[name, whatFor(file).short].filter(Boolean).join(', ')}`;

/** All files of the site are searched for the lightest, each as alike as its picture asks. */
export function LightestPanel({ session, empty }: { session: Session; empty: boolean }) {
  const { running, ended, start, stop } = useLightestFiles(session);
  return (
    <Group title="Lightest files">
      {running ? (
        <>
          <Progress label="Files searched" className="w-full" done={running.done} of={running.of} />
          <p role="status" className="truncate text-soft" title={doing(running)}>
            {doing(running)}
          </p>
          <Button onClick={stop}>
            <X size={13} aria-hidden />
            Stop searching
          </Button>
        </>
      ) : (
        <>
          <p role="status" className="text-soft">
            {ended && ended.failed.length > 0
              ? `Nothing could be written of ${ended.failed.join(', ')}.`
              : null}
            {ended && ended.failed.length === 0
              ? 'Every file was searched, and the best that was found is taken.'
              : null}
            {!ended &&
              'Each file in every size, as alike as its picture asks. You can go on meanwhile.'}
          </p>
          <Button disabled={empty} onClick={start}>
            <Search size={13} aria-hidden />
            {ended ? 'Search all files again' : 'Search all files'}
          </Button>
        </>
      )}
    </Group>
  );
}
