import { percent, type SlotKindDefinition } from './kind';

export const mark: SlotKindDefinition<'mark'> = {
  kind: 'mark',
  title: 'Corner mark',
  lies: 'content',
  underContent: false,
  strip: false,
  coloured: false,
  fillsBox: true,
  fixed: 'none',
  meets: ['top', 'right', 'bottom', 'left'],
  usual: {
    repeat: 'no-repeat',
    position: { x: percent(0), y: percent(0) },
    budgetBytes: 12_000,
  },
  drawn: 6,
  single: true,
  face: [10, 3, 8, 3],
  on: (page) => [page.bar.markSlot],
  put: (page, { id }) => {
    page.bar.markSlot = id;
  },
  takeOff(page, id) {
    if (page.bar.markSlot === id) {
      page.bar.markSlot = null;
    }
  },
  firstSize: (page) => ({
    width: 300,
    height: Math.max(24, Math.min(80, page.bar.height - 8)),
  }),
};
