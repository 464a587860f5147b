import type { SlotKind } from '../site/model/slot';
import { background } from './background';
import { band } from './band';
import { divider } from './divider';
import { header } from './header';
import type { SlotKindDefinition } from './kind';
import { mark } from './mark';
import { piece } from './piece';
import { sidebar } from './sidebar';

/** In the order in which the owner is offered them. */
const kinds = {
  header,
  background,
  sidebar,
  divider,
  mark,
  band,
  piece,
} as const satisfies { [K in SlotKind]: SlotKindDefinition<K> };

export const slotKind = (kind: SlotKind): SlotKindDefinition => kinds[kind];

/** Every kind, in the order in which the owner is offered them. */
export const slotKinds: readonly SlotKindDefinition[] = Object.values(kinds);

/** Every kind, in the order in which a page's slots are drawn and numbered. */
export const drawnKinds = slotKinds.toSorted((a, b) => a.drawn - b.drawn);

/** Content of the page, an `img` that scales with it; the others are backgrounds of something. */
export const isContent = (kind: SlotKind): boolean => kinds[kind].lies === 'content';
