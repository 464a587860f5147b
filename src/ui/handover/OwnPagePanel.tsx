'use client';

import { FolderDown, FileDown } from 'lucide-react';
import type { OwnPageChanges } from '@/core/handover/ownPageChanges';
import type { HandOver } from '@/core/handover/produce';
import type { TypedFile } from '@/core/handover/zipFiles';
import { kilobytes } from '@/core/readings/say';
import type { OwnPage, RuledBy } from '@/core/site/model/ownPage';
import type { Page } from '@/core/site/model/page';
import type { Site } from '@/core/site/model/site';
import { ruleBy } from '@/core/site/pages';
import { usePageCheck, type Checking, type PageFault } from '../hooks/usePageCheck';
import type { Session } from '../hooks/useSession';
import { folderWith } from '../hooks/wholeFolder';
import { Button } from '../shared/Button';
import { Progress } from '../shared/Progress';
import { Group } from '../shared/Group';
import { saveArchive } from '../shared/saveFiles';
import { VerdictMark } from '../shared/VerdictMark';

/** New pictures of a page, as they are handed over. */
const picturesOf = ({ wishes }: OwnPageChanges, made: HandOver): TypedFile[] => {
  const paths = new Set(
    wishes.places.filter(({ file }) => file.asItWas === undefined).map(({ file }) => file.path),
  );
  return made.files.filter((f) => paths.has(f.path));
};

const screensOf = (screens: readonly number[]): string =>
  screens.length === 1
    ? `on a screen of ${screens[0]} px`
    : `on screens from ${screens[0]} to ${screens.at(-1)} px`;

const stronger: Readonly<Partial<Record<RuledBy, RuledBy>>> = { page: 'own', own: 'important' };

function faultWords({ kind, selector, screens }: PageFault, name: string): string {
  const where = screensOf(screens);
  switch (kind) {
    case 'not used':
      return `Another rule of your page outdoes the new picture of ${name} ${where}.`;
    case 'laid otherwise':
      return `Another rule of your page lays ${name} otherwise ${where}.`;
    case 'words':
      return `Another rule of your page gives the words of ${selector} another colour ${where}.`;
    default:
      return `${selector} lies elsewhere than before ${where}.`;
  }
}

function Fault({
  fault,
  page,
  session,
  site,
}: {
  fault: PageFault;
  page: Page & { own: OwnPage };
  session: Session;
  site: Site;
}) {
  const slot = site.slots.find((s) => s.id === fault.slot);
  const place = page.own.places.find((p) => p.slot === fault.slot);
  const next = place && place.as === 'background' ? stronger[place.ruled] : undefined;
  return (
    <li className="flex flex-col items-start gap-1 text-warn">
      <span>
        <VerdictMark verdict="look" />
        {faultWords(fault, slot?.name ?? '')}
      </span>
      {next && slot && (
        <Button
          className="h-[22px]"
          onClick={() =>
            session.commit(`Lay ${slot.name} by a rule of its own`, ruleBy(page.id, slot.id, next))
          }
        >
          {next === 'own' ? 'Give it a rule of its own' : 'Let its rule outdo all others'}
        </Button>
      )}
    </li>
  );
}

function CheckLine({ running, check, problem }: Checking) {
  if (problem !== undefined) {
    return <p className="text-bad">Your page could not be checked: {problem}</p>;
  }
  if (running) {
    return (
      <p role="status" className="flex items-center gap-2 text-soft">
        <Progress label="Widths checked" className="w-20" done={running.done} of={running.of} />
        Checking at {running.of} widths…
      </p>
    );
  }
  return check && check.faults.length === 0 ? (
    <p role="status" className="text-act">
      <VerdictMark verdict="holds" />
      Checked at {check.screens} widths: your page shows what is new, and nothing else moved.
    </p>
  ) : null;
}

/** What the owner does with the files of a page of their own, and whether that holds in it. */
export function OwnPagePanel({
  site,
  page,
  session,
  made,
}: {
  site: Site;
  page: Page & { own: OwnPage };
  session: Session;
  made: HandOver | undefined;
}) {
  const changes = made?.own.find((o) => o.pageId === page.id);
  const checking = usePageCheck(page.own, changes, made);
  const pictures = made && changes ? picturesOf(changes, made) : [];
  const files = changes?.files ?? [];
  const changed: TypedFile[] = [
    ...pictures,
    ...files.flatMap(({ path, bytes }) =>
      bytes ? [{ path, type: path.endsWith('.css') ? 'text/css' : 'text/html', bytes }] : [],
    ),
  ];
  const unwritten = files.filter((f) => !f.bytes);
  const name = page.own.title || page.name;
  const bytes = changed.reduce((sum, f) => sum + f.bytes.length, 0);
  return (
    <Group title={`Your page ${name}`} className="break-words">
      {changes && changes.said.length === 0 && (
        <p className="text-soft">Nothing of this page was changed yet.</p>
      )}
      <CheckLine {...checking} />
      {checking.check && checking.check.faults.length > 0 && (
        <ul aria-label="What does not hold" className="flex flex-col gap-1.5">
          {checking.check.faults.map((fault) => (
            <Fault
              key={`${fault.kind} ${fault.slot ?? fault.selector}`}
              fault={fault}
              page={page}
              session={session}
              site={site}
            />
          ))}
        </ul>
      )}
      {unwritten.map(({ path }) => (
        <p key={path} className="text-warn">
          <VerdictMark verdict="look" />
          {path} is in an encoding that is not written here: change its lines by hand.
        </p>
      ))}
      {changed.length > 0 && (
        <Button onClick={() => void saveArchive(`${site.name}, what changed.zip`, changed)}>
          <FileDown size={13} aria-hidden />
          {changed.length === 1
            ? 'The file that changed'
            : `The ${changed.length} files that changed`}
          , {kilobytes(bytes)}
        </Button>
      )}
      {changes && page.own.original === null && changes.pasted !== '' && (
        <p className="text-soft">
          It came without its own style sheets: paste the lines, or bring it once more with its
          folder to have them changed.
        </p>
      )}
      {changes && changed.length > 0 && page.own.original !== null && (
        <Button
          onClick={() =>
            void saveArchive(
              `${site.name}, whole folder.zip`,
              folderWith(page.own, files, pictures),
            )
          }
        >
          <FolderDown size={13} aria-hidden />
          The whole folder
        </Button>
      )}
    </Group>
  );
}
