import { percent, type SlotKindDefinition } from './kind';

export const sidebar: SlotKindDefinition<'sidebar'> = {
  kind: 'sidebar',
  title: 'Sidebar strip',
  lies: 'background',
  underContent: false,
  strip: true,
  coloured: true,
  fillsBox: false,
  fixed: 'none',
  meets: ['left'],
  usual: {
    repeat: 'repeat-y',
    position: { x: percent(0), y: percent(0) },
    budgetBytes: 20_000,
  },
  drawn: 4,
  single: false,
  face: [27, 15, 9, 12],
  on: (page) => page.body.sidebars.map((s) => s.slot),
  put(page, { id, width }) {
    const { sidebars } = page.body;
    const free =
      sidebars.find((s) => s.slot === null) ?? (sidebars.length === 2 ? sidebars[1] : undefined);
    if (free) {
      free.slot = id;
      free.width = width;
    } else {
      sidebars.push({ side: 'right', width, slot: id });
    }
  },
  takeOff(page, id) {
    for (const column of page.body.sidebars) {
      if (column.slot === id) {
        column.slot = null;
      }
    }
  },
  firstSize: (page) => ({
    width: page.body.sidebars.find((s) => s.slot === null)?.width ?? 240,
    height: 240,
  }),
};
