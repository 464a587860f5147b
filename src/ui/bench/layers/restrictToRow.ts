import type { Modifier } from '@dnd-kit/core';

/** Cards are dragged along their row, not out of it. */
export const restrictToRow: Modifier = ({ transform }) => ({ ...transform, y: 0 });
