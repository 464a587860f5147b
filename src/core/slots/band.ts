import { newBand } from '../site/newBand';
import { percent, type SlotKindDefinition } from './kind';

export const band: SlotKindDefinition<'band'> = {
  kind: 'band',
  title: 'Title band',
  lies: 'background',
  underContent: true,
  strip: false,
  coloured: true,
  fillsBox: true,
  fixed: 'width',
  meets: [],
  usual: {
    repeat: 'no-repeat',
    position: { x: percent(50), y: percent(50) },
    budgetBytes: 80_000,
  },
  drawn: 3,
  single: true,
  face: [8, 15, 28, 5],
  on: (page) => [page.band?.slot],
  put(page, { id, height }) {
    page.band ??= { ...newBand(page, page.body.heading, height), slot: id };
    page.band.slot = id;
  },
  takeOff(page, id) {
    if (page.band?.slot === id) {
      page.band.slot = null;
    }
  },
  firstSize: (page, content) => ({
    width: page.band && !page.band.boxed ? 1920 : content,
    height: page.band?.height ?? 160,
  }),
};
