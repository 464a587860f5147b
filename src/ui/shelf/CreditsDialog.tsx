'use client';

import { Dialog } from 'radix-ui';
import { creditsOf, creditsPage } from '@/core/handover/credits';
import type { Site } from '@/core/site/model/site';
import { Button } from '../shared/Button';
import { copyText } from '../shared/copyText';
import { download } from '../shared/download';

/** All credits the site owes, as they go onto its page. */
export function CreditsDialog({
  site,
  open,
  onOpenChange,
}: {
  site: Site;
  open: boolean;
  onOpenChange(open: boolean): void;
}) {
  const credits = creditsOf(site);
  const { text, html } = creditsPage(credits.map((c) => c.item));
  return (
    <Dialog.Root open={open} onOpenChange={onOpenChange}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/25" />
        <Dialog.Content
          className="fixed top-1/2 left-1/2 z-40 flex max-h-[80vh] w-[640px] -translate-1/2 flex-col gap-3 rounded-sm border border-line bg-white p-5"
          aria-describedby={undefined}
        >
          <Dialog.Title className="font-semibold">Credits of {site.name}</Dialog.Title>
          {credits.length === 0 ? (
            <p className="text-soft">No picture in use asks for a credit.</p>
          ) : (
            <>
              <ul className="overflow-auto">
                {credits.map(({ item, slots }) => (
                  <li key={item.assetId} className="border-t border-hair py-1.5 first:border-0">
                    <p>{creditsPage([item]).text.trim()}</p>
                    <p className="text-soft">In {slots.map((s) => s.name).join(', ')}.</p>
                  </li>
                ))}
              </ul>
              <div className="flex flex-wrap gap-1.5">
                <Button onClick={() => void copyText('Credits', text)}>Copy as text</Button>
                <Button onClick={() => void copyText('Credits', html)}>Copy as HTML</Button>
                <Button onClick={() => download('picture-credits.txt', text, 'text/plain')}>
                  Download text
                </Button>
                <Button onClick={() => download('picture-credits.html', html, 'text/html')}>
                  Download HTML
                </Button>
              </div>
            </>
          )}
          <Dialog.Close asChild>
            <Button className="self-end">Close</Button>
          </Dialog.Close>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
