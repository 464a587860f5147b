import type { SmallKind } from '@/core/shelf/small';

type Bytes = Uint8Array<ArrayBuffer>;

export interface SmallPicturePorts<B> {
  kept(assetId: string, kind: SmallKind): Promise<B | undefined>;
  /** @throws Error when there is none */
  bytes(assetId: string): Promise<Bytes>;
  /** Makes a picture small. @throws Error where it cannot be read */
  shrink(bytes: Bytes, kind: SmallKind): Promise<B>;
  keep(assetId: string, kind: SmallKind, small: B): Promise<void>;
}

/** Somebody who wants a small picture, as long as it is in sight. */
interface Wish<B> {
  readonly assetId: string;
  readonly kind: SmallKind;
  readonly got: (small: B | undefined) => void;
}

/**
 * Pictures made small for lists, one at a time and each once: a list of hundreds never holds more
 * than one of them whole. What went out of sight meanwhile is not made.
 */
export class SmallPictures<B> {
  private wishes: Wish<B>[] = [];
  private busy = false;

  constructor(private readonly ports: SmallPicturePorts<B>) {}

  /**
   * @param got told the small picture, or that there is none
   * @returns how to say that it is out of sight
   */
  want(assetId: string, kind: SmallKind, got: (small: B | undefined) => void): () => void {
    const wish = { assetId, kind, got };
    this.wishes.push(wish);
    void this.work();
    return () => {
      this.wishes = this.wishes.filter((one) => one !== wish);
    };
  }

  private async work(): Promise<void> {
    if (this.busy) {
      return;
    }
    this.busy = true;
    while (this.wishes.length > 0) {
      const { assetId, kind } = this.wishes[0];
      const small = await this.made(assetId, kind).catch(() => undefined);
      const isSame = (one: Wish<B>) => one.assetId === assetId && one.kind === kind;
      const told = this.wishes.filter(isSame);
      this.wishes = this.wishes.filter((one) => !isSame(one));
      told.forEach(({ got }) => got(small));
    }
    this.busy = false;
  }

  private async made(assetId: string, kind: SmallKind): Promise<B> {
    const kept = await this.ports.kept(assetId, kind);
    if (kept) {
      return kept;
    }
    const small = await this.ports.shrink(await this.ports.bytes(assetId), kind);
    // Where there is no room to keep it, it is made again another time.
    await this.ports.keep(assetId, kind, small).catch(() => {});
    return small;
  }
}
