import type { SheetText } from '../theme/readTheme';
import type { Role } from './roles';

/** The style sheets of a set as text, and what they say each piece is for, by its path. */
export interface SetSheets {
  readonly sheets: readonly SheetText[];
  readonly roles: ReadonlyMap<string, Role>;
}
