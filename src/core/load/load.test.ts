import { newSite } from '../site/newSite';
import { applyEdit } from '../site/edit';
import { addSlot } from '../site/slots';
import { connections, loadMs, slotsLoaded } from './load';

test('time to load is one round trip and the bits at the line’s speed', () => {
  expect(loadMs(100_000, { name: '', bitsPerSecond: 8e6, roundTripMs: 120 })).toBe(220);
  expect(loadMs(0, { name: '', bitsPerSecond: 1e6, roundTripMs: 50 })).toBe(50);
  expect(connections.map((c) => loadMs(50_000, c))).toEqual(
    connections.map((c) => loadMs(50_000, c)).sort((a, b) => b - a),
  );
});

test('a page loads the pictures that it shows at a width, each once', () => {
  let site = newSite('x', 'home', 'X');
  for (const kind of ['header', 'sidebar', 'divider'] as const) {
    site = applyEdit(site, addSlot('home', { id: kind, kind, width: 200, height: 60 }));
  }
  expect(slotsLoaded(site, site.pages[0], 1280)).toEqual(['header', 'sidebar', 'divider']);
  expect(slotsLoaded(site, site.pages[0], 390)).toEqual(['header', 'divider']);
});
