'use client';

import type { Judgement } from '@/core/lightest/trial';
import { arrowStep } from '../../../shared/arrowStep';
import { formatOf } from '@/core/encode/formats/registry';
import { Search, X } from 'lucide-react';
import { useEffect, useRef } from 'react';
import { careTitle, cares, careWords, likenessOf } from '@/core/lightest/care';
import { borderPriceOf, keepsSeam, meetsGoal } from '@/core/lightest/best';
import { encodeSettingsWords } from '@/core/encode/settings';
import type { Raster, Rect } from '@/core/raster/raster';
import type { EncodedFile } from '@/core/readings/reading';
import { kilobytes } from '@/core/readings/say';
import { editPicture } from '@/core/site/edit';
import type { Aim, Care, Picture } from '@/core/site/model/picture';
import { asFiled, isBlank, pictureOf } from '@/core/site/picture';
import {
  aimKey,
  bestCandidate,
  searchNow,
  stopSearch,
  useSearchState,
  usePatches,
  useWarmSearch,
  type Candidate,
} from '../../../hooks/useSearch';
import { Button } from '../../../shared/Button';
import { CommitField } from '../../../shared/CommitField';
import { VerdictMark } from '../../../shared/VerdictMark';
import { useEditing, useFiled, useShowing } from '../../useBench';
import { judgementWords, WeightChart } from './WeightChart';

function emptyWords(blank: boolean, running: boolean): string {
  if (blank) {
    return 'Nothing lies in this slot yet.';
  }
  return running
    ? 'Trying files…'
    : 'Files of every format the host accepts are written and compared with what you see. The lightest that is as alike as you ask is used.';
}

/** Where words lie that are part of a picture's file. */
const wordsIn = (picture: Picture, file: EncodedFile | undefined): Rect[] =>
  asFiled(picture).layers.flatMap(({ id }) => file?.texts?.[id]?.bounds ?? []);

/** What speaks against a file, if anything does. */
function problemOf(judgement: Judgement, aim: Aim, budget: number): string | undefined {
  if (!keepsSeam(judgement)) {
    return 'loses its seam';
  }
  if (!meetsGoal(aim, judgement)) {
    return 'not as asked';
  }
  return judgement.bytes > budget ? `over the budget of ${kilobytes(budget)}` : undefined;
}

/** How careful to be, or how many KB; then the search, and everything it tried. */
export function LightestFacet() {
  const { session, site, slot, picture, commit } = useEditing();
  const { encodedFile } = useFiled();
  const { held, hold } = useShowing();
  const subject = { site, slot, picture };
  const found = useSearchState(subject);
  const { running, patches } = found;
  const aim = picture.aim;
  const blank = isBlank(picture);
  const best = bestCandidate(found, aim, slot.accepts);
  const chosen = found.tried.find(
    (t) => JSON.stringify(t.judgement.settings) === JSON.stringify(picture.press),
  );
  const heldNow = found.tried.find((t) => t.data === held?.data);

  useWarmSearch();
  // Not before the picture itself is pressed: what is seen comes first.
  const waits = !encodedFile.current || blank || patches !== undefined;
  usePatches(subject, waits ? undefined : wordsIn(picture, encodedFile.file));

  const take = ({ judgement }: Candidate) => {
    const fallback =
      bestCandidate(
        found,
        aim,
        slot.accepts.filter((f) => f === 'jpeg' || f === 'png'),
      )?.judgement.settings ?? null;
    commit(
      `Write as ${encodeSettingsWords(judgement.settings)}, ${kilobytes(judgement.bytes)}`,
      editPicture(picture.id, (p) => {
        p.press = judgement.settings;
        p.fallback = fallback;
      }),
    );
  };
  const search = async () => {
    const taken = await searchNow(subject);
    // It may have been drawn on meanwhile: then the file is of something else, and nothing is
    // taken.
    const now = session.state.getState().site;
    if (taken && now.pictures[picture.id] && pictureOf(now, slot).layers === picture.layers) {
      takeLatest.current(taken);
    }
  };
  const takeLatest = useRef(take);
  useEffect(() => {
    takeLatest.current = take;
  });
  const setAim = (next: Aim) =>
    commit(
      next.by === 'care'
        ? `${careTitle[next.care]} compression`
        : `At most ${kilobytes(next.bytes)}`,
      editPicture(picture.id, (p) => {
        p.aim = next;
      }),
    );
  const finished = found.finished.includes(aimKey(aim, slot.accepts));

  return (
    <div className="flex h-full gap-3">
      <div className="flex w-[186px] shrink-0 flex-col">
        <div role="radiogroup" aria-label="How careful to be" className="flex flex-col">
          {cares.map((care, i) => (
            <CareChoice
              key={care}
              care={care}
              patch={patches?.[care]}
              chosen={aim.by === 'care' && aim.care === care}
              onChoose={() => setAim({ by: 'care', care })}
              onStep={(by) =>
                setAim({ by: 'care', care: cares[(i + by + cares.length) % cares.length] })
              }
            />
          ))}
        </div>
        <label className="mt-1 flex h-[28px] items-center gap-2">
          <span className={aim.by === 'bytes' ? 'text-act' : ''}>or at most</span>
          <CommitField
            label="At most so many KB"
            className="w-[84px]"
            suffix="KB"
            value={aim.by === 'bytes' ? String(aim.bytes / 1000) : ''}
            onCommit={(text) => {
              const kb = Number(text.replace(',', '.'));
              if (text.trim() === '') {
                if (aim.by === 'bytes') {
                  setAim({ by: 'care', care: 'careful' });
                }
                return undefined;
              }
              if (!(kb >= 0.2 && kb <= 20000)) {
                return `Expected 0.2 to 20000 KB, found “${text}”.`;
              }
              setAim({ by: 'bytes', bytes: Math.round(kb * 1000) });
            }}
          />
        </label>
        {running ? (
          <Button className="mt-auto" onClick={() => stopSearch(subject)}>
            <X size={13} aria-hidden />
            Stop at {Math.round(running.done * 100)}%, {formatOf(running.format).title}
          </Button>
        ) : (
          <Button variant="main" className="mt-auto" disabled={blank} onClick={() => void search()}>
            <Search size={13} aria-hidden />
            {finished ? 'Search again' : 'Find the lightest file'}
          </Button>
        )}
      </div>
      <div className="flex min-w-0 grow flex-col">
        {found.tried.length === 0 ? (
          <p className="m-auto max-w-[300px] text-center text-soft">
            {emptyWords(blank, running !== undefined)}
          </p>
        ) : (
          <WeightChart
            tried={found.tried}
            aim={aim}
            budget={slot.budgetBytes}
            chosen={chosen}
            held={heldNow}
            onHold={(c) => hold(c && { data: c.data })}
            onTake={take}
          />
        )}
        <div
          role="status"
          data-testid="search-status"
          className="flex h-[20px] shrink-0 items-center gap-1 overflow-hidden whitespace-nowrap"
        >
          {found.failure ? (
            <span className="truncate text-bad">{found.failure}</span>
          ) : (
            <Summary
              shown={heldNow ?? chosen}
              tried={found.tried}
              best={best}
              aim={aim}
              budget={slot.budgetBytes}
              onTake={take}
            />
          )}
        </div>
      </div>
    </div>
  );
}

/** The file that is looked at, in a line, and what its border costs. */
function Summary({
  shown,
  tried,
  best,
  aim,
  budget,
  onTake,
}: {
  shown: Candidate | undefined;
  tried: readonly Candidate[];
  best: Candidate | undefined;
  aim: Aim;
  budget: number;
  onTake(candidate: Candidate): void;
}) {
  if (!shown) {
    return best ? (
      <span className="truncate text-soft">Best so far: {judgementWords(best.judgement)}</span>
    ) : null;
  }
  const j = shown.judgement;
  const problem = problemOf(j, aim, budget);
  const price = borderPriceOf(
    aim,
    tried.map((t) => t.judgement),
  );
  const keeping = tried.find((t) => t.judgement === price?.kept);
  const offered = keeping && !keepsSeam(j) && keeping.judgement.bytes > j.bytes;
  const border = price && shown === keeping ? price.kept.bytes - price.without.bytes : undefined;
  return (
    <>
      <VerdictMark verdict={problem ? 'look' : 'holds'} />
      <span className="truncate figure" title={judgementWords(j)}>
        {encodeSettingsWords(j.settings)}, {kilobytes(j.bytes)}
        {!offered && `, likeness ${likenessOf(j.loss).toFixed(1)}${problem ? `: ${problem}` : ''}`}
      </span>
      {border !== undefined && (
        <span
          className="shrink-0 text-[11.5px] text-soft"
          title="The lightest file as alike that loses its border’s colour is lighter by so much."
        >
          border {kilobytes(border)}
        </span>
      )}
      {offered && (
        <button
          type="button"
          className="shrink-0 text-act underline"
          onClick={() => onTake(keeping)}
        >
          Keep its border: {kilobytes(keeping.judgement.bytes - j.bytes)} more
        </button>
      )}
    </>
  );
}

function CareChoice({
  care,
  patch,
  chosen,
  onChoose,
  onStep,
}: {
  care: Care;
  patch: Raster | undefined;
  chosen: boolean;
  onChoose(): void;
  onStep(by: number): void;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    if (!canvas.current || !patch) {
      return;
    }
    canvas.current.width = patch.width;
    canvas.current.height = patch.height;
    canvas.current
      .getContext('2d')!
      .putImageData(new ImageData(patch.data, patch.width, patch.height), 0, 0);
  }, [patch]);
  return (
    <button
      type="button"
      role="radio"
      aria-checked={chosen}
      aria-label={`${careTitle[care]}: ${careWords[care]}`}
      tabIndex={chosen ? 0 : -1}
      onClick={onChoose}
      onKeyDown={(e) => {
        const by = arrowStep(e.key);
        if (by) {
          e.preventDefault();
          onStep(by);
          (
            e.currentTarget.parentElement?.children[
              (cares.indexOf(care) + by + cares.length) % cares.length
            ] as HTMLElement
          ).focus();
        }
      }}
      className="-mt-px flex h-[44px] items-center gap-2 border border-line bg-white px-1 text-left first:mt-0 hover:border-soft focus-visible:relative aria-checked:relative aria-checked:border-act aria-checked:bg-act-wash"
    >
      <canvas
        ref={canvas}
        aria-hidden
        data-patch={care}
        width={64}
        height={48}
        className="h-[36px] w-[48px] shrink-0 object-cover [image-rendering:pixelated] see-through"
      />
      <span className="min-w-0">
        <span className="block leading-tight font-semibold">{careTitle[care]}</span>
        <span className="block text-[11.5px] leading-tight text-soft">{careWords[care]}</span>
      </span>
    </button>
  );
}
