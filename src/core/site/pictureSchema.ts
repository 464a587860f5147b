import { array, boolean, lazy, mixed, number, object, string, type Schema } from 'yup';
import { hexField as hex } from '../colour/hexField';
import { layerSchema } from '../layers/registry';
import type { Layer } from './model/layer';
import { format, id, text } from './schemaFields';

const groundSchemas: Readonly<Record<string, Schema>> = {
  none: object({ type: string() }),
  colour: object({ type: string(), colour: hex() }),
  gradient: object({
    type: string(),
    shape: string().oneOf(['linear', 'radial']).required(),
    angle: number().required(),
    space: string().oneOf(['srgb', 'oklch']).required(),
    stops: array()
      .of(object({ at: number().min(0).max(1).required(), colour: hex() }))
      .min(2)
      .max(16)
      .required(),
  }),
};

const press = () =>
  object({
    format: format(),
    quality: number().integer().min(1).max(100).required(),
    lossless: boolean().required(),
    colours: number().integer().min(2).max(256).nullable().defined(),
    chroma: string().oneOf(['full', 'half']).required(),
    table: number().integer().min(0).max(8).required(),
    effort: string().oneOf(['usual', 'most']).required(),
    dithered: boolean().required(),
  });

const aimSchemas: Readonly<Record<string, Schema>> = {
  care: object({ by: string(), care: string().oneOf(['close', 'careful', 'light']).required() }),
  bytes: object({ by: string(), bytes: number().integer().min(1).required() }),
};

export const pictureSchema = object({
  id: id(),
  ground: lazy(
    (ground: { type?: string } | undefined) =>
      groundSchemas[ground?.type ?? ''] ??
      mixed().oneOf(['a colour, gradient or see-through ground']).required(),
  ),
  layers: array()
    .of(lazy((layer: Layer | undefined) => layerSchema(layer?.kind)))
    .required(),
  press: press().required(),
  aim: lazy(
    (aim: { by?: string } | undefined) =>
      aimSchemas[aim?.by ?? ''] ?? mixed().oneOf(['a care or a number of bytes']).required(),
  ),
  fallback: press().nullable().defined().default(undefined),
  sized: array()
    .of(
      object({
        scale: number().oneOf([0.5, 2]).required(),
        beside: press().required(),
        press: press().required(),
        fallback: press().nullable().defined().default(undefined),
      }),
    )
    .required(),
  alt: text(),
  decorative: boolean().required(),
  light: number().min(0).max(360).required(),
});
