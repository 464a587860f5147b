import type { LaidSlot } from '@/core/measure/layoutPage';
import { isContent, slotKind } from '@/core/slots/registry';

export interface Grip {
  readonly x: 0 | 1;
  readonly y: 0 | 1;
}

export const gripName = ({ x, y }: Grip): string => {
  if (x && y) {
    return 'size';
  }
  if (x) {
    return 'width';
  }
  return 'height';
};

export const cursors = { '10': 'ew-resize', '01': 'ns-resize', '11': 'nwse-resize' } as const;

/**
 * Which sides can be taken hold of: the whole picture's where it lies at its own size, never a
 * width the page decides.
 */
export function gripsOf({ slot }: LaidSlot): Grip[] {
  const own = typeof slot.size !== 'string' && slot.size.x === 'auto' && slot.size.y === 'auto';
  if (slotKind(slot.kind).fixed === 'width') {
    return [{ x: 0, y: 1 }];
  }
  return isContent(slot.kind) || own
    ? [
        { x: 1, y: 0 },
        { x: 0, y: 1 },
        { x: 1, y: 1 },
      ]
    : [];
}
