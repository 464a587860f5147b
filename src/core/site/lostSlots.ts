type Stored = Record<string, unknown>;

/** Each member changed; what is no list stays what it is, for the schema to refuse. */
const each = (value: unknown, change: (member: Stored) => unknown): unknown =>
  Array.isArray(value) ? (value as Stored[]).map((m) => (isRecord(m) ? change(m) : m)) : value;

const isRecord = (value: unknown): value is Stored => typeof value === 'object' && value !== null;

/**
 * A stored site of a version that did not look after references, with every mention of slots that
 * are not in it taken out. Fields are not checked: whatever is not as expected stays.
 */
export function withoutLostSlots(site: Stored): Stored {
  const slots = Array.isArray(site.slots) ? (site.slots as unknown[]).filter(isRecord) : [];
  const there = new Set(slots.map((s) => s.id));
  const held = (id: unknown): unknown => (there.has(id) ? id : null);
  const heldIn = (value: unknown, field: string): unknown =>
    isRecord(value) ? { ...value, [field]: held(value[field]) } : value;
  const besideHeld = (beside: unknown): unknown =>
    isRecord(beside) && beside.from === 'slot' && !there.has(beside.slot) ? null : beside;
  const slotHeld = (slot: Stored): Stored => ({
    ...slot,
    beside: isRecord(slot.beside)
      ? Object.fromEntries(Object.entries(slot.beside).map(([k, b]) => [k, besideHeld(b)]))
      : slot.beside,
    narrow: isRecord(slot.narrow) && !there.has(slot.narrow.slot) ? null : slot.narrow,
  });
  const backgroundHeld = (background: unknown): unknown =>
    isRecord(background) && background.type === 'own' && !there.has(background.slot)
      ? { type: 'default' }
      : background;
  const pageHeld = (page: Stored): Stored => ({
    ...page,
    headerSlot: held(page.headerSlot),
    background: backgroundHeld(page.background),
    bar: heldIn(page.bar, 'markSlot'),
    band: heldIn(page.band, 'slot'),
    body: isRecord(page.body)
      ? { ...page.body, sidebars: each(page.body.sidebars, (s) => heldIn(s, 'slot')) }
      : page.body,
    sections: each(page.sections, (s) => heldIn(s, 'dividerSlot')),
    pieces: Array.isArray(page.pieces) ? page.pieces.filter((id) => there.has(id)) : page.pieces,
  });
  return {
    ...site,
    defaultBackground: held(site.defaultBackground),
    slots: each(site.slots, slotHeld),
    pages: each(site.pages, pageHeld),
  };
}
