import { act, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { pictureOf, slotOf } from '@/core/site/picture';
import type { Session } from '@/work/session';
import { sampleSession, siteOf } from '../../testing/session.fixture';
import { TestBench } from '../../testing/TestBench';
import { QuestionStrip } from '../QuestionStrip';
import { LayerCards } from './LayerCards';

jest.mock('@/ui/hooks/tab/files', () => ({
  theFiles: () => ({ file: async () => undefined, thorough: async () => undefined }),
}));
jest.mock('@/ui/hooks/tab/engine', () => ({ theEngine: () => ({}) }));
jest.mock('@/ui/hooks/useSmallPicture', () => ({ useSmallPicture: () => undefined }));

let session: Session;
let slotId: string;

beforeEach(async () => {
  session = await sampleSession();
  slotId = siteOf(session).slots.find((slot) => slot.name === 'Header')!.id;
  render(
    <TestBench session={session} slotId={slotId}>
      <QuestionStrip />
      <LayerCards onVersions={() => {}} />
    </TestBench>,
  );
});

const layers = () => {
  const site = siteOf(session);
  return pictureOf(site, slotOf(site, slotId)!).layers;
};
const cards = () => within(screen.getByRole('region', { name: 'Layers, back to front' }));
const card = (name: string) => cards().getByRole('button', { name: new RegExp(name) });
const question = () => document.querySelector('[aria-current=step]')!.textContent;

test('a card is there for each layer, and for the ground, back to front', () => {
  const shown = within(cards().getByRole('list')).getAllByRole('listitem');
  expect(shown).toHaveLength(layers().length + 1);
  expect(shown[0].textContent).toContain('Ground');
});

test('choosing a card asks the question that its controls are under', async () => {
  const user = userEvent.setup();
  await user.click(card('Wash'));
  expect(question()).toContain('What colour');
  await user.click(card('Veldrin Clayworks'));
  expect(question()).toContain('What on top');
});

test('a layer is hidden, locked, duplicated and removed, each as one step that can be undone', async () => {
  const user = userEvent.setup();
  const before = layers();
  const wash = before.findIndex((layer) => layer.kind === 'fill');
  await user.click(card('Wash'));
  await user.click(screen.getByRole('button', { name: 'Hide' }));
  expect(layers()[wash].hidden).toBe(true);
  await user.click(screen.getByRole('button', { name: 'Show' }));
  expect(layers()[wash].hidden).toBe(false);
  await user.click(screen.getByRole('button', { name: 'Lock' }));
  expect(layers()[wash].locked).toBe(true);
  expect((screen.getByRole('button', { name: 'Remove' }) as HTMLButtonElement).disabled).toBe(true);
  await user.click(screen.getByRole('button', { name: 'Unlock' }));
  await user.click(screen.getByRole('button', { name: 'Duplicate' }));
  expect(layers()).toHaveLength(before.length + 1);
  await user.click(screen.getByRole('button', { name: 'Remove' }));
  expect(layers()).toHaveLength(before.length);
  for (let steps = 0; steps < 6; steps++) {
    act(() => session.undo());
  }
  expect(layers()).toEqual(before);
});

test('with Shift several cards are chosen, and hidden together', async () => {
  const user = userEvent.setup();
  await user.click(card('Wash'));
  await user.keyboard('{Shift>}');
  await user.click(card('Veldrin Clayworks'));
  await user.keyboard('{/Shift}');
  expect(screen.getByText('2 layers')).toBeTruthy();
  await user.click(screen.getByRole('button', { name: 'Hide' }));
  expect(layers().filter((layer) => layer.hidden)).toHaveLength(2);
});

test('the foremost layer cannot come forward, the rearmost cannot go back', async () => {
  const user = userEvent.setup();
  const isDisabled = (name: string) =>
    (screen.getByRole('button', { name }) as HTMLButtonElement).disabled;
  expect([isDisabled('Send back'), isDisabled('Bring forward')]).toEqual([true, true]);
  const shown = within(cards().getByRole('list')).getAllByRole('button');
  await user.click(shown.at(-1)!);
  expect([isDisabled('Send back'), isDisabled('Bring forward')]).toEqual([false, true]);
  const order = layers().map((layer) => layer.id);
  await user.click(screen.getByRole('button', { name: 'Send back' }));
  const [last, other] = [order.at(-1)!, order.at(-2)!];
  expect(layers().map((layer) => layer.id)).toEqual([...order.slice(0, -2), last, other]);
});
