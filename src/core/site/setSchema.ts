import { array, boolean, lazy, number, object, string, type Schema } from 'yup';
import { hexField as hex } from '../colour/hexField';
import { recipeSchema } from '../layers/recipe';
import { id, text, insidePath } from './schemaFields';

const setFile = {
  path: insidePath(),
  assetId: id(),
  bytes: number().integer().min(0).required(),
};

export const setSchema = object({
  name: text(),
  pieces: array()
    .of(
      object({
        ...setFile,
        width: number().integer().min(1).required(),
        height: number().integer().min(1).required(),
        format: id(),
        leftOut: boolean().required(),
      }),
    )
    .required(),
  sheets: array().of(object(setFile)).required(),
  others: array()
    .of(object({ ...setFile, why: text() }))
    .required(),
  recipe: recipeSchema.required(),
  follows: array()
    .of(string().oneOf(['meaning', 'code']).required())
    .required(),
  from: hex(),
  to: hex(),
  lines: lazy((lines: object | undefined) =>
    object(
      Object.fromEntries(
        Object.keys(lines ?? {}).map((key) => [
          key,
          lazy((value: unknown) =>
            typeof value === 'string' ? hex() : boolean().required(),
          ) as unknown as Schema,
        ]),
      ),
    ).required(),
  ),
});
