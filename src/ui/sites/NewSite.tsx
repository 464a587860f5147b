'use client';

import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { Button } from '../shared/Button';
import { inputLook } from '../shared/inputLook';
import { say } from '../shared/notices';
import { newSites } from './newSites';

/** Asks only for a name; everything else is found on the page plan. */
export function NewSite({ onMade }: { onMade(id: string): void }) {
  const [name, setName] = useState('');
  const make = async () => {
    try {
      const { createSite } = await newSites();
      onMade(await createSite(name.trim()));
    } catch (error) {
      say(
        'bad',
        `The site could not be made: ${error instanceof Error ? error.message : String(error)}`,
      );
    }
  };
  return (
    <Dialog.Root onOpenChange={() => setName('')}>
      <Dialog.Trigger asChild>
        <Button>New site</Button>
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/25" />
        <Dialog.Content className="fixed top-1/3 left-1/2 z-40 w-[400px] -translate-x-1/2 rounded-sm border border-line bg-white p-5">
          <Dialog.Title className="font-semibold">New site</Dialog.Title>
          <Dialog.Description className="mt-1 text-soft">
            It begins with one page in greys. Drop the theme’s style sheets or its zip on the plan,
            or measure its slots one by one.
          </Dialog.Description>
          <form
            className="mt-3 flex flex-col gap-1"
            onSubmit={(e) => {
              e.preventDefault();
              if (name.trim()) {
                void make();
              }
            }}
          >
            <label htmlFor="site-name">Name</label>
            <input
              id="site-name"
              autoFocus
              maxLength={80}
              value={name}
              onChange={(e) => setName(e.target.value)}
              className={inputLook}
            />
            <div className="mt-3 flex justify-end gap-2">
              <Dialog.Close asChild>
                <Button>Cancel</Button>
              </Dialog.Close>
              <Button type="submit" variant="main" disabled={!name.trim()}>
                Make it
              </Button>
            </div>
          </form>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
