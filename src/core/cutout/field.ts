import { array, boolean, number, object, string } from 'yup';
import { hexField } from '../colour/hexField';

/** Most strokes of the brush that one cut-out keeps. */
export const mostStrokes = 400;

/** Field of a photo layer's cut-out. */
export const cutOutField = () =>
  object({
    samples: array()
      .of(object({ x: number().required(), y: number().required(), colour: hexField() }))
      .max(32)
      .required(),
    tolerance: number().min(0).max(100).required(),
    softness: number().min(0).max(100).required(),
    joined: boolean().required(),
    strokes: array()
      .of(
        object({
          mode: string().oneOf(['away', 'back']).required(),
          size: number().positive().required(),
          points: array().of(number().required()).min(2).required(),
        }),
      )
      .max(mostStrokes)
      .required(),
    area: object({
      x: number().integer().min(0).required(),
      y: number().integer().min(0).required(),
      width: number().integer().min(1).required(),
      height: number().integer().min(1).required(),
      columns: number().integer().min(1).max(4000).required(),
      rows: number().integer().min(1).max(4000).required(),
      runs: array().of(number().integer().min(0).required()).min(1).required(),
    })
      .test(
        'whole',
        'Expected lengths that fill the area',
        (area) =>
          area === null || area.runs.reduce((sum, v) => sum + v, 0) === area.columns * area.rows,
      )
      .nullable()
      .defined()
      .default(undefined),
  })
    .nullable()
    .defined()
    .default(undefined);
