'use client';

import { useEffect, useMemo, useRef, useState } from 'react';
import { screenHeightAt } from '@/core/measure/layoutPage';
import { pictureAt, placedAt, placePointed, takePointed } from '@/core/ownPage/takeOver';
import type { PageAtWidth, PageRect } from '@/core/ownPage/survey';
import type { OwnPage, OwnPlace } from '@/core/site/model/ownPage';
import type { Page } from '@/core/site/model/page';
import type { Slot } from '@/core/site/model/slot';
import { elementPointing, type PointedBox } from '@/core/ownPage/pointing';
import { picturePointing } from '@/core/ownPage/picturePointing';
import { kindAt } from '@/core/ownPage/places';
import { usePagePicture } from '../hooks/usePagePicture';
import { Button } from '../shared/Button';
import { newId } from '../shared/newId';
import { Switch } from '../shared/Switch';
import { Board, boardTop as top, ContentLine, FirstScreen, type SheetProps } from './Board';
import { SchemeSwitch, type Scheme } from './SchemeSwitch';
import { SlotLink } from './SlotLink';
import { PointingLayer, type Tool } from './PointingLayer';
import { useKeptPage } from '../hooks/useKeptPage';
import { measurePointed } from '../hooks/measurePointed';
import { useLying } from '../hooks/useLying';
import { usePageFrame } from '../hooks/usePageFrame';
import { SlotDimensions } from '../page/DimensionLines';
import { PicturesInPage } from '../page/PicturesInPage';
import { Sampler } from '../page/Sampler';
import { useMeasure } from '../shared/useMeasure';

interface Props extends SheetProps {
  page: Page & { own: OwnPage };
}

/** The owner's own page as the browser lays it out at a screen width, with its numbered slots. */
export function OwnSheet({
  session,
  site,
  page,
  width: screen,
  slots,
  selected,
  busy,
  onSelect,
  href,
  onFiles,
}: Props) {
  const { own } = page;
  const [board, room] = useMeasure();
  const place = useRef<HTMLDivElement>(null);
  const { read, problem } = useKeptPage(own);
  const { shown, problem: unshown } = usePageFrame(place, read?.page, read?.survey);
  const lying = useLying(shown, own, site);
  const [tool, setTool] = useState<Tool>('slots');
  const [scheme, setScheme] = useState<Scheme>('light');
  const [pointed, setPointed] = useState<string>();
  const [measuring, setMeasuring] = useState(false);
  /** What is pointed at is the place of a slot that has none. */
  const [placing, setPlacing] = useState(false);
  // A picture of the page is known at its own width alone.
  const still = own.from === 'picture' ? own.files[0]?.size?.width : undefined;
  const width = still ?? screen;
  const picture = usePagePicture(own.from === 'picture' ? read?.page : undefined);
  const [laid, setLaid] = useState<PageAtWidth>();
  // As text, so that it is the same while the places are.
  const selectors = own.places.map((p) => p.selector).join('\n');
  useEffect(() => {
    if (!shown) {
      return;
    }
    let current = true;
    const lay = async () => {
      shown.frame.scheme(scheme);
      await shown.frame.show(width);
      if (current) {
        setLaid(shown.frame.measure(shown.survey, selectors.split('\n')));
      }
    };
    void lay();
    return () => {
      current = false;
    };
  }, [shown, width, scheme, selectors, lying]);
  const pointing = useMemo(() => {
    if (own.from === 'picture') {
      return picture && picturePointing(picture.edges);
    }
    // Boxes are those of the layout that is seen.
    return shown && laid && tool !== 'slots' ? elementPointing(shown.frame.boxes()) : undefined;
  }, [own.from, picture, shown, laid, tool]);

  const scale = room.width ? Math.min(1, (room.width - 60) / width) : 0;
  const left = Math.round((room.width - width * scale) / 2);
  const height = (laid?.height ?? 800) * scale;
  const places = useMemo(() => {
    if (!shown || !laid) {
      return [];
    }
    const rectOf = (p: OwnPlace, slot: Slot) =>
      pictureAt(shown.survey, p)
        ? placedAt(shown.survey, laid, p, slot)
        : (p.rect ?? shown.frame.rectOf(p.selector));
    return own.places.flatMap((p) => {
      const slot = slots.find((s) => s.id === p.slot);
      const rect = slot && rectOf(p, slot);
      return rect ? [{ slot, rect }] : [];
    });
  }, [own.places, slots, shown, laid]);
  const column = laid && shown ? laid.parts.get(shown.survey.parts[0].id) : undefined;
  const fold = screenHeightAt(width);
  const chosen = places.find(({ slot }) => slot.id === (pointed ?? selected));
  const measured = measuring ? 'the place at all widths' : busy;
  const reading = shown ? measured : (busy ?? own.title);
  const says =
    (problem ?? unshown) === undefined
      ? reading && `Reading ${reading}…`
      : `Your page cannot be shown: ${problem ?? unshown}`;
  const unplaced = slots.find((s) => !own.places.some((p) => p.slot === s.id));
  const toPlace = placing ? unplaced : undefined;
  const takeBox = async (box: PointedBox) => {
    const selector = own.from === 'picture' ? '' : shown!.frame.selectorOf(box.id);
    const file = toPlace ?? box.rect;
    setMeasuring(selector !== '');
    const measured =
      selector === '' ? null : await measurePointed(read!.page, shown!.survey, selector, file);
    setMeasuring(false);
    const place = {
      pageId: page.id,
      id: toPlace?.id ?? newId(),
      selector,
      rect: box.rect,
      measured,
      ruled: selector === '' ? ('own' as const) : shown!.frame.ruledBy(selector),
    };
    const name = box.name || 'a place';
    if (toPlace) {
      session.commit(`Lay ${toPlace.name} in ${name}`, placePointed(place));
    } else {
      const kind = kindAt(box.rect, { width, height: laid!.height });
      session.commit(`Make a slot of ${name}`, takePointed({ ...place, kind }));
    }
    choose('slots');
    onSelect(place.id);
  };
  const choose = (next: Tool) => {
    setTool(next);
    setPlacing(false);
  };
  const onBoard = (r: PageRect) => ({
    x: left + r.x * scale,
    y: top + r.y * scale,
    width: r.width * scale,
    height: r.height * scale,
  });
  return (
    <Board
      ref={board}
      site={site}
      page={page}
      width={width}
      keys="Enter opens the bench."
      says={says}
      onLeave={() => onSelect(undefined)}
    >
      <div className="sticky top-0 left-0 z-20 flex h-[38px] items-center gap-3 border-b border-line bg-sheet px-4">
        <Switch
          label="What the pointer does"
          value={tool}
          choices={[
            { value: 'slots', label: 'Slots' },
            { value: 'point', label: 'Point at a place' },
            { value: 'distance', label: 'Measure a distance' },
          ]}
          onChange={(value) => choose(value as Tool)}
        />
        {still === undefined ? (
          <SchemeSwitch scheme={scheme} onScheme={setScheme} />
        ) : (
          <span className="text-soft">
            A picture of your page, true for a screen of <span className="figure">{still} px</span>{' '}
            alone.
          </span>
        )}
        {unplaced && (
          <span className="ml-auto flex min-w-0 items-center gap-2">
            <span className="truncate text-warn" title={unplaced.name}>
              {toPlace
                ? `Point at where ${unplaced.name} lies.`
                : `${unplaced.name} has no place here.`}
            </span>
            {!toPlace && (
              <Button
                onClick={() => {
                  setTool('point');
                  setPlacing(true);
                }}
              >
                Point at its place
              </Button>
            )}
          </span>
        )}
      </div>
      <div className="relative" data-board style={{ height: height + top + 24 }}>
        {column && (
          <ContentLine
            content={column}
            beside={[column.x, width - column.x - column.width]}
            width={width}
            scale={scale}
            left={left}
          />
        )}
        <div
          className="absolute"
          style={{ left, top, width: width * scale, height }}
          data-testid="page"
        >
          <div
            ref={place}
            inert
            className="pointer-events-none absolute top-0 left-0 origin-top-left bg-white"
            style={{ transform: `scale(${scale})`, visibility: shown ? 'visible' : 'hidden' }}
          />
        </div>
        {laid && fold < laid.height && (
          <FirstScreen width={width} fold={fold} scale={scale} left={left} />
        )}
        {shown && <PicturesInPage site={site} own={own} frame={shown.frame} />}
        {shown && laid && (
          <Sampler
            size={{ width, height: laid.height }}
            scale={scale}
            left={left}
            top={top}
            of={laid}
            paint={() => shown.frame.raster({ top: 0 })}
          />
        )}
        {tool === 'slots' &&
          places.map(({ slot, rect }) => (
            <SlotLink
              key={slot.id}
              slot={slot}
              number={slots.findIndex((s) => s.id === slot.id) + 1}
              href={href(slot)}
              rect={onBoard(rect)}
              look={
                slot.id === selected
                  ? 'border-act bg-act/10'
                  : 'border-act/60 hover:border-act hover:bg-act/10'
              }
              onFiles={onFiles}
              onFocus={() => onSelect(slot.id)}
              onPointerEnter={() => setPointed(slot.id)}
              onPointerLeave={() => setPointed(undefined)}
            />
          ))}
        {tool !== 'slots' && laid && (
          <div className="absolute" style={{ left, top, width: width * scale, height }}>
            <PointingLayer
              key={tool}
              tool={tool}
              pointing={pointing}
              width={width}
              height={laid.height}
              scale={scale}
              act={toPlace ? 'Lay it here' : 'Make it a slot'}
              onBox={(box) => void takeBox(box)}
            />
          </div>
        )}
        {chosen && tool === 'slots' && (
          <svg
            aria-hidden
            className="pointer-events-none absolute inset-0"
            width={room.width}
            height={height + top + 24}
          >
            <SlotDimensions
              rect={onBoard(chosen.rect)}
              width={Math.round(chosen.rect.width)}
              height={Math.round(chosen.rect.height)}
              room={{ left: 0, right: room.width }}
            />
          </svg>
        )}
      </div>
    </Board>
  );
}
