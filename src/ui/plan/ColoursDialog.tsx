'use client';

import { ArrowDown, ArrowUp, X } from 'lucide-react';
import { Dialog } from 'radix-ui';
import { editColours, moveColour } from '@/core/site/edit';
import type { Site } from '@/core/site/model/site';
import type { Session } from '../hooks/useSession';
import { Button, IconButton } from '../shared/Button';
import { CommitField } from '../shared/CommitField';

/** What the first ones are taken for where something new needs a colour. */
const roles = ['ground', 'words', 'shapes'] as const;

/** Names and order of the theme's colours. */
export function ColoursDialog({
  session,
  site,
  open,
  onOpenChange,
}: {
  session: Session;
  site: Site;
  open: boolean;
  onOpenChange(open: boolean): void;
}) {
  const { colours } = site.theme;
  return (
    <Dialog.Root open={open} onOpenChange={onOpenChange}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/25" />
        <Dialog.Content className="fixed top-1/2 left-1/2 z-40 flex max-h-[calc(100vh-2rem)] w-[min(460px,calc(100vw-2rem))] -translate-x-1/2 -translate-y-1/2 flex-col gap-3 overflow-auto rounded-sm border border-line bg-white p-5">
          <Dialog.Title className="font-semibold">Theme colours</Dialog.Title>
          <Dialog.Description className="text-soft">
            New things begin in the first ones: the ground in the first, words in the second, shapes
            in the third.
          </Dialog.Description>
          <ol className="flex flex-col gap-1">
            {colours.map((colour, i) => (
              <li key={`${colour.name} ${i}`} className="flex min-h-8 items-center gap-2">
                <span
                  aria-hidden
                  className="h-6 w-9 shrink-0 border border-black/10"
                  style={{ background: colour.hex }}
                />
                <CommitField
                  label={`Name of ${colour.hex}`}
                  words
                  className="w-36"
                  value={colour.name}
                  onCommit={(text) => {
                    const name = text.trim();
                    if (!name) {
                      return 'Give it a name.';
                    }
                    session.commit(
                      `Call ${colour.hex} ${name}`,
                      editColours((list) => {
                        list[i].name = name;
                      }),
                    );
                    return undefined;
                  }}
                />
                <span className="figure">{colour.hex}</span>
                <span className="min-w-0 grow truncate text-soft">{roles[i]}</span>
                <IconButton
                  label={`Move ${colour.name} up`}
                  className="w-7"
                  disabled={i === 0}
                  onClick={() => session.commit(`Move ${colour.name} up`, moveColour(i, i - 1))}
                >
                  <ArrowUp size={13} />
                </IconButton>
                <IconButton
                  label={`Move ${colour.name} down`}
                  className="w-7"
                  disabled={i === colours.length - 1}
                  onClick={() => session.commit(`Move ${colour.name} down`, moveColour(i, i + 1))}
                >
                  <ArrowDown size={13} />
                </IconButton>
                <IconButton
                  label={`Remove ${colour.name}`}
                  className="w-7"
                  onClick={() =>
                    session.commit(
                      `Remove the theme colour ${colour.name}`,
                      editColours((list) => {
                        list.splice(i, 1);
                      }),
                    )
                  }
                >
                  <X size={13} />
                </IconButton>
              </li>
            ))}
          </ol>
          <div className="flex justify-end">
            <Dialog.Close asChild>
              <Button variant="main">Done</Button>
            </Dialog.Close>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
