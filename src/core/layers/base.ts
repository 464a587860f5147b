import { boolean, number, string } from 'yup';
import { blendModes } from '../raster/blend';

/** Fields that every layer has. */
export const baseFields = {
  id: string().min(1).required(),
  name: string().defined(),
  hidden: boolean().required(),
  locked: boolean().required(),
  opacity: number().min(0).max(1).required(),
  blend: string().oneOf(blendModes).required(),
};

/** What a new layer starts with. */
export const baseDefaults = (id: string) => ({
  id,
  name: '',
  hidden: false,
  locked: false,
  opacity: 1,
  blend: 'normal' as const,
});
