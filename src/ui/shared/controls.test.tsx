import { observersBegun } from '../testing/jsdomParts';
import { act, fireEvent, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { CommitField } from './CommitField';
import { NativeColourInput } from './NativeColourInput';
import { useMeasure } from './useMeasure';
import { useSteadyList } from './useSteadyList';

test('an element is observed once, and the same size renders nothing anew', async () => {
  let renders = 0;
  function Measured() {
    renders++;
    const [ref, size] = useMeasure();
    return <div ref={ref}>{size.width}</div>;
  }
  const before = observersBegun.count;
  const { rerender } = render(<Measured />);
  await act(async () => {});
  expect(screen.getByText('800')).toBeTruthy();
  expect(renders).toBe(2);
  rerender(<Measured />);
  await act(async () => {});
  expect(observersBegun.count - before).toBe(1);
  expect(renders).toBe(3);
});

test('a field is read on Enter and on leaving; Escape puts the old value back', async () => {
  const user = userEvent.setup();
  const commit = jest.fn((text: string) => (text === 'bad' ? 'Not that.' : undefined));
  render(<CommitField label="Name" value="old" onCommit={commit} words />);
  const field = screen.getByRole('textbox', { name: 'Name' }) as HTMLInputElement;
  await user.clear(field);
  await user.type(field, 'new{Enter}');
  expect(commit).toHaveBeenLastCalledWith('new');
  await user.clear(field);
  await user.type(field, 'other{Escape}');
  expect(field.value).toBe('old');
  expect(commit).toHaveBeenCalledTimes(1);
  await user.clear(field);
  await user.type(field, 'bad');
  await user.tab();
  expect(screen.getByRole('alert').textContent).toBe('Not that.');
});

test('a field that was not changed commits nothing', async () => {
  const user = userEvent.setup();
  const commit = jest.fn(() => undefined);
  render(<CommitField label="Name" value="old" onCommit={commit} />);
  await user.click(screen.getByRole('textbox', { name: 'Name' }));
  await user.keyboard('{Enter}');
  await user.tab();
  expect(commit).not.toHaveBeenCalled();
});

test('the colour that the browser’s dialog ends with is chosen, by the newest callback', () => {
  const first = jest.fn<void, [string]>();
  const second = jest.fn<void, [string]>();
  const { rerender } = render(
    <NativeColourInput aria-label="Colour" defaultValue="#000000" onChoose={first} />,
  );
  rerender(<NativeColourInput aria-label="Colour" defaultValue="#000000" onChoose={second} />);
  const field = screen.getByLabelText('Colour') as HTMLInputElement;
  field.value = '#336699';
  fireEvent(field, new Event('input', { bubbles: true }));
  expect(second).not.toHaveBeenCalled();
  fireEvent(field, new Event('change', { bubbles: true }));
  expect(first).not.toHaveBeenCalled();
  expect(second.mock.calls).toEqual([['#336699']]);
});

describe('a list whose order changes by itself', () => {
  function List() {
    const [items, setItems] = useState(['a', 'b', 'c']);
    const { rows, steadied } = useSteadyList(items, (item) => item, false);
    return (
      <>
        <button onClick={() => setItems(['c', 'a'])}>change</button>
        <ul {...steadied}>
          {rows.map((row) => (
            <li key={row}>{row}</li>
          ))}
        </ul>
      </>
    );
  }
  const shown = () => screen.getAllByRole('listitem').map((item) => item.textContent);

  test('follows at once while nobody is in it', () => {
    render(<List />);
    fireEvent.click(screen.getByText('change'));
    expect(shown()).toEqual(['c', 'a']);
  });

  test('keeps its order while the pointer is in it, and follows once it has left', () => {
    render(<List />);
    fireEvent.pointerEnter(screen.getByRole('list'));
    fireEvent.click(screen.getByText('change'));
    expect(shown()).toEqual(['a', 'c']);
    fireEvent.pointerLeave(screen.getByRole('list'));
    expect(shown()).toEqual(['c', 'a']);
  });

  test('stays as it is while something in it is pressed', () => {
    render(<List />);
    fireEvent.pointerDown(screen.getByRole('list'));
    fireEvent.click(screen.getByText('change'));
    expect(shown()).toEqual(['a', 'b', 'c']);
  });
});
