'use client';

import { Archive, X } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { isActive } from '@/core/recolour/activeSteps';
import { kilobytes } from '@/core/readings/say';
import type { PieceSet } from '@/core/site/model/pieceSet';
import type { Site } from '@/core/site/model/site';
import type { SetScan, SetWriting } from '../hooks/usePieceSet';
import type { Session } from '../hooks/useSession';
import { Button } from '../shared/Button';
import { Choose } from '../shared/Choose';
import { Progress } from '../shared/Progress';
import { Switch } from '../shared/Switch';
import { TopBar } from '../shared/TopBar';
import { UndoRedo } from '../shared/UndoRedo';

interface Props {
  session: Session;
  site: Site;
  set: PieceSet;
  looked: SetScan;
  written: SetWriting;
  /** That the pieces are laid on. */
  pageId: string;
  onPage(pageId: string): void;
  /** Undefined while there is nothing to lay on the plan. */
  onPlan: (() => void) | undefined;
  /** The archive holds all files, not those alone that changed. */
  all: boolean;
  onAll(all: boolean): void;
  /** It is looked whether all words can be read. */
  measuring: boolean;
  /** Undefined while there is nothing to save yet. */
  onArchive: (() => void) | undefined;
}

/** What goes on with the pieces, and what is done with them in the end. */
export function SetBar(props: Props) {
  const {
    session,
    site,
    set,
    looked,
    written,
    pageId,
    onPage,
    onPlan,
    all,
    onAll,
    measuring,
    onArchive,
  } = props;
  const router = useRouter();
  const taken = set.pieces.filter((p) => !p.leftOut).length;
  const after = [...written.files.values()].reduce((sum, f) => sum + f.bytes.length, 0);
  return (
    <TopBar
      crumbs={[
        { label: site.name, href: `/sites/${site.id}` },
        { label: 'Recolour a set', figure: `${taken} of ${set.pieces.length}` },
      ]}
    >
      <Going set={set} looked={looked} written={written} />
      <UndoRedo session={session} />
      <span className="inline-flex">
        <Button
          disabled={!onPlan}
          onClick={onPlan}
          className={site.pages.length > 1 ? 'rounded-r-none' : ''}
        >
          Lay on the plan
        </Button>
        {site.pages.length > 1 && (
          <Choose
            label="Page of the plan"
            className="-ml-px w-28 rounded-l-none"
            value={pageId}
            choices={site.pages.map((p) => ({ value: p.id, label: p.name }))}
            onChange={onPage}
          />
        )}
      </span>
      <Button onClick={() => router.push(`/sites/${site.id}/hand-over`)}>Hand over</Button>
      <Switch<'changed' | 'all'>
        label="What the archive holds"
        value={all ? 'all' : 'changed'}
        onChange={(v) => onAll(v === 'all')}
        choices={[
          { value: 'changed', label: 'changed' },
          { value: 'all', label: 'all files' },
        ]}
      />
      <Button variant="main" disabled={!onArchive} onClick={onArchive}>
        <Archive size={13} aria-hidden />
        {archiveWords(measuring, written.whole ? after : 0)}
      </Button>
    </TopBar>
  );
}

function archiveWords(measuring: boolean, bytes: number): string {
  if (measuring) {
    return 'Reading the page…';
  }
  return bytes > 0 ? `Archive, ${kilobytes(bytes)}` : 'Archive';
}

/** How far reading or writing is; where it was stopped, the way to go on. */
function Going({ set, looked, written }: Pick<Props, 'set' | 'looked' | 'written'>) {
  const going = looked.looking
    ? { ...looked.looking, words: 'Reading' }
    : written.writing && { ...written.writing, words: 'Writing' };
  if (going) {
    return (
      <span role="status" className="flex items-center gap-2 text-soft">
        <Progress
          label={`${going.words} pieces`}
          className="w-24"
          done={going.done}
          of={going.of}
        />
        <span className="figure">
          {going.words} {going.done} of {going.of}
        </span>
        <Button onClick={looked.looking ? looked.stop : written.stop}>
          <X size={13} aria-hidden />
          Stop
        </Button>
      </span>
    );
  }
  return (
    <>
      {!looked.whole && looked.samples.size > 0 && <Button onClick={looked.start}>Read on</Button>}
      {isActive(set.recipe) && looked.whole && !written.whole && (
        <Button onClick={written.start}>Write the files</Button>
      )}
    </>
  );
}
