'use client';

import { useEffect, useMemo, useRef, useState } from 'react';
import { leftWords } from '@/core/ownPage/frozen';
import type { OpenedPage } from '@/core/ownPage/openPages';
import { paintedPart } from '@/core/ownPage/paintedPart';
import { placesAside, placesOf, roomsOf, withoutWords, type Place } from '@/core/ownPage/places';
import { wordsOf } from '@/core/refusal';
import type { MeasuredPlace } from '@/core/site/model/ownPage';
import type { SlotKind } from '@/core/site/model/slot';
import type { Page } from '@/core/site/model/page';
import type { ShelfItem } from '@/core/site/model/shelf';
import { pageFor, takeOverPage } from '@/core/ownPage/takeOver';
import { coloursOf, fontsOf, mattering } from '@/core/ownPage/look';
import { storePage } from '../hooks/useKeptPage';
import { shelveBytes } from '../hooks/useIntake';
import type { Session } from '../hooks/useSession';
import { measurePlaces, usePageFrame } from '../hooks/usePageFrame';
import { usePagePicture } from '../hooks/usePagePicture';
import { Button } from '../shared/Button';
import { newId } from '../shared/newId';
import { notify } from '../shared/notices';
import { Switch } from '../shared/Switch';
import { useMeasure } from '../shared/useMeasure';
import { PageThemeList } from './PageThemeList';
import { SchemeSwitch, type Scheme } from './SchemeSwitch';
import { PlaceOutline } from './PlaceOutline';
import { PlaceList } from './PlaceList';

interface Props {
  opened: OpenedPage;
  session: Session;
  page: Page;
  /** @param pageId that the page stands on then */
  onDone(pageId: string): void;
}

/** What a picture is, and the order of the list, are told at this width whatever is looked at, px. */
const usualWidth = 1280;
const screens = [360, 768, 1280, 1440, 1920] as const;

/** One saved page at a width of the screen, its places outlined, and the list of them. */
export function OwnPageView({ opened, session, page, onDone }: Props) {
  const { path, page: own, from, others } = opened;
  const place = useRef<HTMLDivElement>(null);
  /** Taking over is given up with the dialog. */
  const closed = useRef(false);
  useEffect(() => {
    closed.current = false;
    return () => {
      closed.current = true;
    };
  }, []);
  const [stage, room] = useMeasure();
  // A picture of the page is known at its own width alone.
  const still = from === 'picture' ? own.files[0]?.size?.width : undefined;
  const { shown, problem } = usePageFrame(place, own, undefined, still);
  const picture = usePagePicture(from === 'picture' ? own : undefined);
  const [screen, setWidth] = useState<number>(usualWidth);
  const width = still ?? screen;
  const [scheme, setScheme] = useState<Scheme>('light');
  const [height, setHeight] = useState(800);
  const [pointed, setPointed] = useState<string>();
  const [taken, setTaken] = useState<ReadonlySet<string>>();
  const [busy, setBusy] = useState<string>();
  const [seen, setSeen] = useState<'places' | 'theme'>('places');
  const [colours, setColours] = useState<ReadonlySet<string>>();
  const [fonts, setFonts] = useState<ReadonlySet<string>>();
  const theme = useMemo(() => {
    const laid = shown && from !== 'picture' ? coloursOf(shown.survey.look) : [];
    const all = picture?.colours ?? laid;
    return {
      all,
      mattering: mattering(all).slice(0, 12),
      fonts: shown ? fontsOf(shown.survey.look) : [],
    };
  }, [shown, from, picture]);
  const wantedColours = colours ?? new Set<string>(theme.mattering.map((c) => c.hex));
  const wantedFonts = fonts ?? new Set(theme.fonts.map((f) => f.family));
  const places = useMemo(() => {
    if (!shown || from === 'picture') {
      return [];
    }
    const survey = from === 'style sheets' ? withoutWords(shown.survey) : shown.survey;
    return [...placesOf(survey, own.files, usualWidth), ...placesAside(others)];
  }, [shown, own.files, others, from]);
  const rooms = useMemo(
    () => (shown && from !== 'picture' ? roomsOf(shown.survey, usualWidth) : []),
    [shown, from],
  );
  const [kinds, setKinds] = useState<ReadonlyMap<string, SlotKind>>(new Map());
  const asChosen = places.map((p) => ({ ...p, kind: kinds.get(p.id) ?? p.kind }));
  const chosen = taken ?? new Set(places.filter((p) => !p.small).map((p) => p.id));
  useEffect(() => {
    if (!shown) {
      return;
    }
    let current = true;
    shown.frame.scheme(scheme);
    void shown.frame.show(width).then(() => {
      if (current) {
        setHeight(parseFloat(shown.frame.element.style.height));
      }
    });
    return () => {
      current = false;
    };
  }, [shown, width, scheme]);

  const scale = Math.min(1, Math.max(0.1, (room.width - 32) / width));
  const at = shown?.survey.at.find((a) => a.width === width);
  const wanted = asChosen.filter((p) => chosen.has(p.id));
  const takeOver = async () => {
    try {
      const { survey } = shown!;
      // Pieces that came along lie nowhere on it.
      const lying = wanted.flatMap((one) => {
        const place = survey.pictures.find((p) => p.id === one.id);
        return place ? [{ one, place }] : [];
      });
      setBusy('Looking at each place, at all widths');
      const measured = await measurePlaces(
        shown!.frame,
        survey,
        lying.map(({ one: { file, width: px, height: high }, place }) => ({
          place,
          root: place.root,
          key: file.key,
          file: { width: px, height: high },
        })),
        () => !closed.current,
      );
      if (!measured) {
        return;
      }
      const taken: { place: Place; item: ShelfItem; measured: MeasuredPlace | null }[] = [];
      for (const [i, placed] of wanted.entries()) {
        const { file } = placed;
        setBusy(`${i + 1} of ${wanted.length}: ${file.name}`);
        taken.push({
          place: placed,
          item: await shelveBytes(file.name, file.bytes, 'own page'),
          measured: measured[lying.findIndex(({ one }) => one === placed)] ?? null,
        });
      }
      setBusy('Keeping the page');
      const kept = await storePage(from, path, { page: own, survey });
      const freshId = newId();
      const { site } = session.state.getState();
      const pageId = pageFor(site, kept, page)?.id ?? freshId;
      session.commit(
        `Take ${own.title || path} with ${taken.length} ${taken.length === 1 ? 'place' : 'places'}`,
        takeOverPage(
          {
            own: kept,
            survey,
            places: taken,
            rooms: rooms.filter((room) => chosen.has(room.id)),
            colours: theme.all.filter((c) => wantedColours.has(c.hex)),
            fonts: theme.fonts.filter((f) => wantedFonts.has(f.family)),
            pageId: page.id,
            name: own.title.slice(0, 60) || nameOf(path),
            freshId,
            newId,
          },
          theme.all,
        ),
      );
      notify(
        'done',
        `Your page stands on the plan${slotsWords(taken.length)}. Undo takes it back.`,
      );
      onDone(pageId);
    } catch (error) {
      notify('bad', wordsOf(error));
      setBusy(undefined);
    }
  };

  const view = useRef<HTMLDivElement>(null);
  const main = useRef<HTMLButtonElement>(null);
  const ready = Boolean(shown) && busy === undefined;
  useEffect(() => {
    // What is wanted most is one key away, unless somebody is at something else already.
    if (ready && !view.current?.contains(document.activeElement)) {
      main.current?.focus({ preventScroll: true });
    }
  }, [ready]);

  return (
    <div
      ref={view}
      className="grid min-h-0 grow grid-cols-[1fr_420px] max-md:flex max-md:flex-col max-md:overflow-y-auto"
    >
      <div className="flex min-h-0 min-w-0 flex-col bg-board max-md:h-[70vh] max-md:shrink-0">
        <div className="flex h-[42px] shrink-0 items-center gap-3 border-b border-line bg-sheet px-4 max-md:h-auto max-md:flex-wrap max-md:gap-2 max-md:px-2 max-md:py-1.5">
          {still === undefined && (
            <>
              <span className="text-soft">Screen</span>
              <Switch
                label="Screen"
                value={String(width)}
                choices={screens.map((px) => ({ value: String(px), label: String(px) }))}
                onChange={(px) => setWidth(Number(px))}
              />
              <SchemeSwitch scheme={scheme} onScheme={setScheme} />
            </>
          )}
          <Quiet opened={opened} />
        </div>
        <div
          ref={stage}
          className="min-h-0 grow overflow-auto p-4"
          tabIndex={0}
          role="region"
          aria-label="The page as it is"
        >
          {problem !== undefined && <p className="text-soft">It cannot be shown: {problem}</p>}
          <div className="relative" style={{ width: width * scale, height: height * scale }}>
            <div
              ref={place}
              inert
              className="pointer-events-none absolute top-0 left-0 origin-top-left bg-white"
              // While it is asked at every width there is nothing to see.
              style={{ transform: `scale(${scale})`, visibility: shown ? 'visible' : 'hidden' }}
            />
            {places.map((p, i) => {
              const placed = at?.placed.get(p.id);
              const box = placed && paintedPart(placed, p);
              return (
                <PlaceOutline
                  key={p.id}
                  name={p.file.name}
                  number={i + 1}
                  size={p}
                  rect={box && p.root ? { x: 0, y: 0, width, height } : box}
                  scale={scale}
                  under={p.root}
                  pointed={pointed === p.id}
                  taken={chosen.has(p.id)}
                />
              );
            })}
            {rooms.map(({ id, selector }) => (
              <PlaceOutline
                key={id}
                name={selector}
                rect={at?.parts.get(id)}
                scale={scale}
                pointed={pointed === id}
                taken={chosen.has(id)}
              />
            ))}
          </div>
        </div>
      </div>
      <div className="flex min-h-0 flex-col border-l border-line max-md:shrink-0 max-md:border-t max-md:border-l-0">
        <div className="flex h-[42px] shrink-0 items-center border-b border-line bg-sheet px-4">
          <Switch
            label="What is taken over"
            value={seen}
            choices={[
              { value: 'places', label: 'Places' },
              { value: 'theme', label: 'Colours and fonts' },
            ]}
            onChange={(value) => setSeen(value as typeof seen)}
          />
        </div>
        {seen === 'places' ? (
          <PlaceList
            places={shown ? asChosen : undefined}
            none={
              from === 'picture'
                ? 'In a picture no place is known by itself. Take it over, and point at its places on the plan.'
                : 'No picture of its own files is painted on this page.'
            }
            width={width}
            chosen={chosen}
            pointed={pointed}
            onPoint={setPointed}
            onChoose={(id) => setTaken(toggled(chosen, id))}
            rooms={rooms}
            onKind={(id, kind) => setKinds(new Map([...kinds, [id, kind]]))}
          />
        ) : (
          <PageThemeList
            colours={shown ? theme.all : undefined}
            mattering={theme.mattering}
            fonts={theme.fonts}
            chosen={wantedColours}
            chosenFonts={wantedFonts}
            onChoose={(hex) => setColours(toggled(wantedColours, hex))}
            onChooseFont={(family) => setFonts(toggled(wantedFonts, family))}
          />
        )}
        <div className="flex shrink-0 items-center gap-3 border-t border-line px-4 py-3 max-md:sticky max-md:bottom-0 max-md:bg-white max-md:px-2 max-md:py-1.5">
          <p className="min-w-0 grow text-soft" role="status">
            {busy ??
              `${wanted.length} ${wanted.length === 1 ? 'place becomes a slot under its file’s name' : 'places become slots under their files’ names'}, ${wantedColours.size} colours go to the theme.`}
          </p>
          <Button ref={main} variant="main" disabled={!ready} onClick={() => void takeOver()}>
            Take it over
          </Button>
        </div>
      </div>
    </div>
  );
}

const nameOf = (path: string): string => path.slice(path.lastIndexOf('/') + 1);

const slotsWords = (count: number): string =>
  count === 0 ? '' : ` with ${count} ${count === 1 ? 'slot' : 'slots'}`;

/** The set with one more, or one less. */
function toggled(set: ReadonlySet<string>, value: string): Set<string> {
  const next = new Set(set);
  if (!next.delete(value)) {
    next.add(value);
  }
  return next;
}

/** What was left out of the page and what did not come with it. */
function Quiet({ opened: { path, from, page } }: Pick<Props, 'opened'>) {
  const { left, missing } = page;
  const name = nameOf(path);
  const words = [
    name,
    ...(from === 'picture' ? ['a picture of your page, true for its own width alone'] : []),
    ...(from === 'style sheets' ? ['built from what the style sheets select'] : []),
    ...(left.length > 0 ? [`${leftWords(left)} left out`] : []),
    ...(missing.length > 0
      ? [`${missing.length} ${missing.length === 1 ? 'file' : 'files'} missing`]
      : []),
  ].join(' · ');
  const all = [...missing.map((m) => `Missing: ${m}`), ...left.map((l) => `Left out: ${l.name}`)];
  return (
    <span className="min-w-0 truncate text-soft" title={[words, ...all.slice(0, 20)].join('\n')}>
      {words}
    </span>
  );
}
