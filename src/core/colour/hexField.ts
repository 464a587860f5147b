import { string } from 'yup';

/** Field of a stored colour: #rrggbb, lower case. */
export const hexField = () =>
  string()
    .matches(/^#[0-9a-f]{6}$/, ({ path }) => `Expected ${path} as #rrggbb`)
    .required();
