import type { BlendMode } from '../../raster/blend';

export interface LayerBase {
  readonly id: string;
  /** The owner's own name for it; empty means the kind's name is shown. */
  readonly name: string;
  readonly hidden: boolean;
  /** Left alone by the pointer and by edits of several layers. */
  readonly locked: boolean;
  /** 0..1, the strength of a wash. */
  readonly opacity: number;
  readonly blend: BlendMode;
}
