'use client';

import { Dialog } from 'radix-ui';
import { useMemo, useState } from 'react';
import { adoptTheme, guessKind, namedColours, type ThemePicture } from '@/core/theme/adopt';
import { contentWidthOf, type BackgroundFound } from '@/core/theme/readTheme';
import { rangeWords } from '@/core/theme/media';
import type { OpenedTheme, PictureFile } from '@/core/theme/openTheme';
import type { Page } from '@/core/site/model/page';
import type { SlotKind } from '@/core/site/model/slot';
import { slotKinds } from '@/core/slots/registry';
import type { Session } from '../hooks/useSession';
import { shelveBytes } from '../hooks/useIntake';
import { FileDrop } from '../measure/FileDrop';
import { useThemeFiles } from '../hooks/useThemeFiles';
import { useReadWhenOpened } from '../hooks/useReadWhenOpened';
import { Button } from '../shared/Button';
import { Choose } from '../shared/Choose';
import { say } from '../shared/notices';
import { Part, Tick, ColourLine, Preview } from './themeRows';
import { lies } from './backgroundWords';

interface Props {
  session: Session;
  page: Page;
  open: boolean;
  /** Files that were dropped on the plan to open this. */
  files: readonly File[];
  onOpenChange(open: boolean): void;
}

/** Reads the theme's style sheets, shows what they say, and takes over what is ticked. */
export function ThemeDialog({ session, page, open, files, onOpenChange }: Props) {
  const theme = useThemeFiles();
  const read = theme.open;
  const close = useReadWhenOpened(theme, open, files, onOpenChange);
  return (
    <Dialog.Root open={open} onOpenChange={close}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/25" />
        <Dialog.Content
          className="fixed top-1/2 left-1/2 z-40 flex max-h-[88vh] w-[min(1080px,94vw)] -translate-1/2 flex-col rounded-sm border border-line bg-white"
          aria-describedby={undefined}
        >
          <div className="flex items-center gap-3 border-b border-hair px-4 py-2.5">
            <Dialog.Title className="font-semibold">Import the theme’s styles</Dialog.Title>
            {theme.opened && (
              <span
                className="min-w-0 truncate text-soft"
                title={theme.opened.theme.files.join(', ')}
              >
                {theme.opened.theme.files.join(', ')}
              </span>
            )}
            <Dialog.Close asChild>
              <Button className="ml-auto">Close</Button>
            </Dialog.Close>
          </div>
          <div className="p-4 pb-2">
            <FileDrop
              label="Theme files"
              button="Choose files"
              accept=".css,.zip,image/*"
              multiple
              busy={theme.busy}
              onCancel={theme.cancel}
              onFiles={(f) => void read(f)}
            >
              Drop one or more style sheets, or a zip of the theme’s folder with its pictures.
              Nothing of your site changes until you take something over.
            </FileDrop>
          </div>
          {theme.opened && (
            <Opened
              key={theme.opened.theme.files.join()}
              opened={theme.opened}
              session={session}
              page={page}
              onDone={() => close(false)}
            />
          )}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

interface PictureRow {
  readonly file: PictureFile;
  readonly found: BackgroundFound | undefined;
}

/**
 * One row for each picture of the theme; of several rules that lay it, the one that holds for most
 * screens.
 */
function rowsOf({ theme, pictures }: OpenedTheme): PictureRow[] {
  return pictures.map((file) => {
    const rules = theme.backgrounds.filter((b) => b.path === file.path);
    return {
      file,
      found:
        rules.find((b) => b.widths.min === undefined && b.widths.max === undefined) ?? rules[0],
    };
  });
}

const toggled = <T,>(set: ReadonlySet<T>, value: T): Set<T> => {
  const next = new Set(set);
  if (!next.delete(value)) {
    next.add(value);
  }
  return next;
};

function Opened({
  opened,
  session,
  page,
  onDone,
}: {
  opened: OpenedTheme;
  session: Session;
  page: Page;
  onDone(): void;
}) {
  const { theme } = opened;
  const rows = useMemo(() => rowsOf(opened), [opened]);
  const likely = contentWidthOf(theme);
  const [colours, setColours] = useState<ReadonlySet<string>>(
    () => new Set(theme.colours.slice(0, 8).map((c) => c.hex)),
  );
  const [kinds, setKinds] = useState<ReadonlyMap<string, SlotKind>>(
    () => new Map(rows.map((r) => [r.file.path, guessKind(r.found, r.file.path, r.file)])),
  );
  const [taken, setTaken] = useState<ReadonlySet<string>>(
    () => new Set(rows.map((r) => r.file.path)),
  );
  const [width, setWidth] = useState(likely !== undefined);
  const [fonts, setFonts] = useState(true);
  const [busy, setBusy] = useState<string>();

  const takeOver = async () => {
    try {
      const pictures: ThemePicture[] = [];
      const wanted = rows.filter((r) => taken.has(r.file.path));
      for (const [i, { file, found }] of wanted.entries()) {
        setBusy(`${i + 1} of ${wanted.length}: ${file.path}`);
        pictures.push({
          path: file.path,
          found,
          kind: kinds.get(file.path) ?? 'piece',
          item: await shelveBytes(file.path, file.bytes, 'theme'),
        });
      }
      session.commit(
        'Import the theme’s styles',
        adoptTheme({
          colours: namedColours(theme.colours.filter((c) => colours.has(c.hex))),
          contentWidth: width ? likely : undefined,
          fonts: fonts ? theme.fonts : undefined,
          pictures,
          pageId: page.id,
          newId: () => crypto.randomUUID(),
        }),
      );
      say(
        'done',
        `${pictures.length} ${pictures.length === 1 ? 'picture' : 'pictures'} and ${colours.size} colours taken over. Undo takes it back.`,
      );
      onDone();
    } catch (error) {
      say('bad', error instanceof Error ? error.message : String(error));
      setBusy(undefined);
    }
  };

  return (
    <>
      <div className="grid min-h-0 grow grid-cols-[1fr_1.35fr] overflow-hidden border-t border-hair">
        <div className="overflow-auto border-r border-hair p-4">
          <Part title="Colours" figure={theme.colours.length}>
            <ul>
              {theme.colours.slice(0, 60).map((c) => (
                <ColourLine
                  key={c.hex}
                  colour={c}
                  taken={colours.has(c.hex)}
                  onTake={() => setColours(toggled(colours, c.hex))}
                />
              ))}
            </ul>
            {theme.colours.length > 60 && (
              <p className="text-soft">and {theme.colours.length - 60} rarer ones.</p>
            )}
          </Part>
          <Part title="Fonts" figure={theme.fonts.length}>
            {theme.fonts.length > 0 && (
              <Tick label="Take the fonts that ship with Soyez" on={fonts} onChange={setFonts} />
            )}
            <ul>
              {theme.fonts.slice(0, 12).map((f) => (
                <li key={f.family} className="flex gap-2 py-0.5">
                  <span className="min-w-0 grow truncate">{f.family}</span>
                  <span className="text-soft">
                    {[f.headings && 'headings', f.body && 'page'].filter(Boolean).join(', ')}
                  </span>
                  <span className="w-8 text-right figure">{f.count}×</span>
                </li>
              ))}
            </ul>
          </Part>
          <Part title="Widths" figure={theme.widths.length}>
            {likely !== undefined && (
              <Tick label={`Make the content ${likely} px wide`} on={width} onChange={setWidth} />
            )}
            <ul>
              {theme.widths.slice(0, 20).map((w) => (
                <li key={`${w.value}${w.unit}`} className="flex gap-2 py-0.5">
                  <span className="w-16 shrink-0 figure">
                    {Number(w.value.toFixed(1))} {w.unit}
                  </span>
                  <span className="min-w-0 grow truncate figure text-soft" title={w.selector}>
                    {w.selector}
                  </span>
                  <span className="shrink-0 text-soft">
                    {w.property}, {rangeWords(w.widths)}
                  </span>
                </li>
              ))}
            </ul>
          </Part>
        </div>
        <div className="overflow-auto p-4">
          <Part title="Background pictures" figure={theme.backgrounds.length}>
            {rows.length === 0 && theme.backgrounds.length === 0 && (
              <p className="text-soft">The style sheets lay no picture.</p>
            )}
            <ul>
              {rows.map(({ file, found }) => (
                <li
                  key={file.path}
                  className="flex items-center gap-2 border-t border-hair py-1.5 first:border-0"
                >
                  <input
                    type="checkbox"
                    aria-label={`Take ${file.path}`}
                    checked={taken.has(file.path)}
                    onChange={() => setTaken(toggled(taken, file.path))}
                    className="accent-act"
                  />
                  <Preview file={file} />
                  <div className="min-w-0 grow">
                    <p className="truncate font-semibold" title={file.path}>
                      {file.path}
                    </p>
                    <p
                      className="truncate figure text-[11px] text-soft"
                      title={found ? lies(found) : undefined}
                    >
                      {file.width} × {file.height},{' '}
                      {found ? `${found.selector}, ${lies(found)}` : 'no rule lays it'}
                    </p>
                    {found && (
                      <p className="truncate text-[11px] text-soft">
                        {found.file}, line {found.line}
                        {rangeWords(found.widths) === 'any width'
                          ? ''
                          : `, on screens ${rangeWords(found.widths)}`}
                      </p>
                    )}
                  </div>
                  <Choose
                    label={`Kind of ${file.path}`}
                    className="w-[158px] shrink-0"
                    value={kinds.get(file.path) ?? 'piece'}
                    choices={slotKinds.map(({ kind: value, title }) => ({
                      value,
                      label: title,
                    }))}
                    onChange={(kind) => setKinds(new Map(kinds).set(file.path, kind))}
                  />
                </li>
              ))}
            </ul>
            <ul>
              {theme.backgrounds
                .filter((b) => !rows.some((r) => r.file.path === b.path))
                .slice(0, 40)
                .map((b, i) => (
                  <li key={i} className="border-t border-hair py-1">
                    <p className="truncate figure text-[11px]" title={b.url}>
                      {b.url.slice(0, 120)}
                    </p>
                    <p className="truncate figure text-[11px] text-soft">
                      {b.selector}, {lies(b)},{' '}
                      {b.path === null ? 'not a file of the theme' : 'not among the files'}
                    </p>
                  </li>
                ))}
            </ul>
          </Part>
          {theme.problems.length > 0 && (
            <Part title="Not understood" figure={theme.problems.length}>
              <ul>
                {theme.problems.slice(0, 50).map((p) => (
                  <li key={`${p.file} ${p.line}`} className="flex gap-2 py-0.5">
                    <span className="shrink-0 figure text-warn">
                      {p.file.split('/').at(-1)}:{p.line}
                    </span>
                    <span className="min-w-0 truncate figure text-soft" title={p.text}>
                      {p.text}
                    </span>
                  </li>
                ))}
              </ul>
            </Part>
          )}
        </div>
      </div>
      <div className="flex items-center gap-3 border-t border-line px-4 py-2.5">
        <p className="min-w-0 grow truncate text-soft" role="status">
          {busy ??
            `${taken.size} of ${rows.length} pictures become slots of their exact size, ${colours.size} colours become the theme’s.`}
        </p>
        <Button
          look="main"
          disabled={busy !== undefined || (taken.size === 0 && colours.size === 0 && !width)}
          onClick={() => void takeOver()}
        >
          Take over
        </Button>
      </div>
    </>
  );
}
