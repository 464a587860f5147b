import { createStore, type StoreApi } from 'zustand/vanilla';
import type { Size } from '@/core/frame/placement';
import { screenHeightAt } from '@/core/measure/layoutPage';
import type { Raster } from '@/core/raster/raster';
import type { WordsSeen } from '@/core/legibility/pageWords';
import { pictureAt } from '@/core/ownPage/takeOver';
import type { PageRect, PageSurvey } from '@/core/ownPage/survey';
import type { OwnPlace } from '@/core/site/model/ownPage';
import type { PageFrame, PictureTarget } from './frame';
import type { LivePagePicture } from './livePicture';
import type { PictureNow } from './placing';

/** A page as it is laid out around a picture. */
export interface LaidPage {
  /** Of all of it, px; 0 until it is known. */
  readonly height: number;
  /** The part of it that the window shows, px of the page. */
  readonly window: { readonly top: number; readonly height: number };
  /** Undefined where it is not shown at this width. */
  readonly picture: PictureNow | undefined;
  /** Where its copy lay when the page was laid out; scrolling may move it since, not this. */
  readonly anchor: PageRect | undefined;
}

export const notLaid: LaidPage = {
  height: 0,
  window: { top: 0, height: 0 },
  picture: undefined,
  anchor: undefined,
};

export interface PictureInPage {
  readonly place: OwnPlace;
  readonly target: PictureTarget;
  /** Px of the picture's file. */
  readonly file: Size;
}

/**
 * A page in a window as high as a screen, so that what is as high as the screen, or stays with it,
 * is as visitors have it; with a picture that is worked on lying in it.
 */
export class PageView {
  readonly state: StoreApi<LaidPage> = createStore(() => notLaid);
  /** Paints the picture in the page; undefined where the page is itself a picture. */
  readonly live: LivePagePicture | undefined;
  private width = 1280;
  private least = 0;
  private above = 0;
  private top = 0;
  private closed = false;

  constructor(
    private readonly frame: PageFrame,
    private readonly survey: PageSurvey,
    private readonly picture: PictureInPage,
  ) {
    let once = false;
    this.live = picture.place.rect
      ? undefined
      : frame.live(picture.target, () => {
          // Where the page lays it by its size, it may lie elsewhere now.
          if (!once) {
            once = true;
            this.measure(true);
          }
        });
  }

  /** Lays the page out for a screen. */
  async show(width: number): Promise<void> {
    this.width = width;
    await this.frame.show(width, this.height);
    this.move(true);
  }

  /**
   * Shows another part of the page.
   * @param above px of the page that lie above what is seen of it
   * @param seen px of it that are seen at once: the window is no lower
   */
  async scroll(above: number, seen: number): Promise<void> {
    this.above = above;
    if (seen > this.height) {
      this.least = Math.ceil(seen);
      await this.show(this.width);
    } else {
      this.move();
    }
  }

  /** What the window shows, as pixels. */
  read(): Promise<Raster> {
    return this.frame.raster({ top: this.top });
  }

  /** Words of the page that lie over the picture, in what the window shows. */
  async words(): Promise<{ readonly top: number; readonly seen: WordsSeen } | undefined> {
    const { picture } = this.state.getState();
    const { place } = this.picture;
    if (!picture || place.rect) {
      return undefined;
    }
    const { top } = this;
    const root = pictureAt(this.survey, place)?.root ?? false;
    return { top, seen: await this.frame.wordsSeen(place, root, picture.area, top) };
  }

  close(): void {
    this.closed = true;
    this.live?.close();
  }

  private get height(): number {
    return Math.max(screenHeightAt(this.width), this.least);
  }

  private move(anew = false): void {
    if (this.closed) {
      return;
    }
    this.top = Math.max(0, Math.min(this.above, this.frame.height() - this.height));
    this.frame.element.style.transform = `translateY(${this.top}px)`;
    this.frame.scrollTo(this.top);
    this.measure(anew);
  }

  /** @param anew the page is laid out anew, and not only scrolled */
  private measure(anew: boolean): void {
    if (this.closed) {
      return;
    }
    const { place, file } = this.picture;
    const picture = place.rect
      ? { copy: place.rect, area: place.rect, repeatX: false, repeatY: false }
      : this.frame.placed(this.survey, place, file);
    const window = { top: this.top, height: this.height };
    const before = this.state.getState();
    const anchor = anew ? picture?.copy : before.anchor;
    const now: LaidPage = { height: this.frame.height(), window, picture, anchor };
    if (JSON.stringify(now) !== JSON.stringify(before)) {
      this.state.setState(now);
    }
  }
}
