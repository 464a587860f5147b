import { percent, type SlotKindDefinition } from './kind';

export const piece: SlotKindDefinition<'piece'> = {
  kind: 'piece',
  title: 'Theme piece',
  lies: 'content',
  underContent: false,
  strip: true,
  coloured: false,
  fillsBox: true,
  fixed: 'none',
  meets: [],
  usual: {
    repeat: 'no-repeat',
    position: { x: percent(0), y: percent(0) },
    budgetBytes: 10_000,
  },
  drawn: 7,
  single: false,
  face: [12, 20, 6, 4],
  on: (page) => page.pieces,
  put: (page, { id }) => {
    page.pieces.push(id);
  },
  takeOff(page, id) {
    page.pieces = page.pieces.filter((other) => other !== id);
  },
  firstSize: () => ({ width: 160, height: 48 }),
};
