'use client';

import { useRouter } from 'next/navigation';
import { lazy, Suspense, useMemo, useState } from 'react';
import { isActive } from '@/core/recolour/activeSteps';
import { wordsOf } from '@/core/refusal';
import {
  changeColours,
  followFamily,
  layOnPlan,
  layRecipeOnSet,
  setInks,
  openPieces,
  placedPieces,
  recolourFamily,
  takePieces,
  turnColour,
  turnLine,
} from '@/core/set/edits';
import type { SheetLine } from '@/core/set/sheetLine';
import { setArchiveName } from '@/core/set/produce';
import { chain } from '@/core/site/edit';
import type { Hex } from '@/core/site/model/hex';
import type { PieceSet } from '@/core/site/model/pieceSet';
import type { Recipe } from '@/core/site/model/recipe';
import type { Site } from '@/core/site/model/site';
import type { FolderFile } from '../hooks/folderFiles';
import { useSheetRecolouring, useLooked, useWritten, type OfferLook } from '../hooks/usePieceSet';
import { zipped } from '../hooks/zipped';
import { handedOf, type SetGiven } from '../hooks/handedOf';
import { lostOfSet, type WordsMeasured } from '../hooks/useLostContrast';
import { useHistory, useSite, type Session } from '../hooks/useSession';
import { useSetIntake, type SetIntake } from '../hooks/useSetIntake';
import { Button } from '../shared/Button';
import { UndoRedo } from '../shared/UndoRedo';
import { CommandList } from '../shared/CommandList';
import { useCommandKeys, type Command } from '../shared/commands';
import { undoCommands } from '../shared/undoCommands';
import { helpCommands } from '../help/commands';
import { HelpButton } from '../help/HelpButton';
import { download } from '../shared/download';
import { notify } from '../shared/notices';
import { SelectedStep } from '../shared/steps/RecipeSteps';
import { DropScreen } from '../shared/DropScreen';
import { TopBar } from '../shared/TopBar';
import { WithSession } from '../shared/WithSession';
import { EmptySet } from './EmptySet';
import { ChooseFiles } from '../shared/ChooseFiles';
import type { FamilyActs } from './FamiliesView';
import { FromTo } from './FromTo';
import { LostDialog } from './LostDialog';
import { Outcome, outcomeViews, type OutcomeView } from './Outcome';
import { PieceTable } from './PieceTable';
import { RecipePanel } from './RecipePanel';
import { SetBar } from './SetBar';
import type { Trial } from './SetHarmonyPanel';

/** Loaded when it is asked for. */
const SetHarmonyPanel = lazy(async () => ({
  default: (await import('./SetHarmonyPanel')).SetHarmonyPanel,
}));

/** What of a set is open, for a message. */
function openedWords({ name, pieces, sheets }: PieceSet): string {
  if (pieces.length === 0) {
    return `The ${sheets.length === 1 ? 'style sheet' : `${sheets.length} style sheets`} of ${name} ${sheets.length === 1 ? 'is' : 'are'} open`;
  }
  return `${pieces.length} ${pieces.length === 1 ? 'piece' : 'pieces'} of ${name} ${pieces.length === 1 ? 'is' : 'are'} open`;
}

const takeWords = (wanted: boolean, what: string): string =>
  wanted ? `Recolour ${what}` : `Leave ${what} out`;

/** Many theme pieces at once: one recipe for all of them, and the style sheet that follows. */
export function RecolourScreen({ siteId }: { siteId: string }) {
  return <WithSession siteId={siteId}>{(session) => <Opened session={session} />}</WithSession>;
}

function Opened({ session }: { session: Session }) {
  const site = useSite(session);
  const intake = useSetIntake();
  const take = (files: readonly FolderFile[]) =>
    void intake.take(files, site, (set) => {
      session.commit(`Open ${set.name}`, openPieces(set));
      const stay = set.others.filter((o) => o.why).length;
      notify(
        'done',
        `${openedWords(set)}${stay ? `; ${stay} ${stay === 1 ? 'picture stays' : 'pictures stay'} as ${stay === 1 ? 'it is' : 'they are'}, and the list says why` : ''}.`,
      );
    });
  if (!site.set) {
    return (
      <DropScreen siteId={site.id} onPages={take} onPictures={take}>
        <TopBar
          crumbs={[{ label: site.name, href: `/sites/${site.id}` }, { label: 'Recolour a set' }]}
        >
          <HelpButton topic="recolour" />
          <UndoRedo session={session} />
        </TopBar>
        <EmptySet site={site} intake={intake} onFiles={take} />
      </DropScreen>
    );
  }
  return <OpenSet session={session} site={site} set={site.set} intake={intake} onFiles={take} />;
}

function OpenSet({
  session,
  site,
  set,
  intake,
  onFiles,
}: {
  session: Session;
  site: Site;
  set: PieceSet;
  intake: SetIntake;
  onFiles(files: readonly FolderFile[]): void;
}) {
  const router = useRouter();
  const looked = useLooked(set);
  const written = useWritten(set, looked);
  const following = useSheetRecolouring(set, looked, written);
  const { followed } = following;
  const [chosen, setChosen] = useState<string>();
  const [step, setStep] = useState<string>();
  const [view, setView] = useState<OutcomeView>(set.pieces.length > 0 ? 'piece' : 'page');
  const [pageId, setPageId] = useState(site.pages[0].id);
  const [all, setAll] = useState(false);
  const [listOpen, setListOpen] = useState(false);
  const [held, setHeld] = useState(false);
  const [measuring, setMeasuring] = useState(false);
  /** Colours that go together are sought, in place of the list of pieces. */
  const [seeking, setSeeking] = useState(false);
  const [trial, setTrial] = useState<Trial>();
  /** Words to be told of before the archive is saved. */
  const [lost, setLost] = useState<{ given: SetGiven; words: WordsMeasured }>();
  const history = useHistory(session);
  const selected = set.pieces.some((p) => p.path === chosen) ? chosen : set.pieces[0]?.path;
  const piece = set.pieces.find((p) => p.path === selected);
  const page = site.pages.find((p) => p.id === pageId) ?? site.pages[0];
  const { recipe } = set;
  const currentStep = recipe.steps.some((s) => s.id === step) ? step : recipe.steps[0]?.id;
  const commit = session.commit.bind(session);
  const commitRecipe = (label: string, next: Recipe) => commit(label, layRecipeOnSet(next));
  const recipeProps = {
    recipe,
    theme: site.theme.colours,
    selected: currentStep,
    onSelect: setStep,
    preview: (next: Recipe) => session.preview(layRecipeOnSet(next)),
    commit: commitRecipe,
  };
  const placed = useMemo(() => placedPieces(set, looked.roles), [set, looked.roles]);
  const active = isActive(recipe);
  /** Two pieces to show ways on: the chosen one and the largest. */
  const largest = useMemo(
    () =>
      set.pieces.reduce((a, b) => (b.width * b.height > a.width * a.height ? b : a), set.pieces[0]),
    [set.pieces],
  );
  const shown = [...new Set([piece?.assetId, largest?.assetId])].filter((id) => id !== undefined);

  const common = (followed?.proposed ?? []).map((hex, i) => ({
    name: i === 0 ? 'the brand’s' : 'of the theme',
    hex,
  }));

  const takeOffer = ({ offer }: OfferLook) => {
    const steps = offer.steps.map((s) => ({ ...s, id: crypto.randomUUID() }));
    // Another way is another recipe: one that is kept stays what it is.
    const own = site.recipes.some((r) => r.id === recipe.id)
      ? { id: crypto.randomUUID(), name: '' }
      : undefined;
    commitRecipe(`Recolour ${set.from} to ${set.to}`, { ...recipe, ...own, steps });
    setStep(steps[0].id);
  };
  const decide = (line: SheetLine) =>
    commit(line.follows ? `Leave ${line.old}` : `Recolour ${line.old}`, turnLine(line));
  const take = (paths: readonly string[], wanted: boolean) =>
    commit(takeWords(wanted, paths.length === 1 ? paths[0] : 'all'), takePieces(paths, wanted));
  const counts = `${set.pieces.length} pieces, ${set.sheets.length} ${set.sheets.length === 1 ? 'style sheet' : 'style sheets'}`;
  const families = followed?.families ?? [];
  const acts: FamilyActs = {
    onFollow: (family, wanted) =>
      commit(
        wanted ? `Recolour ${family.hex} and its kind` : `Leave ${family.hex} and its kind`,
        followFamily(family, wanted, families),
      ),
    onRecolour: (family, to) =>
      commit(
        `Recolour ${family.hex} to ${to}`,
        recolourFamily(family, to, families, crypto.randomUUID()),
      ),
    onTurn: (hex, lines, follows) =>
      commit(follows ? `Recolour ${hex}` : `Leave ${hex}`, turnColour(lines, follows)),
    onTake: take,
  };
  /** Says first what cannot be read any more. */
  const archive = async () => {
    if (measuring) {
      return;
    }
    setMeasuring(true);
    try {
      const newest = await following.newest();
      if (newest) {
        const given = { set, files: written.files, followed: newest };
        const words = await lostOfSet(given).catch((error: unknown) => {
          notify('bad', `Whether all words can be read was not measured. ${wordsOf(error)}`);
        });
        if (words && words.lost.length > 0) {
          setLost({ given, words });
        } else {
          await save(given);
        }
      }
    } catch (error) {
      notify('bad', `The archive could not be made. ${wordsOf(error)}`);
    }
    setMeasuring(false);
  };
  /** Saves what was asked about, whatever has become of the set meanwhile. */
  const save = async (given: SetGiven) => {
    setLost(undefined);
    try {
      const files = await handedOf(given, all);
      download(setArchiveName(given.set), await zipped(files), 'application/zip');
      notify(
        'done',
        `${files.filter((f) => f.changed).length - 1} files changed; the list of them is in the archive.`,
      );
    } catch (error) {
      notify('bad', `The archive could not be made. ${wordsOf(error)}`);
    }
  };
  /** Words that colours lose while they are tried are mended with them. */
  const mendInks = (inks: ReadonlyMap<string, Hex>) => {
    const label =
      inks.size === 1 ? 'Mend words of the page' : `Mend ${inks.size} words of the page`;
    trial?.onKept();
    commit(
      trial ? `${trial.label}, mended` : label,
      chain(...(trial ? [trial.edit] : []), setInks(inks)),
    );
  };
  const seek = () => {
    setSeeking(true);
    setView('page');
  };
  const ontoPlan = async () => {
    const newest = await following.newest().catch(() => followed);
    const ground = newest?.continued.find(
      (l) => l.continues && l.follows && looked.roles.get(l.continues.path)?.kind === 'background',
    );
    commit(`Lay ${set.name} on the plan`, layOnPlan(set, looked.roles, page.id, ground?.toHex));
    notify(
      'done',
      `${placed.length} ${placed.length === 1 ? 'piece lies' : 'pieces lie'} on ${page.name} with the recipe. The others are handed over with the site.`,
    );
    router.push(`/sites/${site.id}`);
  };
  const commands: Command[] = [
    ...undoCommands(session, history),
    {
      id: 'before',
      label: 'Hold for the pieces before',
      keys: ['b'],
      run: () => setHeld(true),
      release: () => setHeld(false),
    },
    ...outcomeViews.map(({ view: v, title }): Command => ({
      id: `show ${v}`,
      label: `Show: ${title}`,
      run: () => setView(v),
    })),
    {
      id: 'harmony',
      label: 'Colours that go together',
      enabled: set.sheets.length > 0,
      run: seek,
    },
    {
      id: 'plan',
      label: 'Lay the pieces on the plan',
      enabled: active && placed.length > 0,
      run: () => void ontoPlan(),
    },
    {
      id: 'archive',
      label: 'Save the archive',
      enabled: written.whole && followed !== undefined && active,
      run: () => void archive(),
    },
    {
      id: 'close',
      label: `Close ${set.name}`,
      run: () => commit(`Close ${set.name}`, openPieces(null)),
    },
    {
      id: 'hand-over',
      label: 'Hand over: files, lines, archive, rehearsal',
      run: () => router.push(`/sites/${site.id}/hand-over`),
    },
    { id: 'leave', label: 'Back to the page plan', run: () => router.push(`/sites/${site.id}`) },
    ...helpCommands(router.push),
    {
      id: 'list',
      label: 'All commands and their keys',
      keys: ['Mod+k', '?'],
      unlisted: true,
      run: () => setListOpen(true),
    },
  ];
  useCommandKeys(commands);

  return (
    <DropScreen siteId={site.id} onPages={onFiles} onPictures={onFiles}>
      <SetBar
        session={session}
        site={site}
        set={set}
        looked={looked}
        written={written}
        pageId={page.id}
        onPage={setPageId}
        onPlan={active && placed.length > 0 && !looked.looking ? () => void ontoPlan() : undefined}
        all={all}
        onAll={setAll}
        measuring={measuring}
        onArchive={written.whole && followed && active ? () => void archive() : undefined}
      />
      <main
        className="grid min-h-0 grow max-md:block! max-md:overflow-y-auto"
        style={{
          gridTemplateColumns:
            // A page is looked at larger than its list of pieces.
            view === 'page'
              ? 'minmax(0, 1fr) minmax(0, 1.62fr)'
              : 'minmax(0, 1.62fr) minmax(0, 1fr)',
        }}
      >
        <h1 className="sr-only">Recolour a set: {set.name}</h1>
        <section aria-label="Pieces of the set" className="flex min-h-0 flex-col">
          <div className="flex h-9 shrink-0 items-center gap-2 border-b border-hair bg-white px-3">
            <h2 className="min-w-0 truncate font-semibold" title={`${set.name}: ${counts}`}>
              {set.name}
            </h2>
            {view !== 'page' && <span className="shrink-0 figure text-soft">{counts}</span>}
            {intake.busy ? (
              <span role="status" className="ml-auto flex min-w-0 items-center gap-2 text-soft">
                <span className="truncate">Reading {intake.busy}…</span>
                <Button onClick={intake.cancel}>Cancel</Button>
              </span>
            ) : (
              <span className="ml-auto flex shrink-0 gap-1.5">
                {!seeking && set.sheets.length > 0 && <Button onClick={seek}>Go together…</Button>}
                <ChooseFiles onFiles={onFiles} />
              </span>
            )}
          </div>
          {looked.broken.get('') && (
            <p
              role="alert"
              className="m-2 rounded-sm border border-bad bg-bad-wash px-3 py-1 text-bad"
            >
              {looked.broken.get('')}
            </p>
          )}
          <div className="min-h-0 grow">
            {seeking ? (
              <Suspense fallback={null}>
                <SetHarmonyPanel
                  session={session}
                  site={site}
                  set={set}
                  looked={looked}
                  followed={followed}
                  onTrial={setTrial}
                  onDone={() => setSeeking(false)}
                />
              </Suspense>
            ) : (
              <PieceTable
                set={set}
                looked={looked}
                written={written}
                brief={view === 'page'}
                selected={selected}
                onSelect={setChosen}
                onTake={take}
              />
            )}
          </div>
        </section>
        <Outcome
          set={held ? { ...set, recipe: { ...recipe, steps: [] } } : set}
          looked={looked}
          written={written}
          following={following}
          piece={piece}
          view={view}
          onView={setView}
          onSelect={setChosen}
          onInks={mendInks}
          theme={site.theme.colours}
          acts={acts}
          onDecide={decide}
        />
      </main>
      <div className="grid h-[262px] shrink-0 grid-cols-[minmax(0,1.25fr)_minmax(0,1.1fr)_minmax(0,1fr)] border-t border-line bg-sheet [&>*]:overflow-y-auto [&>*]:px-3.5 [&>*]:py-2">
        <div>
          <RecipePanel session={session} site={site} set={set} props={recipeProps} />
        </div>
        <section
          aria-label="Step"
          className="flex flex-col gap-1.5 border-x border-line bg-white [&>*]:shrink-0"
        >
          {recipe.steps.length > 0 ? (
            <SelectedStep {...recipeProps} />
          ) : (
            <p className="m-auto max-w-64 text-center text-soft">
              The step you choose has its controls here.
            </p>
          )}
        </section>
        <div>
          <FromTo
            set={set}
            theme={site.theme.colours}
            shown={shown}
            looked={looked.samples.size}
            common={common}
            onColours={(label, change) => commit(label, changeColours(change))}
            onTake={takeOffer}
          />
        </div>
      </div>
      <LostDialog
        measured={lost?.words}
        onLook={() => {
          setLost(undefined);
          setView('page');
        }}
        onSave={() => lost && void save(lost.given)}
        onClose={() => setLost(undefined)}
      />
      <CommandList open={listOpen} onOpenChange={setListOpen} commands={commands} />
    </DropScreen>
  );
}
