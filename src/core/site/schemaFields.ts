import { imageFormats } from '../encode/formats/registry';
import { number, string } from 'yup';

export const pixels = () => number().integer().min(1).max(20000).required();
/** Letters, figures and a few signs: an id is part of addresses and of names in archives. */
export const id = () =>
  string()
    .matches(/^[a-z0-9][a-z0-9:_.-]{0,199}$/i, ({ path }) => `Expected ${path} as a plain id`)
    .required();

export const slotRef = () => string().nullable().defined();
export const text = () => string().defined();
/** Weight of a font, as CSS Fonts counts it. */
export const weight = () => number().integer().min(1).max(1000).required();
export const format = () => string().oneOf(imageFormats).required();

/** Below a folder, and not out of it, with no sign that ends or hides a name. */
export const insidePath = () =>
  string()
    .matches(
      /^(?![/\\]|[a-z]:)(?!(.*[/\\])?\.\.([/\\]|$))[^\u0000-\u001f\u007f]{1,1000}$/i,
      'Expected a path inside the theme’s folder',
    )
    .required();
