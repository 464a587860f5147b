import type { Draft } from 'immer';
import type { Size } from '../frame/placement';
import type { Page } from '../site/model/page';
import type { Side, Slot, SlotKind } from '../site/model/slot';

/** One kind of slot: everything the rest of the program needs to know of it. */
export interface SlotKindDefinition<K extends SlotKind = SlotKind> {
  readonly kind: K;
  readonly title: string;
  /**
   * How it lies on the page: content, which is an `img` and shrinks with the page, or the
   * background of something, which follows CSS's rules for them.
   */
  readonly lies: 'content' | 'background';
  /** Content of the page, such as words, may lie over it. */
  readonly underContent: boolean;
  /** It may be made of a strip that is repeated or continued by a colour. */
  readonly strip: boolean;
  /** Its ground is a colour of the page, before its picture has one. */
  readonly coloured: boolean;
  /** It is as large as its box, whatever its picture is. */
  readonly fillsBox: boolean;
  /** What the page decides of its size: it can be resized along the other axes alone. */
  readonly fixed: 'width' | 'none';
  /** Sides that meet the page with a colour. */
  readonly meets: readonly Side[];
  /** How it usually behaves, and the bytes that are usual (common practice, no source). */
  readonly usual: Pick<Slot, 'repeat' | 'position' | 'budgetBytes'>;
  /** Its place in the order in which a page's slots are drawn and numbered. */
  readonly drawn: number;
  /** A page has one place for it. */
  readonly single: boolean;
  /** Where a small picture of a page, 44 × 34, shows it. */
  readonly face: readonly [x: number, y: number, width: number, height: number];
  /** The slots of this kind that a page names, in the order of its drawing. */
  on(page: Page): readonly (string | null | undefined)[];
  /** Lays it on a page; what was there before stays in the site, on no page. */
  put(page: Draft<Page>, slot: Slot): void;
  /** Takes it off a page, wherever the page names it. */
  takeOff(page: Draft<Page>, slotId: string): void;
  /** What it measures on a page before anything was measured, px. */
  firstSize(page: Page, contentWidth: number): Size;
}

export const percent = (value: number) => ({ value, unit: '%' as const });
