'use client';

import { Button } from './Button';
import { EmptyScreen } from './EmptyScreen';

/** In place of a screen that could not be shown; what was done is kept all the same. */
export function ScreenFault({ reset }: { reset(): void }) {
  return (
    <EmptyScreen title="This screen cannot be shown.">
      <p className="break-words">
        This is a fault of Soyez itself. What you did is not touched by it.
      </p>
      <Button className="mt-2" onClick={reset}>
        Show it again
      </Button>
    </EmptyScreen>
  );
}
