import { newText } from '../layers/text';
import { newShape } from '../layers/shape';
import { newWash } from '../layers/fill';
import type { Effect, ReliefEffect, ShadowEffect } from '../site/model/effects';
import { awayFrom, hasLit, litLayers } from './light';
import { asLook, asStrong, lookOf, strengthOf } from './relief';
import { effectOf } from './registry';

const colours = { dark: '#000000', light: '#ffffff' };
const made = (kind: Effect['kind']): Effect => effectOf({ kind }).make(colours);
const shape = (effects: readonly Effect[]) => ({
  ...newShape('s', 'rectangle', '#a4553a', { width: 300, height: 90 }),
  effects,
});

test.each([
  [0, 0, 10],
  [90, -10, 0],
  [180, 0, -10],
  [270, 10, 0],
  [315, 7, 7],
])('light from %d° throws a shadow of ten px by %d, %d', (light, x, y) => {
  expect(awayFrom(10, light)).toEqual({ x, y });
});

test('every effect that goes by the light has its own direction, and no other layer changes', () => {
  const own: ShadowEffect = { ...(made('shadow') as ShadowEffect), byLight: false, x: 5, y: -2 };
  const layers = [
    newWash('w', '#3b4a45', 0.5),
    { ...newText('t', 'Kiln', 'archivo', 40, '#ffffff', 0, 0), effects: [own] },
    shape([made('shadow'), made('relief'), made('glow')]),
  ];
  const lit = litLayers(layers, 90);
  expect(lit[0]).toBe(layers[0]);
  expect(lit[1]).toBe(layers[1]);
  const [shadow, relief, glow] = (lit[2] as ReturnType<typeof shape>).effects;
  expect(shadow).toMatchObject({ x: -4, y: 0 });
  expect(relief).toMatchObject({ direction: 90 });
  expect(glow).toEqual(made('glow'));
});

test('a sun is shown where something goes by the light', () => {
  expect(hasLit([shape([made('shadow')])])).toBe(true);
  expect(hasLit([shape([made('relief')])])).toBe(true);
  expect(hasLit([shape([made('glow'), made('outline')])])).toBe(false);
  expect(hasLit([{ ...shape([made('relief')]), hidden: true }])).toBe(false);
});

test('a relief has another look as strong as it was, and another strength in the same look', () => {
  const raised = made('relief') as ReliefEffect;
  expect(lookOf(raised)).toBe('raised');
  const pressed = { ...raised, ...asLook(raised, 'pressed in') };
  expect([lookOf(pressed), strengthOf(pressed)]).toEqual(['pressed in', strengthOf(raised)]);
  const groove = { ...raised, ...asLook(raised, 'engraved line') };
  expect(lookOf(groove)).toBe('engraved line');
  expect(strengthOf(groove)).toBeCloseTo(strengthOf(raised), 1);
  const strong = { ...pressed, ...asStrong(pressed, 1) };
  expect(lookOf(strong)).toBe('pressed in');
  expect(strengthOf(strong)).toBe(1);
  expect(strong.opacity).toBeGreaterThan(pressed.opacity);
});
