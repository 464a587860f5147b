import type { Page } from '@/core/site/model/page';
import type { Showing } from '../useBench';
import type { Zoom } from './StageBoard';

export interface StageProps {
  page: Page;
  zoom: Zoom;
  screenWidth: number;
  marks: boolean;
}

/** What is said of what lies in the slot; nothing of the picture itself. */
export const showingWords: Readonly<Record<Exclude<Showing, 'before'>, string>> = {
  picture: '',
  file: 'The file as it will be seen; hold B for the picture, X for what was lost',
  difference: 'What the file has lost, eight times as strong; the worst place is framed',
};

/** The canvas of the picture that is worked on. */
export const liveCanvas = (): HTMLCanvasElement | null =>
  document.querySelector('canvas[data-ready]');
