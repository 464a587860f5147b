import { percent, type SlotKindDefinition } from './kind';

export const background: SlotKindDefinition<'background'> = {
  kind: 'background',
  title: 'Page background',
  lies: 'background',
  underContent: true,
  strip: true,
  coloured: true,
  fillsBox: false,
  fixed: 'none',
  meets: [],
  usual: {
    repeat: 'no-repeat',
    position: { x: percent(50), y: percent(0) },
    budgetBytes: 300_000,
  },
  drawn: 2,
  single: true,
  face: [0, 0, 44, 34],
  on: (page) => [page.background.type === 'own' ? page.background.slot : null],
  put: (page, { id }) => {
    page.background = { type: 'own', slot: id };
  },
  takeOff(page, id) {
    if (page.background.type === 'own' && page.background.slot === id) {
      page.background = { type: 'default' };
    }
  },
  firstSize: () => ({ width: 1920, height: 1200 }),
};
