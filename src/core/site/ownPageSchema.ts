import { array, boolean, number, object, string } from 'yup';
import { hexField as hex } from '../colour/hexField';
import { id, pixels, text } from './schemaFields';

const assetId = () =>
  string()
    .matches(/^[0-9a-f]{64}$/, ({ path }) => `Expected ${path} as the SHA-256 of a file`)
    .required();

const originalId = () =>
  string()
    .matches(/^[0-9a-f]{64}$/, ({ path }) => `Expected ${path} as the SHA-256 of a file`)
    .nullable()
    .defined()
    .default(undefined);

const shade = () => number().min(0).max(100).required();

const kept = { file: 1000, name: 4000, runs: 20_000 } as const;

const runs = () =>
  array()
    .of(object({ px: number().integer().min(1).required(), colour: hex() }))
    .max(kept.runs)
    .nullable()
    .defined();

const surround = () => object({ top: runs(), right: runs(), bottom: runs(), left: runs() });

/** A saved page of the owner's, as the site keeps it. */
export const ownPageSchema = object({
  from: string().oneOf(['page', 'style sheets', 'picture']).required(),
  file: text().max(kept.name),
  title: text().max(kept.name),
  document: assetId(),
  original: originalId(),
  files: array()
    .of(
      object({
        key: string()
          .matches(/^frozen:\d{1,6}$/)
          .required(),
        name: text().max(kept.name),
        path: text().max(kept.name),
        type: text().max(200),
        assetId: assetId(),
        size: object({ width: pixels(), height: pixels() }).nullable().defined().default(undefined),
        original: originalId(),
      }),
    )
    .max(kept.file * 4)
    .required(),
  left: array()
    .of(object({ what: text(), name: text().max(kept.name) }))
    .required(),
  missing: array().of(string().defined().max(kept.name)).required(),
  survey: assetId(),
  inks: array()
    .of(object({ selector: text().max(kept.name), colour: hex() }))
    .max(kept.file)
    .required(),
  places: array()
    .of(
      object({
        slot: id(),
        as: text(),
        selector: text().max(kept.name),
        pseudo: text(),
        layer: number().integer().min(0).required(),
        ruled: string().oneOf(['page', 'own', 'important']).required(),
        rect: object({
          x: number().required(),
          y: number().required(),
          width: number().min(0).required(),
          height: number().min(0).required(),
        })
          .nullable()
          .defined()
          .default(undefined),
        measured: object({
          surround: surround().nullable().defined(),
          scaled: array()
            .of(
              object({
                screen: pixels(),
                width: pixels(),
                height: pixels(),
                surround: surround(),
              }),
            )
            .max(100)
            .nullable()
            .defined(),
          meets: array()
            .of(string().oneOf(['top', 'right', 'bottom', 'left']).required())
            .required(),
          over: object({
            rounded: number().min(0).required(),
            shade: object({ top: shade(), right: shade(), bottom: shade(), left: shade() }),
          })
            .nullable()
            .defined()
            .default(undefined),
          seen: array()
            .of(
              object({
                screen: pixels(),
                x: number().min(0).required(),
                y: number().min(0).required(),
                width: number().min(0).required(),
                height: number().min(0).required(),
                scale: number().positive().required(),
                covered: number().min(0).max(1).required(),
              }),
            )
            .max(100)
            .nullable()
            .defined(),
          words: boolean().nullable().defined(),
        })
          .nullable()
          .default(null),
      }),
    )
    .required(),
});
