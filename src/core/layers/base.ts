import { boolean, number, string } from 'yup';
import { blendModes } from '../raster/blend';

export const hexField = () => string().matches(/^#[0-9a-f]{6}$/, ({ path }) => `Expected ${path} as #rrggbb`).required();

/** Fields that every layer has. */
export const baseFields = {
  id: string().min(1).required(),
  name: string().defined(),
  hidden: boolean().required(),
  opacity: number().min(0).max(1).required(),
  blend: string().oneOf(blendModes).required(),
};

/** What a new layer starts with. */
export const baseDefaults = (id: string) => ({ id, name: '', hidden: false, opacity: 1, blend: 'normal' as const });
