'use client';

import { useId, useRef, useState, type FormEvent } from 'react';
import { contentWidthAt } from '@/core/measure/layoutPage';
import { readPixels } from '@/core/measure/pixels';
import { emptyPage } from '@/core/site/newSite';
import type { SlotKind } from '@/core/site/model/slot';
import { slotKind, slotKinds } from '@/core/slots/registry';
import type { FirstSlot } from '../hooks/newSites';
import { filesOf } from '../hooks/useIntake';
import { Button } from '../shared/Button';
import { Choose } from '../shared/Choose';
import { DropArea } from '../shared/DropArea';
import { inputLook } from '../shared/inputLook';
import { newSites } from '../shared/newSites';
import { benchAhead } from './ahead';
import { SizeDrawing } from './SizeDrawing';
import { Way } from './Way';

const page = emptyPage('first');

/** What a kind usually measures on a page that nothing is known of, px. */
const firstSize = (kind: SlotKind) => slotKind(kind).firstSize(page, contentWidthAt(page, 1920));

type Sides = Readonly<Record<'width' | 'height', string>>;

const written = (size: { width: number; height: number }): Sides => ({
  width: String(size.width),
  height: String(size.height),
});

/** Two numbers in one, as they are copied from somewhere. */
const both = /^(\d+)(?:\s*px)?\s*[x×*]\s*(\d+)(?:\s*px)?$/i;

/** Does what takes a while and goes on at the address that comes of it. @returns what went wrong */
type GoOn = (
  what: string,
  work: (signal: AbortSignal) => Promise<string>,
) => Promise<string | undefined>;

/** What is known of the slot that one comes with, and what is made of it. */
export function useFirstSlot(goOn: GoOn) {
  const [kind, setKind] = useState<SlotKind>('header');
  const [sides, setSides] = useState<Sides>(() => written(firstSize('header')));
  const [problem, setProblem] = useState<string>();
  const [width, height] = [readPixels(sides.width), readPixels(sides.height)];
  const size = width.ok && height.ok ? { width: width.px, height: height.px } : undefined;
  /** Makes a site for the slot; its address is where one goes on. */
  const make = async (
    what: string,
    work: (slot: FirstSlot, signal: AbortSignal) => Promise<string>,
  ) => {
    if (!size) {
      const wrong = [width, height].find((side) => !side.ok);
      setProblem(wrong?.ok === false ? wrong.message : undefined);
      return;
    }
    setProblem(undefined);
    setProblem(await goOn(what, (signal) => work({ kind, ...size }, signal)));
  };
  return {
    kind,
    sides,
    size,
    problem,
    type(side: keyof Sides, text: string) {
      const found = both.exec(text.trim());
      setSides(found ? { width: found[1], height: found[2] } : { ...sides, [side]: text });
    },
    choose(next: SlotKind) {
      const usual = written(firstSize(kind));
      setKind(next);
      if (sides.width === usual.width && sides.height === usual.height) {
        setSides(written(firstSize(next)));
      }
    },
    withPhoto(files: readonly File[]) {
      const [file] = files;
      if (file) {
        void make(file.name, async (slot, signal) => {
          const made = await (await newSites()).createSiteWith(slot, file, signal);
          return `/sites/${made.site}/slots/${made.slot}`;
        });
      }
    },
    withoutPhoto() {
      void make('the bench', async (slot) => {
        const made = await (await newSites()).createSiteFor(slot);
        return `/sites/${made.site}/slots/${made.slot}`;
      });
    },
    fromLibrary() {
      void make('the library', async (slot) => {
        const made = await (await newSites()).createSiteFor(slot);
        return `/sites/${made.site}/shelf?for=${made.slot}&in=library`;
      });
    },
  };
}

/**
 * The way in with a size and a photo: the bench opens with the photo framed. The site for it is made
 * without asking.
 */
export function SizeAndPhoto({
  busy,
  ready,
  first,
}: {
  /** What is being opened, by whichever way. */
  busy: { readonly what: string; readonly cancel: () => void } | undefined;
  /** Something can be opened. */
  ready: boolean;
  first: ReturnType<typeof useFirstSlot>;
}) {
  const form = useId();
  const photo = useRef<HTMLInputElement>(null);
  const { kind, sides, size, problem, withPhoto } = first;
  const field = (side: 'width' | 'height', label: string) => (
    <span className="relative">
      <input
        aria-label={label}
        inputMode="numeric"
        value={sides[side]}
        aria-invalid={!readPixels(sides[side]).ok}
        onFocus={(e) => e.target.select()}
        onChange={(e) => first.type(side, e.target.value)}
        className={`${inputLook} w-[84px] pr-7 text-right figure`}
      />
      <span aria-hidden className="absolute top-1 right-2 figure text-soft">
        px
      </span>
    </span>
  );
  const submit = (event: FormEvent) => {
    event.preventDefault();
    photo.current?.click();
  };
  return (
    <Way title="A size and a photo" words="You know how big it must be.">
      <SizeDrawing {...(size ?? { width: 0, height: 0 })} />
      <form
        id={form}
        className="flex flex-wrap items-center gap-2"
        onSubmit={submit}
        onFocus={benchAhead.onFocus}
      >
        {field('width', 'Width')}
        <span aria-hidden>×</span>
        {field('height', 'Height')}
        <Choose
          label="What it is"
          className="w-[150px]"
          value={kind}
          choices={slotKinds.map((k) => ({ value: k.kind, label: k.title }))}
          onChange={first.choose}
        />
      </form>
      <DropArea
        label="Drop the photo"
        className="flex min-h-28 grow flex-col items-center justify-center gap-1.5 px-3 py-3 text-center"
        rest="border-soft bg-sheet"
        onDrop={(data) => withPhoto(filesOf(data))}
      >
        <input
          ref={photo}
          type="file"
          accept="image/*"
          tabIndex={-1}
          aria-hidden
          className="hidden"
          data-picks="Photo"
          onChange={(e) => {
            const files = Array.from(e.target.files ?? []);
            e.target.value = '';
            withPhoto(files);
          }}
        />
        {busy ? (
          <>
            <p role="status" className="max-w-full truncate">
              Opening {busy.what}…
            </p>
            <Button onClick={busy.cancel}>Cancel</Button>
          </>
        ) : (
          <>
            <p className="font-semibold">Drop the photo here</p>
            <p className="text-soft">or paste it</p>
            <span className="flex flex-wrap justify-center gap-2">
              <Button type="submit" form={form} variant="main" disabled={!ready} {...benchAhead}>
                Choose a photo
              </Button>
              <Button disabled={!ready} onClick={first.fromLibrary}>
                Look in the library
              </Button>
              <Button disabled={!ready} onClick={first.withoutPhoto}>
                No photo yet
              </Button>
            </span>
          </>
        )}
      </DropArea>
      {problem && (
        <p role="alert" className="break-words text-bad">
          {problem}
        </p>
      )}
    </Way>
  );
}
