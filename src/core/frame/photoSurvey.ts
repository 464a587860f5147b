import type { MainColour } from '../colour/palette';
import type { Suggestion } from './suggest';

/** What a photo shows of itself: its best parts for a frame's shape, and its main colours. */
export interface PhotoSurvey {
  readonly frames: readonly Suggestion[];
  readonly colours: readonly MainColour[];
}
