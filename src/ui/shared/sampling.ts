import { createStore } from 'zustand/vanilla';
import type { SampleSize } from '@/core/colour/sample';

interface Sampling {
  /** Takes the colour; set while one is being chosen. */
  readonly onPick: ((hex: string) => void) | undefined;
  readonly size: SampleSize;
}

/** A colour that is to be taken from the page, by whichever screen shows one. */
export const sampling = createStore<Sampling>(() => ({ onPick: undefined, size: 1 }));

export const startSampling = (onPick: (hex: string) => void): void => sampling.setState({ onPick });
export const endSampling = (): void => sampling.setState({ onPick: undefined });
