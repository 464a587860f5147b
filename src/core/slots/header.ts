import { percent, type SlotKindDefinition } from './kind';

export const header: SlotKindDefinition<'header'> = {
  kind: 'header',
  title: 'Header',
  lies: 'content',
  underContent: false,
  strip: false,
  coloured: false,
  fillsBox: true,
  fixed: 'none',
  meets: ['top', 'left', 'right'],
  usual: {
    repeat: 'no-repeat',
    position: { x: percent(0), y: percent(0) },
    budgetBytes: 60_000,
  },
  drawn: 1,
  single: true,
  face: [8, 8, 28, 7],
  on: (page) => [page.headerSlot],
  put: (page, { id }) => {
    page.headerSlot = id;
  },
  takeOff(page, id) {
    if (page.headerSlot === id) {
      page.headerSlot = null;
    }
  },
  firstSize: (_page, content) => ({ width: content, height: Math.round(content / 5) }),
};
