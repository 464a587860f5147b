'use client';

import { Search, X } from 'lucide-react';
import {
  useLightestFiles,
  type LightestEnd,
  type LightestProgress,
  type MissedFile,
} from '../hooks/useLightestFiles';
import type { Session } from '../hooks/useSession';
import { Button } from '../shared/Button';
import { Group } from '../shared/Group';
import { Progress } from '../shared/Progress';
import { whatFor } from './whatFor';

const fileWords = ({ name, file }: Pick<LightestProgress, 'name' | 'file'>): string =>
  [name, whatFor(file).short].filter(Boolean).join(', ');

const doing = (progress: LightestProgress): string =>
  `${progress.done + 1} of ${progress.of}: ${fileWords(progress)}`;

/** Files that the sentence names. */
const mostNamed = 2;

function missedWords(missed: readonly MissedFile[]): string {
  const named = missed
    .slice(0, mostNamed)
    .map((m) => `${fileWords(m)} (${m.what === 'border' ? 'its border' : 'its aim'})`);
  const more = missed.length - named.length;
  return `${[...named, ...(more > 0 ? [`${more} more`] : [])].join('; ')}.`;
}

function endWords({ failed, missed }: LightestEnd): string {
  if (failed.length > 0) {
    return `Nothing could be written of ${failed.join(', ')}.`;
  }
  return missed.length > 0
    ? `Every file was searched. No file was found that holds for ${missedWords(missed)} The nearest is taken.`
    : 'Every file was searched, and the lightest found that holds is taken.';
}

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
            {ended
              ? endWords(ended)
              : 'Each file in every size, as alike as its picture asks. You can go on meanwhile.'}
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
