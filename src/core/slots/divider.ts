import { percent, type SlotKindDefinition } from './kind';

export const divider: SlotKindDefinition<'divider'> = {
  kind: 'divider',
  title: 'Section divider',
  lies: 'background',
  underContent: false,
  strip: false,
  coloured: false,
  fillsBox: false,
  fixed: 'width',
  meets: ['bottom'],
  usual: {
    repeat: 'repeat-x',
    position: { x: percent(50), y: percent(100) },
    budgetBytes: 20_000,
  },
  drawn: 5,
  single: false,
  face: [0, 25, 44, 3],
  on: (page) => page.sections.map((s) => s.dividerSlot),
  put(page, { id }) {
    if (page.sections.length === 0) {
      page.sections.push({
        height: 240,
        colour: page.bar.colour,
        ink: page.bar.ink,
        heading: 'A section',
        dividerSlot: id,
      });
    } else {
      (page.sections.find((s) => s.dividerSlot === null) ?? page.sections[0]).dividerSlot = id;
    }
  },
  takeOff(page, id) {
    for (const section of page.sections) {
      if (section.dividerSlot === id) {
        section.dividerSlot = null;
      }
    }
  },
  firstSize: () => ({ width: 1920, height: 96 }),
};
