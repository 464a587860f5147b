'use client';

import { lazy, Suspense } from 'react';
import { useStore } from 'zustand';
import { sampling } from '../shared/sampling';
import type { SamplerProps } from './SamplerGlass';

const SamplerGlass = lazy(async () => ({
  default: (await import('./SamplerGlass')).SamplerGlass,
}));

/**
 * While a colour is being taken: a magnifier follows the pointer over the page, and a click takes
 * what is under it.
 */
export function Sampler(props: SamplerProps) {
  const onPick = useStore(sampling, (s) => s.onPick);
  return onPick ? (
    <Suspense>
      <SamplerGlass {...props} onPick={onPick} />
    </Suspense>
  ) : null;
}
