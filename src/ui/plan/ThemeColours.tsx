'use client';

import { NativeColourInput } from '../shared/NativeColourInput';
import { DropdownMenu } from 'radix-ui';
import { lazy, Suspense, useRef, useState } from 'react';
import { isGrey, rgbOf } from '@/core/colour/hex';
import { wordsOf } from '@/core/refusal';
import type { Site } from '@/core/site/model/site';
import { coloursFrom } from '../hooks/readFromFile';
import type { Session } from '../hooks/useSession';
import { HelpButton } from '../help/HelpButton';
import { Button, Hint } from '../shared/Button';
import { MenuContent } from '../shared/MenuContent';
import { copyText } from '../shared/copyText';
import { download } from '../shared/download';
import { notify } from '../shared/notices';
import { startSampling } from '../shared/sampling';
import { addThemeColour } from '@/core/site/edit';

const item = 'cursor-pointer px-3 py-1 outline-none data-[highlighted]:bg-act-wash';

/** Loaded when it is asked for. */
const ColoursDialog = lazy(async () => ({
  default: (await import('./ColoursDialog')).ColoursDialog,
}));

/** Writing colours as files is loaded when it is wanted. */
const tokens = () => import('@/core/theme/tokens');

async function save(
  name: string,
  type: string,
  write: (by: Awaited<ReturnType<typeof tokens>>) => string,
): Promise<void> {
  download(name, write(await tokens()), type);
}

/** The theme's colours; in and out as custom properties of CSS or as design tokens. */
export function ThemeColours({
  session,
  site,
  onHarmony,
}: {
  session: Session;
  site: Site;
  onHarmony(): void;
}) {
  const file = useRef<HTMLInputElement>(null);
  const [listed, setListed] = useState(false);
  const { colours } = site.theme;
  const read = async (chosen: File | undefined) => {
    if (!chosen) {
      return;
    }
    try {
      const found = await coloursFrom(chosen);
      session.commit(`Theme colours from ${chosen.name}`, (s) => {
        s.theme.colours = [...found];
      });
      notify(
        'done',
        `${found.length} theme ${found.length === 1 ? 'colour' : 'colours'} from ${chosen.name}. Undo brings the old ones back.`,
      );
    } catch (error) {
      notify('bad', wordsOf(error));
    }
  };
  const add = () =>
    session.commit('Add a theme colour', (s) => {
      s.theme.colours.push({ name: `colour ${s.theme.colours.length + 1}`, hex: '#888888' });
    });
  const remove = (at: number) =>
    session.commit(`Remove the theme colour ${colours[at].name}`, (s) => {
      s.theme.colours.splice(at, 1);
    });
  return (
    <section aria-label="Theme colours" className="p-3">
      <div className="mb-1.5 flex h-[26px] items-center justify-between gap-2">
        <h2 className="caption">
          Theme colours <span className="ml-1 figure">{colours.length}</span>
        </h2>
        <HelpButton topic="colours" />
        <Button className="ml-auto" onClick={onHarmony}>
          Go together…
        </Button>
        <DropdownMenu.Root>
          <DropdownMenu.Trigger asChild>
            <Button>Colours…</Button>
          </DropdownMenu.Trigger>
          <DropdownMenu.Portal>
            <MenuContent>
              <DropdownMenu.Item className={item} onSelect={() => file.current?.click()}>
                Read colours from a file…
              </DropdownMenu.Item>
              <DropdownMenu.Item className={item} onSelect={add}>
                Add a colour
              </DropdownMenu.Item>
              <DropdownMenu.Item className={item} onSelect={() => setListed(true)}>
                Names and order…
              </DropdownMenu.Item>
              <DropdownMenu.Item
                className={item}
                onSelect={() =>
                  startSampling((hex) => session.commit(`Theme colour ${hex}`, addThemeColour(hex)))
                }
              >
                Take a colour from the page
              </DropdownMenu.Item>
              <DropdownMenu.Separator className="my-1 border-t border-hair" />
              <DropdownMenu.Item
                className={item}
                onSelect={() =>
                  void tokens().then((t) =>
                    copyText('Custom properties', t.toCustomProperties(colours)),
                  )
                }
              >
                Copy as CSS custom properties
              </DropdownMenu.Item>
              <DropdownMenu.Item
                className={item}
                onSelect={() =>
                  void save('theme-colours.css', 'text/css', (t) => t.toCustomProperties(colours))
                }
              >
                Download custom properties (.css)
              </DropdownMenu.Item>
              <DropdownMenu.Item
                className={item}
                onSelect={() =>
                  void save('theme-colours.tokens.json', 'application/json', (t) =>
                    t.toDesignTokens(colours),
                  )
                }
              >
                Download design tokens (.json)
              </DropdownMenu.Item>
            </MenuContent>
          </DropdownMenu.Portal>
        </DropdownMenu.Root>
        <input
          ref={file}
          type="file"
          aria-label="Theme colours, file"
          accept=".css,.json"
          tabIndex={-1}
          className="hidden"
          onChange={(e) => {
            const [chosen] = Array.from(e.target.files ?? []);
            e.target.value = '';
            void read(chosen);
          }}
        />
      </div>
      {listed && (
        <Suspense fallback={null}>
          <ColoursDialog session={session} site={site} open onOpenChange={setListed} />
        </Suspense>
      )}
      {colours.length === 0 && (
        <p className="text-soft">
          No theme colours yet. Read them from a file, or import the theme’s styles.
        </p>
      )}
      <ul className={colours.length > 6 ? 'grid grid-cols-6 gap-y-1.5' : 'flex'}>
        {colours.map((c, i) => {
          const rgb = rgbOf(c.hex);
          const words = `${c.name} ${c.hex}, rgb ${rgb.r} ${rgb.g} ${rgb.b}${isGrey(rgb) ? ', grey' : ''}`;
          return (
            <li key={`${c.name} ${i}`} className="min-w-0 grow basis-0">
              <Hint text={`${words}. Delete removes it`}>
                <label className="block cursor-pointer">
                  <span
                    className="relative block h-9 border border-black/10"
                    style={{ background: c.hex }}
                  >
                    <NativeColourInput
                      aria-label={words}
                      defaultValue={c.hex}
                      key={c.hex}
                      className="absolute inset-0 h-full w-full cursor-pointer opacity-0"
                      onChoose={(hex) =>
                        session.commit(`Colour ${c.name}`, (s) => {
                          s.theme.colours[i].hex = hex;
                        })
                      }
                      onKeyDown={(e) => {
                        if (e.key === 'Delete') {
                          e.preventDefault();
                          e.stopPropagation();
                          remove(i);
                        }
                      }}
                    />
                  </span>
                  <span className="mt-0.5 block truncate">{c.name}</span>
                  <span className="block figure text-[11px] text-soft">{c.hex}</span>
                </label>
              </Hint>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
