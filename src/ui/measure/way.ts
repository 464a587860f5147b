import type { Page } from '@/core/site/model/page';
import type { NamedSize } from '@/core/site/model/site';
import type { Measured, SlotKind } from '@/core/site/model/slot';

/** What each way of measuring is given. */
export interface Way {
  readonly kind: SlotKind;
  /** The page that the slot lies on. */
  readonly page: Page;
  readonly size: { readonly width: number; readonly height: number };
  readonly measured: Measured | null;
  readonly ownSizes: readonly NamedSize[];
  onMeasured(size: { width?: number; height?: number }, measured: Measured | null): void;
  onKeepSize?(size: NamedSize): void;
  /** A colour found by the way is wanted among the theme's. */
  onColour?(hex: string): void;
}
