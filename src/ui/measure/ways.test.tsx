import { act, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { Tooltip } from 'radix-ui';
import type { Way } from './way';
import { ways } from './ways';
import { sampleSession, siteOf } from '../testing/session.fixture';

const measured = jest.fn<void, Parameters<Way['onMeasured']>>();
const kept = jest.fn<void, [{ name: string; width: number; height: number }]>();

/** Shows one way of measuring a header of 1080 × 220 on the sample's first page. */
async function show(title: string, given: Partial<Way> = {}) {
  const { Panel } = ways.find((way) => way.title === title)!;
  const site = siteOf(await sampleSession());
  render(
    <Tooltip.Provider>
      <Panel
        kind="header"
        page={site.pages[0]}
        size={{ width: 1080, height: 220 }}
        measured={null}
        ownSizes={[]}
        onMeasured={measured}
        onKeepSize={kept}
        {...given}
      />
    </Tooltip.Provider>,
  );
  // Sizes are measured right after the panel is there.
  await act(async () => {});
  return userEvent.setup();
}

beforeEach(() => {
  measured.mockClear();
  kept.mockClear();
});

const type = async (user: ReturnType<typeof userEvent.setup>, label: string, words: string) => {
  const field = screen.getByRole('textbox', { name: label });
  await user.clear(field);
  await user.type(field, `${words}{Enter}`);
};

test('a typed number of pixels is the size; another unit is converted and said', async () => {
  const user = await show('Numbers');
  await type(user, 'Width', '1000');
  expect(measured).toHaveBeenLastCalledWith({ width: 1000 }, null);
  await type(user, 'Height', '2 in');
  expect(measured).toHaveBeenLastCalledWith({ height: 192 }, null);
  expect(screen.getByRole('status').textContent).toMatch(/192/);
});

test('what is no number of pixels is said and changes nothing', async () => {
  const user = await show('Numbers');
  await type(user, 'Width', 'wide');
  expect(screen.getByRole('alert').textContent).toBe('Expected a number of pixels, found “wide”.');
  expect(measured).not.toHaveBeenCalled();
});

test('a known size is taken by a click, with where it is from', async () => {
  const user = await show('Known sizes');
  await user.click(screen.getByRole('button', { name: /Content, 5 to 1\s*1080 × 216\s*Home/ }));
  expect(measured.mock.lastCall![0]).toEqual({ width: 1080, height: 216 });
  expect(screen.getByRole('button', { name: /1200 × 630\s*Open Graph/ })).toBeTruthy();
});

test('a size of the owner’s own is kept, and is shown as chosen among the known ones', async () => {
  const user = await show('Known sizes');
  await user.click(screen.getByRole('button', { name: 'Keep 1080 × 220' }));
  expect(kept.mock.lastCall![0]).toMatchObject({ width: 1080, height: 220 });
});

test('columns, gaps, paddings and borders add up, and the sum is taken as the width', async () => {
  const user = await show('Columns', {
    measured: {
      from: 'columns',
      parts: [
        { what: 'column', px: 300 },
        { what: 'gap', px: 28 },
      ],
    },
  });
  expect(screen.getByRole('img', { name: 'column 300, gap 28: 328 px together' })).toBeTruthy();
  await type(user, 'Part 2, px', '30 px');
  await user.click(screen.getByRole('button', { name: 'Part' }));
  expect(
    screen.getByRole('img', { name: 'column 300, gap 30, column 300: 630 px together' }),
  ).toBeTruthy();
  await user.click(screen.getByRole('button', { name: 'Remove part 3' }));
  await type(user, 'Part 1, px', 'wide');
  expect(screen.getByRole('alert').textContent).toBe('Expected a number of pixels, found “wide”.');
  await user.click(screen.getByRole('button', { name: 'Take 330 px as the width' }));
  expect(measured.mock.lastCall![0]).toEqual({ width: 330 });
});

test('a divider’s height is a share of its section, a sixth as usual', async () => {
  const user = await show('Section', { kind: 'divider', size: { width: 1920, height: 90 } });
  await type(user, 'Height of the section', '633');
  await user.click(screen.getByRole('button', { name: /^106 px\s*1\/6 usual$/ }));
  expect(measured.mock.lastCall![0]).toMatchObject({ height: 106 });
});
