import type { NamedSize } from '../site/model/site';
import type { SlotKind } from '../site/model/slot';

export interface KnownSize extends NamedSize {
  readonly kind: SlotKind;
}

const size = (kind: SlotKind, name: string, width: number, height: number): KnownSize => ({
  kind,
  name,
  width,
  height,
});

/** Sizes that themes often have; all of them common practice, no source. */
export const knownSizes: readonly KnownSize[] = [
  size('header', 'Header, narrow column', 760, 200),
  size('header', 'Header', 940, 198),
  size('header', 'Header, low', 1000, 150),
  size('header', 'Header, 1000 wide', 1000, 156),
  size('header', 'Header, 1200 wide and low', 1200, 156),
  size('header', 'Header, 1200 wide', 1200, 200),
  size('mark', 'Corner mark', 368, 80),
  size('background', 'Background photo, wide', 1900, 1200),
  size('background', 'Background photo', 1400, 900),
  size('background', 'Gradient strip', 1, 675),
  size('sidebar', 'Strip under two columns', 435, 44),
  size('divider', 'Section divider', 2000, 100),
];
