import type { Size } from '../frame/placement';
import type { SlotKindDefinition } from './kind';

/** A large picture may weigh a bit for each px (ours, by what photographs come to in WebP). */
const bytesPerPx = 1 / 8;
const step = 10_000;

/** Bytes that a file of that size may have at first: what is usual for its kind, or for its area. */
export const firstBudget = ({ usual }: SlotKindDefinition, { width, height }: Size): number =>
  Math.max(usual.budgetBytes, Math.ceil((width * height * bytesPerPx) / step) * step);
