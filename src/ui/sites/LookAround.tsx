'use client';

import { faceName } from '@/core/text/fonts';
import { libraryAddress } from '../hooks/useLibrary';
import { Button } from '../shared/Button';
import { planAhead } from './ahead';
import { Way } from './Way';

/** The sample's page, small. */
function SampleFace() {
  return (
    <div
      role="img"
      aria-label="The page of Veldrin Clayworks"
      className="relative min-h-[150px] grow overflow-hidden border border-line"
      style={{ background: '#3b4a45' }}
    >
      <div className="absolute inset-x-[11%] top-[12%] bottom-0" style={{ background: '#efe9dc' }}>
        <div
          className="h-[38%] w-full bg-cover bg-center"
          style={{ backgroundImage: `url(${libraryAddress({ id: 'five-for-the-market' })})` }}
        />
        <p
          className="px-[5%] pt-[4%] text-[15px] font-semibold"
          style={{ color: '#3b4a45', fontFamily: `"${faceName('fraunces')}"` }}
        >
          Open studio this Saturday
        </p>
      </div>
    </div>
  );
}

/** The way in with nothing: the sample. */
export function LookAround({
  busy,
  there,
  measured,
  onOpen,
  onFresh,
  onTour,
}: {
  busy: boolean;
  /** A sample is among the sites, and may have been changed. */
  there: boolean;
  /** Of that one all is known. */
  measured: boolean;
  onOpen(): void;
  /** Puts the sample in place as it was, beside the one that is there. */
  onFresh(): void;
  onTour(): void;
}) {
  const ahead = measured ? {} : planAhead;
  return (
    <Way title="Look around" words="A made-up pottery studio with everything in place.">
      <SampleFace />
      <span className="flex flex-wrap gap-2">
        <Button disabled={busy} onClick={onOpen} {...ahead}>
          Open the sample
        </Button>
        <Button disabled={busy} onClick={onTour} {...ahead}>
          Show me round
        </Button>
        {there && (
          <Button
            disabled={busy}
            title="A fresh one beside it; nothing of yours is touched"
            onClick={onFresh}
          >
            The sample as it was
          </Button>
        )}
      </span>
    </Way>
  );
}
