import { addThemeColour, applyEdit, editSlot, type Edit } from '@/core/site/edit';
import { newSite } from '@/core/site/newSite';
import { StoreError } from '@/core/site/siteStore';
import { addSlot } from '@/core/site/slots';
import { removeSlot } from '@/core/site/dropSlot';
import { MemoryStore } from './memoryStore.fixture';
import { Session } from './session';

const slotted = applyEdit(
  newSite('s', 'page', 'Veldrin'),
  addSlot('page', { id: 'h', kind: 'header', width: 100, height: 50 }),
);

/** Time that passes when it is told to. */
class Timers {
  private list: { at: number; call: () => void }[] = [];
  private time = 0;
  readonly later = (ms: number, call: () => void) => {
    const timer = { at: this.time + ms, call };
    this.list.push(timer);
    return () => {
      this.list = this.list.filter((t) => t !== timer);
    };
  };
  pass(ms: number): void {
    this.time += ms;
    const due = this.list.filter((t) => t.at <= this.time);
    this.list = this.list.filter((t) => t.at > this.time);
    due.forEach((t) => t.call());
  }
}

let ids = 0;
let store: MemoryStore;
let timers: Timers;
let told: string[];

beforeEach(() => {
  store = new MemoryStore();
  store.add(slotted);
  timers = new Timers();
  told = [];
});

function open(): Session {
  const stamp = store.stampOf('s');
  return new Session(
    { site: store.site('s'), cursor: store.cursor('s'), steps: store.steps('s'), stamp },
    {
      store,
      now: () => 7,
      newId: () => `id ${ids++}`,
      later: timers.later,
      tell: (words) => told.push(words),
    },
  );
}

const widen = (px: number): Edit =>
  editSlot('h', (slot) => {
    slot.width = px;
  });
const shown = (session: Session) => session.state.getState().site;
const kept = (session: Session) => session.state.getState().kept;

test('a second commit before the first is written keeps what another tab wrote in between', async () => {
  const a = open();
  const b = open();
  b.commit('colour', addThemeColour('#123456'));
  await b.settled();
  a.commit('one', widen(200));
  a.commit('two', widen(300));
  await a.settled();
  expect(store.site('s').slots[0].width).toBe(300);
  expect(store.site('s').theme.colours.at(-1)?.hex).toBe('#123456');
  expect(shown(a)).toEqual(store.site('s'));
  await b.settled();
  expect(shown(b)).toEqual(store.site('s'));
  expect(store.steps('s').map((s) => s.label)).toEqual(['colour', 'one', 'two']);
});

test('what could not be written stays, is said, and is written later with what came after it', async () => {
  const a = open();
  store.failNext(new StoreError('full', 'no room'));
  a.commit('one', widen(200));
  await a.settled();
  expect(kept(a)).toMatchObject({ state: 'not', why: 'full' });
  expect(kept(a)).toMatchObject({ words: expect.stringContaining('gives Soyez no more room') });
  expect([a.unwritten, store.site('s').slots[0].width]).toEqual([1, 100]);
  timers.pass(500);
  await a.settled();
  expect(kept(a)).toEqual({ state: 'kept' });
  expect(store.site('s').slots[0].width).toBe(200);
  store.failNext(new StoreError('other', 'disk asleep'));
  a.commit('two', widen(300));
  await a.settled();
  expect(kept(a)).toMatchObject({ words: expect.stringContaining('disk asleep') });
  a.commit('three', widen(400));
  await a.settled();
  expect(store.steps('s').map((s) => s.label)).toEqual(['one', 'two', 'three']);
  expect([kept(a).state, store.site('s').slots[0].width]).toEqual(['kept', 400]);
});

test('it is tried again less and less often, and at once when asked', async () => {
  const a = open();
  for (let i = 0; i < 3; i++) {
    store.failNext(new StoreError('full', 'no room'));
  }
  a.commit('one', widen(200));
  await a.settled();
  timers.pass(500);
  await a.settled();
  timers.pass(900);
  await a.settled();
  expect(store.failures).toBe(2);
  timers.pass(100);
  await a.settled();
  expect(store.failures).toBe(3);
  await a.retry();
  expect(kept(a)).toEqual({ state: 'kept' });
});

test('a burst is one step, not said to be kept while it is open, and shown on what another tab wrote', async () => {
  const a = open();
  const b = open();
  a.burst('nudge', widen(101));
  a.burst('nudge', widen(102));
  expect([kept(a).state, a.unwritten, shown(a).slots[0].width]).toEqual(['writing', 1, 102]);
  b.commit('colour', addThemeColour('#123456'));
  await b.settled();
  await a.settled();
  expect(shown(a).slots[0].width).toBe(102);
  expect(shown(a).theme.colours.at(-1)?.hex).toBe('#123456');
  timers.pass(400);
  await a.settled();
  expect(store.steps('s').map((s) => s.label)).toEqual(['colour', 'nudge']);
  a.burst('nudge', widen(103));
  a.undo();
  await a.settled();
  expect(store.site('s').slots[0].width).toBe(102);
});

test('a step that is not whole yet is shown at once, and kept with its rest, or without it where that is late', async () => {
  const a = open();
  const colour = addThemeColour('#123456');
  const labels = async () => {
    await a.settled();
    return store.steps('s').map((s) => s.label);
  };
  const finish = a.begin('add', widen(101), 1000);
  expect(a.state.getState()).toMatchObject({ previewing: true, begun: true });
  expect([kept(a).state, shown(a).slots[0].width]).toEqual(['writing', 101]);
  timers.pass(900);
  finish(widen(102));
  expect(await labels()).toEqual(['add']);
  expect(store.site('s').slots[0].width).toBe(102);
  a.undo();
  await a.settled();
  expect(store.site('s').slots[0].width).toBe(100);

  // What is typed into it meanwhile is part of it.
  const typed = a.begin('add', widen(101), 1000, 'type');
  a.burst('type', addThemeColour('#123456'));
  timers.pass(900);
  typed(widen(102));
  a.burst('type', addThemeColour('#654321'));
  timers.pass(1000);
  expect(await labels()).toEqual(['add', 'type']);
  expect([shown(a).slots[0].width, shown(a).theme.colours.at(-2)?.hex]).toEqual([102, '#123456']);
  a.undo();
  a.undo();
  await a.settled();
  expect(store.site('s').slots[0].width).toBe(100);

  // Something else is done meanwhile, or it takes too long.
  const tooLate = a.begin('add', widen(103), 1000);
  a.commit('colour', colour);
  tooLate(widen(104));
  const late = a.begin('add again', widen(105), 1000);
  timers.pass(1000);
  late(widen(106));
  expect(await labels()).toEqual(['add', 'colour', 'add again']);
  expect(store.site('s').slots[0].width).toBe(105);
});

test('a gesture goes on over what another tab writes, and over its own step being written', async () => {
  const a = open();
  const b = open();
  a.preview(widen(150));
  b.commit('colour', addThemeColour('#123456'));
  await b.settled();
  await a.settled();
  expect([a.state.getState().previewing, shown(a).slots[0].width]).toEqual([true, 150]);
  expect(shown(a).theme.colours.at(-1)?.hex).toBe('#123456');
  a.commit('drag', widen(160));
  a.preview(widen(170));
  await a.settled();
  expect([a.state.getState().previewing, shown(a).slots[0].width]).toEqual([true, 170]);
  a.dropPreview();
  expect(shown(a)).toEqual(store.site('s'));
});

test('undo takes back what the owner saw, never what another tab did meanwhile', async () => {
  const a = open();
  a.commit('mine', widen(200));
  await a.settled();
  const b = open();
  store.silent = true;
  b.commit('theirs', addThemeColour('#123456'));
  await b.settled();
  a.undo();
  await a.settled();
  expect(store.site('s').slots[0].width).toBe(200);
  expect(store.site('s').theme.colours.at(-1)?.hex).toBe('#123456');
  expect(a.state.getState().undoLabel).toBe('theirs');
  store.silent = true;
  b.commit('more', addThemeColour('#654321'));
  a.commit('next', widen(300));
  a.undo();
  await b.settled();
  await a.settled();
  expect([store.site('s').slots[0].width, store.cursor('s')]).toEqual([200, 3]);
  expect(a.state.getState()).toMatchObject({ undoLabel: 'more', redoLabel: 'next' });
});

test('an edit that would leave a lost reference in what another tab left is told, and the rest is kept', async () => {
  const a = open();
  const b = open();
  store.silent = true;
  b.commit('remove', removeSlot('h'));
  await b.settled();
  a.commit('hang', (site) => {
    site.pages[0].headerSlot = 'h';
    site.name = 'Renamed';
  });
  a.commit('colour', addThemeColour('#123456'));
  await a.settled();
  expect(told).toEqual([expect.stringContaining('“hang” could not be kept')]);
  expect(store.site('s')).toMatchObject({ name: 'Veldrin', slots: [] });
  expect(store.site('s').theme.colours.at(-1)?.hex).toBe('#123456');
});

test('a number that is none is not kept, and said', async () => {
  const a = open();
  a.commit('visitors', (site) => {
    site.visitors = [{ width: 360, share: Infinity }];
  });
  await a.settled();
  expect(told).toEqual([expect.stringContaining('Expected 0.share to be a finite number')]);
  expect([shown(a).visitors, a.unwritten]).toEqual([[], 0]);
});

test('a site removed in another tab is not written again unless it is put back', async () => {
  const a = open();
  a.commit('one', widen(200));
  await a.settled();
  store.remove('s');
  a.commit('two', widen(300));
  await a.settled();
  expect(kept(a)).toMatchObject({ state: 'not', why: 'removed' });
  expect([store.has('s'), a.unwritten]).toEqual([false, 1]);
  await a.putBack();
  expect(kept(a)).toEqual({ state: 'kept' });
  expect(store.site('s')).toEqual(shown(a));
  expect(store.steps('s').map((s) => s.label)).toEqual(['one', 'two']);
});

test('where a removed site has nothing unwritten, no step is said to be lost', async () => {
  const a = open();
  store.remove('s');
  await a.refresh();
  expect(kept(a)).toMatchObject({
    why: 'removed',
    words: 'This site was removed in another tab. Put it back, save its file, or let it go.',
  });
});

test('a site that was cleared away underneath is written again with all its steps', async () => {
  const a = open();
  a.commit('one', widen(200));
  await a.settled();
  store.clear();
  await a.refresh();
  await a.settled();
  expect(store.site('s').slots[0].width).toBe(200);
  store.clear();
  a.commit('two', widen(300));
  await a.settled();
  expect(store.steps('s').map((s) => s.label)).toEqual(['one', 'two']);
});

test('where a cleared store cannot be read at first, it is looked at again', async () => {
  const a = open();
  store.clear();
  const find = jest.spyOn(store, 'find');
  find.mockRejectedValueOnce(new StoreError('closed', 'being cleared'));
  find.mockRejectedValueOnce(new StoreError('closed', 'being cleared'));
  await a.refresh();
  expect(kept(a).state).toBe('kept');
  timers.pass(500);
  await a.settled();
  expect(store.has('s')).toBe(false);
  timers.pass(1000);
  await a.settled();
  expect(store.site('s')).toEqual(slotted);
});

test('steps beyond the longest history are forgotten on the disk too, and what was undone is dropped there', async () => {
  const a = open();
  for (let px = 1; px <= 510; px++) {
    a.commit(`to ${px}`, widen(px));
  }
  await a.settled();
  expect([store.steps('s').length, store.steps('s')[0].label]).toEqual([500, 'to 11']);
  a.goTo(300);
  a.commit('other', widen(999));
  await a.settled();
  expect(store.steps('s').length).toBe(291);
  expect(store.steps('s').at(-1)).toMatchObject({ label: 'other', seq: 301 });
  a.goTo(0);
  await a.settled();
  expect([store.site('s').slots[0].width, store.cursor('s')]).toEqual([10, 10]);
});
