'use client';

import { useRouter, useSearchParams } from 'next/navigation';
import { useEffect, useEffectEvent, useState } from 'react';
import { wordsOf } from '@/core/refusal';
import { matches, shapes, type Shape } from '@/core/shelf/search';
import { licenceWords } from '@/core/shelf/licences';
import { readPixels } from '@/core/measure/pixels';
import { shelve } from '@/core/site/edit';
import { slotOf } from '@/core/site/picture';
import type { ShelfItem } from '@/core/site/model/shelf';
import type { Slot } from '@/core/site/model/slot';
import { layFirst } from '../hooks/firstPlaces';
import { takeArrived } from '../hooks/tab/arrivals';
import { useIntake } from '../hooks/useIntake';
import {
  libraryAddress,
  takeFromLibrary,
  useLibrary,
  type LibraryPicture,
} from '../hooks/useLibrary';
import { useSite, type Session } from '../hooks/useSession';
import { FileDrop } from '../measure/FileDrop';
import { Button } from '../shared/Button';
import { Choose } from '../shared/Choose';
import { CommitField } from '../shared/CommitField';
import { inputLook } from '../shared/inputLook';
import { Switch } from '../shared/Switch';
import { notify } from '../shared/notices';
import { DropScreen } from '../shared/DropScreen';
import { HelpButton } from '../help/HelpButton';
import { TopBar } from '../shared/TopBar';
import { WithSession } from '../shared/WithSession';
import { CardGrid } from './CardGrid';
import { CreditsDialog } from './CreditsDialog';
import { LibraryDetails, ShelfDetails } from './Details';
import { Card, OwnCard } from './ShelfCards';

/** The pictures at hand, and those of the library. */
export function ShelfScreen({ siteId }: { siteId: string }) {
  return <WithSession siteId={siteId}>{(session) => <Shelf session={session} />}</WithSession>;
}

type Where = 'shelf' | 'library';

const any = 'any';

function Shelf({ session }: { session: Session }) {
  const asked = useSearchParams();
  /** A slot that a picture is sought for. */
  const forSlot = asked.get('for');
  const inLibrary = asked.get('in') === 'library';
  const site = useSite(session);
  const router = useRouter();
  const target = forSlot ? slotOf(site, forSlot) : undefined;
  const [where, setWhere] = useState<Where>(inLibrary ? 'library' : 'shelf');
  const [words, setWords] = useState('');
  const [subject, setSubject] = useState(any);
  const [shape, setShape] = useState<Shape | typeof any>(any);
  const [leastWidth, setLeastWidth] = useState(target?.width ?? 0);
  const [page, setPage] = useState(1);
  const [chosen, setChosen] = useState<string>();
  const [creditsOpen, setCreditsOpen] = useState(false);
  const [fetching, setFetching] = useState<string>();
  const { take, busy, share, cancel } = useIntake();
  const query = {
    words,
    subject: subject === any ? undefined : subject,
    shape: shape === any ? undefined : shape,
    leastWidth,
  };
  const library = useLibrary({ ...query, page }, where === 'library');
  const own = site.shelf.toReversed().filter((item) =>
    matches(
      {
        title: item.name,
        words: `${item.maker} ${item.source}`,
        subject: item.subject,
        width: item.width,
        height: item.height,
      },
      query,
    ),
  );
  const ownSubjects = [...new Set(site.shelf.map((i) => i.subject).filter(Boolean))].sort();
  const theirs = library.state === 'found' ? library.answer.subjects : [];
  const subjects = where === 'shelf' ? ownSubjects : theirs;
  const search =
    <T,>(set: (value: T) => void) =>
    (value: T) => {
      set(value);
      setPage(1);
      setChosen(undefined);
    };

  const bring = (files: readonly File[]) => {
    setWhere('shelf');
    void take(files, (item) => session.commit(`Shelve ${item.name}`, shelve(item)));
  };
  const takeBrought = useEffectEvent(() => {
    const pictures = takeArrived(site.id, 'pictures');
    if (pictures) {
      bring(pictures);
    }
  });
  useEffect(() => {
    void Promise.resolve().then(takeBrought);
  }, []);
  const lay = async (item: ShelfItem, slot: Slot) => {
    await layFirst(session, slot, item);
    router.push(`/sites/${site.id}/slots/${slot.id}`);
  };
  const fetchPicture = async (picture: LibraryPicture, slot?: Slot) => {
    setFetching(picture.id);
    try {
      const item = await takeFromLibrary(picture);
      if (slot) {
        await lay(item, slot);
        return;
      }
      session.commit(`Shelve ${item.name}`, shelve(item));
      setWhere('shelf');
      setChosen(item.assetId);
    } catch (error) {
      notify('bad', wordsOf(error));
    }
    setFetching(undefined);
  };

  const ownChosen = where === 'shelf' ? site.shelf.find((i) => i.assetId === chosen) : undefined;
  const libraryChosen =
    where === 'library' && library.state === 'found'
      ? library.answer.pictures.find((p) => p.id === chosen)
      : undefined;
  return (
    <DropScreen siteId={site.id} onPictures={(files) => bring(files.map(({ file }) => file))}>
      <TopBar
        crumbs={[
          { label: 'Sites', href: '/' },
          { label: site.name, href: `/sites/${site.id}` },
          { label: 'Shelf' },
        ]}
      >
        {target && (
          <span className="text-soft">
            for <span className="text-ink">{target.name}</span>{' '}
            <span className="figure">
              {target.width} × {target.height}
            </span>
          </span>
        )}
        <HelpButton topic="shelf" />
        <Button onClick={() => setCreditsOpen(true)}>Credits</Button>
      </TopBar>
      <form
        role="search"
        className="flex shrink-0 flex-wrap items-center gap-3 border-b border-line bg-sheet px-4 py-2"
        onSubmit={(e) => e.preventDefault()}
      >
        <Switch<Where>
          label="Where to look"
          value={where}
          onChange={(w) => {
            setWhere(w);
            setChosen(undefined);
            setPage(1);
            setSubject(any);
          }}
          choices={[
            { value: 'shelf', label: `On the shelf (${site.shelf.length})` },
            { value: 'library', label: 'Picture library' },
          ]}
        />
        <input
          type="search"
          aria-label="Words"
          placeholder="Words"
          value={words}
          maxLength={100}
          onChange={(e) => search(setWords)(e.target.value)}
          className={`${inputLook} w-48`}
        />
        <Choose
          label="Subject"
          className="w-36"
          value={subject}
          choices={[
            { value: any, label: 'any subject' },
            ...subjects.map((s) => ({ value: s, label: s })),
          ]}
          onChange={search(setSubject)}
        />
        <Switch<Shape | typeof any>
          label="Shape"
          value={shape}
          choices={[
            { value: any, label: 'any shape' },
            ...shapes.map((s) => ({ value: s, label: s })),
          ]}
          onChange={search(setShape)}
        />
        <span className="flex items-center gap-1.5">
          <label htmlFor="least-width">at least</label>
          <CommitField
            id="least-width"
            label="Least width"
            className="w-24"
            suffix="px"
            value={String(leastWidth)}
            onCommit={(text) => {
              if (/^0?\s*(px)?$/.test(text.trim())) {
                search(setLeastWidth)(0);
                return;
              }
              const read = readPixels(text);
              if (!read.ok) {
                return read.message;
              }
              search(setLeastWidth)(read.px);
            }}
          />
          <span>wide</span>
        </span>
      </form>
      <div className="flex min-h-0 grow max-md:flex-col max-md:overflow-y-auto">
        <main className="min-w-0 grow overflow-auto bg-board p-4 max-md:shrink-0 max-md:overflow-visible">
          <h1 className="sr-only">Shelf of {site.name}</h1>
          {where === 'shelf' && (
            <>
              <FileDrop
                label="Pictures for the shelf"
                button="Choose files"
                accept="image/*"
                multiple
                busy={busy}
                onCancel={cancel}
                onFiles={bring}
              >
                Drop pictures of your own, as many as you like.
              </FileDrop>
              {busy && (
                <div
                  role="progressbar"
                  aria-label="Pictures read"
                  aria-valuenow={Math.round(share * 100)}
                  className="mt-1 h-1 bg-line"
                >
                  <div className="h-full bg-act" style={{ width: `${share * 100}%` }} />
                </div>
              )}
              {own.length === 0 && !busy && (
                <p className="mt-4">
                  {site.shelf.length === 0
                    ? 'Nothing on the shelf yet.'
                    : 'No picture on the shelf is so. Look for less, or in the picture library.'}
                </p>
              )}
              <CardGrid items={own} keyOf={(item) => item.assetId}>
                {(item) => (
                  <OwnCard
                    site={site}
                    item={item}
                    current={item.assetId === chosen}
                    onChoose={() => setChosen(item.assetId)}
                  />
                )}
              </CardGrid>
            </>
          )}
          {where === 'library' && (
            <>
              {library.state === 'looking' && (
                <>
                  <p role="status">Looking in the library…</p>
                  <ul
                    aria-hidden
                    className="mt-3 grid grid-cols-[repeat(auto-fill,minmax(176px,1fr))] gap-3"
                  >
                    {Array.from({ length: 12 }, (_, i) => (
                      <li key={i} className="h-[168px] rounded-sm border border-line bg-sheet" />
                    ))}
                  </ul>
                </>
              )}
              {library.state === 'failed' && (
                <div
                  role="alert"
                  className="max-w-lg rounded-sm border border-bad bg-white px-4 py-3"
                >
                  <p>{library.message}</p>
                  <Button className="mt-2" onClick={library.again}>
                    Try again
                  </Button>
                </div>
              )}
              {library.state === 'found' && (
                <>
                  <p role="status">
                    {library.answer.total === 0
                      ? 'The library has no picture like this. Use fewer words, another shape, or less width.'
                      : `${library.answer.total} ${library.answer.total === 1 ? 'picture' : 'pictures'}`}
                  </p>
                  <CardGrid items={library.answer.pictures} keyOf={(p) => p.id}>
                    {(p) => (
                      <Card
                        name={p.title}
                        figure={`${p.width} × ${p.height}`}
                        words={`${p.maker}, ${licenceWords(p.licence)}`}
                        current={p.id === chosen}
                        url={libraryAddress(p)}
                        onChoose={() => setChosen(p.id)}
                      />
                    )}
                  </CardGrid>
                  {library.answer.total > 24 && (
                    <div className="mt-3 flex items-center gap-2">
                      <Button disabled={page === 1} onClick={() => setPage(page - 1)}>
                        Previous
                      </Button>
                      <span className="figure">
                        {page} of {Math.ceil(library.answer.total / 24)}
                      </span>
                      <Button
                        disabled={page * 24 >= library.answer.total}
                        onClick={() => setPage(page + 1)}
                      >
                        Next
                      </Button>
                    </div>
                  )}
                </>
              )}
            </>
          )}
        </main>
        <aside
          aria-label="Chosen picture"
          className="w-[380px] shrink-0 overflow-auto border-l border-line bg-white max-md:w-full max-md:border-t max-md:border-l-0"
        >
          {ownChosen && (
            <ShelfDetails
              key={ownChosen.assetId}
              session={session}
              site={site}
              item={ownChosen}
              target={target}
              onLay={lay}
              onGone={() => setChosen(undefined)}
            />
          )}
          {libraryChosen && (
            <LibraryDetails
              key={libraryChosen.id}
              site={site}
              picture={libraryChosen}
              target={target}
              busy={fetching === libraryChosen.id}
              onTake={fetchPicture}
            />
          )}
          {!ownChosen && !libraryChosen && (
            <p className="p-4 text-soft">
              Choose a picture to see who made it, under which licence it may be used, and where it
              is.
            </p>
          )}
        </aside>
      </div>
      <CreditsDialog site={site} open={creditsOpen} onOpenChange={setCreditsOpen} />
    </DropScreen>
  );
}
