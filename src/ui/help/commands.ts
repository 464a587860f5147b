import type { Command } from '../shared/commands';
import { wordCommands } from '../shared/words';
import { topicCommands } from './topics';
import { tourAddress } from './tour';

/**
 * All help, so that it is found by asking for it: words, panels, the tour.
 * @param go to an address
 */
export const helpCommands = (go: (address: string) => void): Command[] => [
  ...wordCommands(),
  ...topicCommands(),
  {
    id: 'tour',
    label: 'Show me round the sample, in five steps',
    run: () => go(tourAddress),
  },
];
