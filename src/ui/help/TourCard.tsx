'use client';

import { useRouter } from 'next/navigation';
import { Popover } from 'radix-ui';
import { useEffect, useState } from 'react';
import { useStore } from 'zustand';
import { Button } from '../shared/Button';
import { goToStep, leaveTour, tour, tourSteps } from './tour';

/** How often what a step shows is looked for, and where it is, ms. */
const often = 150;

interface Found {
  readonly step: number;
  readonly element: HTMLElement;
  readonly rect: DOMRect;
}

const same = (a: DOMRect, b: DOMRect): boolean =>
  a.x === b.x && a.y === b.y && a.width === b.width && a.height === b.height;

/** What a card stands beside: all of what is shown, its middle where it leaves the card no room. */
function besideOf(element: HTMLElement): DOMRect {
  const rect = element.getBoundingClientRect();
  const fills = rect.height > window.innerHeight / 2 && rect.width > window.innerWidth / 2;
  return fills ? new DOMRect(rect.x + rect.width / 2, rect.y + rect.height * 0.45, 0, 0) : rect;
}

/** What a step shows, once it is on the screen, and where. */
function useShown(step: number): Found | undefined {
  const [found, setFound] = useState<Found>();
  useEffect(() => {
    const look = () => {
      const element = document.querySelector<HTMLElement>(`[data-tour="${tourSteps[step].shows}"]`);
      const rect = element?.getBoundingClientRect();
      setFound((before) => {
        if (!element || !rect || rect.width === 0) {
          return undefined;
        }
        const still =
          before?.step === step && before.element === element && same(before.rect, rect);
        return still ? before : { step, element, rect };
      });
    };
    const timer = setInterval(look, often);
    return () => clearInterval(timer);
  }, [step]);
  return found?.step === step ? found : undefined;
}

/** One step of the way through the sample; it can be left at any point. */
export function TourCard() {
  const on = useStore(tour, (s) => s.on);
  return on ? <Step siteId={on.siteId} step={on.step} /> : null;
}

function Step({ siteId, step }: { siteId: string; step: number }) {
  const router = useRouter();
  const found = useShown(step);
  const { title, says } = tourSteps[step];
  const last = step === tourSteps.length - 1;
  const go = (next: number) => {
    if (tourSteps[next].path !== tourSteps[step].path) {
      router.push(`/sites/${siteId}${tourSteps[next].path}`);
    }
    goToStep(next);
  };
  if (!found) {
    return null;
  }
  const { rect } = found;
  return (
    <>
      <div
        aria-hidden
        className="pointer-events-none fixed z-40 rounded-sm border-2 border-act"
        style={{
          left: Math.max(2, rect.x - 2),
          top: Math.max(2, rect.y - 2),
          width: Math.min(window.innerWidth - 4, rect.width + 4),
          height: Math.min(window.innerHeight - Math.max(2, rect.y - 2) - 2, rect.height + 4),
        }}
      />
      <Popover.Root open key={step}>
        <Popover.Anchor
          virtualRef={{
            current: { getBoundingClientRect: () => besideOf(found.element) },
          }}
        />
        <Popover.Portal>
          <Popover.Content
            aria-label={`Tour, step ${step + 1} of ${tourSteps.length}: ${title}`}
            side={rect.width > window.innerWidth / 2 ? 'bottom' : 'left'}
            sideOffset={8}
            collisionPadding={12}
            onEscapeKeyDown={leaveTour}
            // What is shown can be tried meanwhile.
            onInteractOutside={(event) => event.preventDefault()}
            className="z-50 w-[320px] rounded-sm border border-act bg-white p-3 outline-none"
          >
            <p className="figure text-soft">
              {step + 1} of {tourSteps.length}
            </p>
            <h2 className="font-semibold">{title}</h2>
            <p className="mt-1">{says}</p>
            <div className="mt-2.5 flex gap-2">
              <Button onClick={leaveTour}>{last ? 'Close' : 'Leave the tour'}</Button>
              <span className="ml-auto flex gap-2">
                {step > 0 && <Button onClick={() => go(step - 1)}>Back</Button>}
                {!last && (
                  <Button variant="main" onClick={() => go(step + 1)}>
                    Next
                  </Button>
                )}
              </span>
            </div>
          </Popover.Content>
        </Popover.Portal>
      </Popover.Root>
    </>
  );
}
