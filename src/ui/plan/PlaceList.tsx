'use client';

import { useMemo, useEffect } from 'react';
import { boxLines, placeWords, type Place, type PlaceRule, type Room } from '@/core/ownPage/places';
import type { SlotKind } from '@/core/site/model/slot';
import { slotKind, slotKinds } from '@/core/slots/registry';
import { revokeUrl } from '../shared/revokeUrl';
import { Choose } from '../shared/Choose';

interface Props {
  /** Undefined while the page is still looked at. */
  places: readonly Place[] | undefined;
  /** What is said where there is none. */
  none: string;
  /** Parts of the page without a picture. */
  rooms: readonly Room[];
  /** Of the screen that is looked at, px. */
  width: number;
  chosen: ReadonlySet<string>;
  pointed: string | undefined;
  onPoint(id: string | undefined): void;
  onChoose(id: string): void;
  onKind(id: string, kind: SlotKind): void;
}

/** The places found on a page, largest first, each with a cut-out of what lies there now. */
export function PlaceList({
  places,
  none,
  rooms,
  width,
  chosen,
  pointed,
  onPoint,
  onChoose,
  onKind,
}: Props) {
  const small = places?.filter((p) => p.small).length ?? 0;
  return (
    <>
      <div className="flex shrink-0 items-center justify-between px-4 py-2.5">
        <h3 className="caption">Places for pictures, found on this page</h3>
        <span className="figure text-soft" role="status">
          {places ? `${places.length - small} + ${small} small` : '…'}
        </span>
      </div>
      <ul className="min-h-0 grow overflow-auto">
        {places?.length === 0 && (
          <li className="border-t border-hair px-4 py-3 text-soft">{none}</li>
        )}
        {places?.map((place, i) => (
          <li
            key={place.id}
            data-found={place.file.name}
            onPointerEnter={() => onPoint(place.id)}
            onPointerLeave={() => onPoint(undefined)}
            className={`border-t border-hair ${pointed === place.id ? 'bg-act-wash' : ''}`}
          >
            <div className="grid grid-cols-[16px_18px_74px_1fr] items-center gap-2 px-4 py-1.5">
              <input
                type="checkbox"
                aria-label={`Take ${place.file.name}`}
                checked={chosen.has(place.id)}
                onChange={() => onChoose(place.id)}
                onFocus={() => onPoint(place.id)}
                onBlur={() => onPoint(undefined)}
                className="accent-act"
              />
              <span className="text-right figure text-soft">{i + 1}</span>
              <Look place={place} />
              <span className="min-w-0">
                <span className="mb-0.5 flex items-center justify-between gap-2">
                  <Choose
                    label={`What ${place.file.name} is`}
                    className="w-36 font-semibold"
                    value={place.kind}
                    choices={slotKinds.map(({ kind, title }) => ({ value: kind, label: title }))}
                    onChange={(kind) => onKind(place.id, kind as SlotKind)}
                  />
                  <span className="figure whitespace-nowrap" title="The file">
                    {place.width} × {place.height}
                  </span>
                </span>
                <span className="flex h-4 items-center justify-between gap-2 text-[11px] text-soft">
                  <span className="truncate" title={`${place.file.name}, ${placeWords(place)}`}>
                    {place.file.name} · {placeWords(place)}
                  </span>
                  <Box place={place} width={width} />
                </span>
                <span
                  className="block truncate figure text-[11px] text-soft"
                  title={place.rule ? ruleTitle(place.rule) : place.selector}
                >
                  {place.selector}
                  {place.rule && ` · ${place.rule.where}`}
                </span>
              </span>
            </div>
          </li>
        ))}
        {rooms.length > 0 && (
          <li className="border-t border-line bg-sheet px-4 py-1.5">
            <h3 className="caption">Room for a picture, where none lies</h3>
          </li>
        )}
        {rooms.map(({ id, kind, selector, rect }) => (
          <li
            key={id}
            data-room={selector}
            onPointerEnter={() => onPoint(id)}
            onPointerLeave={() => onPoint(undefined)}
            className={`border-t border-hair ${pointed === id ? 'bg-act-wash' : ''}`}
          >
            <label className="grid cursor-pointer grid-cols-[16px_1fr_auto] items-center gap-2 px-4 py-1.5">
              <input
                type="checkbox"
                aria-label={`Make a slot of ${selector}`}
                checked={chosen.has(id)}
                onChange={() => onChoose(id)}
                onFocus={() => onPoint(id)}
                onBlur={() => onPoint(undefined)}
                className="accent-act"
              />
              <span className="min-w-0 truncate">
                {slotKind(kind).title} <span className="figure text-soft">{selector}</span>
              </span>
              <span className="figure whitespace-nowrap">
                {Math.round(rect.width)} × {Math.round(rect.height)}
              </span>
            </label>
          </li>
        ))}
      </ul>
    </>
  );
}

const ruleTitle = ({ where, selector, within }: PlaceRule): string =>
  ['Laid by', selector, ...within.map((around) => `in ${around}`), where].join('\n');

/** The box that a picture lies in, where it is of another size. */
function Box({ place: { boxes, root, ...file }, width }: { place: Place; width: number }) {
  const box = boxes.find(({ screen }) => screen === width);
  if (!box || root || (box.width === file.width && box.height === file.height)) {
    return null;
  }
  return (
    <span
      className="shrink-0 figure whitespace-nowrap"
      title={['Its box', ...boxLines(boxes)].join('\n')}
    >
      in {box.width} × {box.height}
    </span>
  );
}

/** What lies there now. */
function Look({ place: { file } }: { place: Place }) {
  const url = useMemo(
    () => URL.createObjectURL(new Blob([file.bytes], { type: file.type })),
    [file],
  );
  useEffect(() => () => revokeUrl(url), [url]);
  return (
    <span
      aria-hidden
      className="h-[34px] w-[74px] border border-hair bg-sheet bg-contain bg-center bg-no-repeat"
      style={{ backgroundImage: `url("${url}")` }}
    />
  );
}
