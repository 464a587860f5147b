'use client';

import { Archive, FileDown, X } from 'lucide-react';
import Link from 'next/link';
import { useState } from 'react';
import { planFiles } from '@/core/handover/filePlan';
import { archiveName } from '@/core/handover/names';
import { allSnippets, type HandOver } from '@/core/handover/produce';
import { isActive } from '@/core/recolour/activeSteps';
import { creditsOf, creditsPage } from '@/core/handover/credits';
import { kilobytes } from '@/core/readings/say';
import type { OwnPage } from '@/core/site/model/ownPage';
import type { Page } from '@/core/site/model/page';
import type { PieceSet } from '@/core/site/model/pieceSet';
import type { HandOverChoices } from '@/core/site/model/site';
import '../hooks/tab/warmedWriting';
import { useHandOver } from '../hooks/useHandOver';
import { useLostInHandOver, type LostContrast } from '../hooks/useLostContrast';
import { useHistory, useSite, type Session } from '../hooks/useSession';
import { HelpButton } from '../help/HelpButton';
import { beyondWords } from '../shared/beyondWords';
import { Button } from '../shared/Button';
import { VerdictMark } from '../shared/VerdictMark';
import { Group } from '../shared/Group';
import { Progress } from '../shared/Progress';
import { Switch } from '../shared/Switch';
import { saveArchive, saveSiteFile } from '../shared/saveFiles';
import { DropScreen } from '../shared/DropScreen';
import { TopBar } from '../shared/TopBar';
import { undoCommands } from '../shared/undoCommands';
import { useCommandKeys } from '../shared/commands';
import { UndoRedo } from '../shared/UndoRedo';
import { WithSession } from '../shared/WithSession';
import { FileList } from './FileList';
import { LightestPanel } from './LightestPanel';
import { Lines } from './Lines';
import { OwnPageLines } from './OwnPageLines';
import { OwnPagePanel } from './OwnPagePanel';
import { RehearsalPanel } from './RehearsalPanel';

/**
 * Everything that a host is given: files, lines, credits, the archive, the editable file, and a
 * rehearsal of it.
 */
export function HandOverScreen({ siteId }: { siteId: string }) {
  return <WithSession siteId={siteId}>{(session) => <Opened session={session} />}</WithSession>;
}

const choices: readonly { key: keyof HandOverChoices; label: string }[] = [
  { key: 'twice', label: 'Twice the size, for dense screens' },
  { key: 'narrow', label: 'Half the size, for narrow screens' },
  { key: 'fallback', label: 'JPEG or PNG beside WebP and AVIF' },
];

/** What the middle column shows. */
type Shown = 'page' | 'css' | 'html' | 'credits';

function Choice({
  label,
  checked,
  onChange,
}: {
  label: string;
  checked: boolean;
  onChange(): void;
}) {
  return (
    <label className="flex items-start gap-2">
      <input type="checkbox" className="mt-0.5 accent-act" checked={checked} onChange={onChange} />
      {label}
    </label>
  );
}

/** A page of the owner's that is handed over; a picture of one cannot be. */
const isOwn = (page: Page): page is Page & { own: OwnPage } =>
  page.own !== null && page.own.from !== 'picture';

/** What goes along of a theme that is recoloured. */
function themeWords(set: PieceSet, made: HandOver | undefined): string {
  if (!isActive(set.recipe)) {
    return `${set.name} is open, but no recipe lies on it yet: nothing of it goes along.`;
  }
  const files = made?.files.filter((f) => f.theme);
  return files
    ? `${files.length} files of ${set.name} go along under their own names, ${files.filter((f) => f.theme === 'changed').length} of them changed.`
    : `The files of ${set.name} go along under their own names.`;
}

/** Words that are named; the page of the set has all. */
const fewWords = 3;

/** Words of the theme's pages that cannot be read any more, before it is given. */
function LostWords({ found, running, problem }: LostContrast) {
  if (running && !found) {
    return (
      <p role="status" className="text-soft">
        Measuring whether its words can be read…
      </p>
    );
  }
  if (problem !== undefined) {
    return <p className="text-warn">Whether its words can be read was not measured: {problem}</p>;
  }
  if (!found) {
    return null;
  }
  const { lost } = found;
  const words = lost.slice(0, fewWords).map((w) => `“${w.text}” ${w.after.toFixed(1)} : 1`);
  return lost.length === 0 ? (
    <p className="text-soft">
      <VerdictMark verdict="holds" /> All measured words that could be read can still be read.
      {beyondWords(found)}
    </p>
  ) : (
    <p className="text-warn">
      <VerdictMark verdict="look" /> {lost.length} {lost.length === 1 ? 'text' : 'texts'} of its
      page can hardly be read any more: {words.join(', ')}
      {lost.length > fewWords && ' and others'}.{beyondWords(found)}
    </p>
  );
}

function Opened({ session }: { session: Session }) {
  const site = useSite(session);
  const making = useHandOver(site);
  const { made, files, running, failure } = making;
  const lost = useLostInHandOver(site.set, made);
  const [selected, setSelected] = useState<string>();
  const ownPages = site.pages.filter(isOwn);
  const [shown, setShown] = useState<Shown>(ownPages.length > 0 ? 'page' : 'css');
  // Before everything is drawn it is not known which pictures are see-through; most are not.
  const plan = made?.plan ?? planFiles(site, () => true);
  const all = allSnippets(site, plan);
  const credits = creditsPage(creditsOf(site).map((c) => c.item));
  const one = selected === undefined ? undefined : all.snippets.get(selected);
  const name = site.slots.find((s) => s.id === selected)?.name;
  const isLines = shown === 'css' || shown === 'html';
  const total = [...files.values()].reduce((sum, f) => sum + (f.planned ? f.bytes.length : 0), 0);
  const commit = session.commit.bind(session);
  useCommandKeys(undoCommands(session, useHistory(session)));
  return (
    <DropScreen siteId={site.id}>
      <TopBar crumbs={[{ label: site.name, href: `/sites/${site.id}` }, { label: 'Hand over' }]}>
        {running && (
          <span role="status" className="flex items-center gap-2 text-soft">
            <Progress label="Files written" className="w-28" done={running.done} of={running.of} />
            <span className="max-w-[260px] truncate">
              {running.of
                ? `${running.done + 1} of ${running.of}, ${running.path.replace(/^.*\//, '')}`
                : 'Drawing…'}
            </span>
          </span>
        )}
        {running ? (
          <Button onClick={making.stop}>
            <X size={13} aria-hidden />
            Stop
          </Button>
        ) : (
          !made && making.stopped && <Button onClick={making.start}>Make the files</Button>
        )}
        <HelpButton topic="archive" />
        <UndoRedo session={session} />
        <Button onClick={() => void saveSiteFile(site)}>
          <FileDown size={13} aria-hidden />
          Site file
        </Button>
        <Button
          variant="main"
          data-tour="archive"
          disabled={!made}
          onClick={() => made && void saveArchive(archiveName(site), made.files)}
        >
          <Archive size={13} aria-hidden />
          {made ? `Archive, ${plan.length === 0 ? 'no picture' : kilobytes(total)}` : 'Archive'}
        </Button>
      </TopBar>
      <div className="grid min-h-0 grow grid-cols-[minmax(0,1fr)_minmax(300px,27%)_268px] max-md:block max-md:overflow-y-auto">
        <main
          className="min-h-0 overflow-y-auto max-md:overflow-x-auto"
          aria-label="Files to hand over"
        >
          <h1 className="sr-only">Hand over of {site.name}</h1>
          {failure && (
            <p
              role="alert"
              className="m-4 rounded-sm border border-bad bg-bad-wash px-3 py-1.5 text-bad"
            >
              {failure}
            </p>
          )}
          {plan.length === 0 ? (
            <p className="m-6 max-w-md text-soft">
              No slot of this site has a picture yet. Lay one in a slot, and its files and lines
              appear here.
            </p>
          ) : (
            <FileList
              site={site}
              plan={plan}
              files={files}
              selected={selected}
              onSelect={(id) => setSelected((s) => (s === id ? undefined : id))}
              commit={commit}
            />
          )}
        </main>
        <section
          aria-label="Lines"
          className="flex min-h-0 flex-col gap-2 border-x border-line bg-white px-3.5 py-2"
        >
          <h2 className="sr-only">Lines for the pages</h2>
          <div className="flex items-center justify-between gap-2">
            <Switch<Shown>
              label="Which lines"
              value={shown}
              onChange={setShown}
              choices={[
                ...(ownPages.length > 0 ? [{ value: 'page' as const, label: 'Your page' }] : []),
                { value: 'css', label: 'Style sheet' },
                { value: 'html', label: 'Markup' },
                { value: 'credits', label: 'Credits' },
              ]}
            />
            {one && isLines && (
              <Button className="h-[22px]" onClick={() => setSelected(undefined)}>
                All slots
              </Button>
            )}
          </div>
          {isLines && (
            <p className="shrink-0 truncate text-soft">
              {one ? `Of ${name} alone` : 'Of all slots, for the theme'}
            </p>
          )}
          {shown === 'page' && <OwnPageLines pages={ownPages} made={made} />}
          {shown === 'css' && (
            <Lines
              tall
              title="Style sheet"
              text={one?.css ?? all.css}
              fileName="style.css"
              type="text/css"
            />
          )}
          {shown === 'html' && (
            <Lines
              tall
              title="Markup"
              text={one?.html ?? all.html}
              fileName="markup.html"
              type="text/html"
            />
          )}
          {shown === 'credits' &&
            (credits.text ? (
              <>
                <Lines
                  tall
                  title="Credits, HTML"
                  text={credits.html}
                  fileName="credits.html"
                  type="text/html"
                />
                <Lines tall title="Credits, text" text={credits.text} fileName="credits.txt" />
              </>
            ) : (
              <p className="text-soft">No picture that is used asks for a credit.</p>
            ))}
        </section>
        <aside
          aria-label="What goes along"
          className="flex min-h-0 flex-col gap-3 overflow-y-auto px-3.5 py-2"
        >
          <Group title="Beside each file">
            {choices.map(({ key, label }) => (
              <Choice
                key={key}
                label={label}
                checked={site.handOver[key]}
                onChange={() =>
                  commit(
                    `${site.handOver[key] ? 'Without' : 'With'}: ${label.toLowerCase()}`,
                    (s) => {
                      s.handOver[key] = !s.handOver[key];
                    },
                  )
                }
              />
            ))}
          </Group>
          <LightestPanel session={session} empty={plan.length === 0} />
          {site.set && (
            <Group title="Recoloured theme">
              <p className="text-soft">{themeWords(site.set, made)}</p>
              <LostWords {...lost} />
              <Link href={`/sites/${site.id}/recolour`} className="text-act underline">
                Open the set
              </Link>
            </Group>
          )}
          {ownPages.length > 0 && (
            <Group title="Your own page">
              <Choice
                label="Its style sheets and tags may change too"
                checked={site.handOver.pageFiles}
                onChange={() =>
                  commit(
                    site.handOver.pageFiles ? 'Change pictures alone' : 'Change the page’s files',
                    (s) => {
                      s.handOver.pageFiles = !s.handOver.pageFiles;
                    },
                  )
                }
              />
              <p className="text-soft">
                The page in the archive is for the rehearsal and has no scripts: do not upload it in
                place of yours.
              </p>
            </Group>
          )}
          {ownPages.map((page) => (
            <OwnPagePanel key={page.id} site={site} page={page} session={session} made={made} />
          ))}
          <RehearsalPanel site={site} made={made} />
          <Group title="To go on later">
            <p className="text-soft">
              The archive holds the site file too: everything stays editable, in any browser.
            </p>
          </Group>
        </aside>
      </div>
    </DropScreen>
  );
}
