import { array, lazy, mixed, number, object, string, type Schema } from 'yup';
import { hexField as hex } from '../colour/hexField';
import { slotKinds } from '../slots/registry';
import { mostVersions } from './versions';
import { format, insidePath, pixels, id, text } from './schemaFields';

const besideSchemas: Readonly<Record<string, Schema>> = {
  page: object({ from: string() }),
  colour: object({ from: string(), colour: hex() }),
  slot: object({ from: string(), slot: id() }),
};

const side = () =>
  lazy(
    (beside: { from?: string } | null | undefined) =>
      besideSchemas[beside?.from ?? ''] ?? mixed().nullable().oneOf([null]).defined(),
  );

/** Px beyond a slot's side. */
const beyond = () => number().integer().min(0).max(400).required();

const length = () =>
  object({ value: number().required(), unit: string().oneOf(['px', '%']).required() }).required();

const lengthOrAuto = () =>
  lazy((value: unknown) => (value === 'auto' ? string().oneOf(['auto']).required() : length()));

const measuredSchemas: Readonly<Record<string, Schema>> = {
  columns: object({
    from: string(),
    parts: array()
      .of(
        object({
          what: string().oneOf(['column', 'gap', 'padding', 'border']).required(),
          px: number().integer().min(0).required(),
        }),
      )
      .required(),
  }),
  section: object({
    from: string(),
    height: pixels(),
    share: number().integer().min(1).required(),
  }),
  known: object({ from: string(), name: text() }),
  picture: object({ from: string(), name: text() }),
  stylesheet: object({ from: string(), file: text(), line: number().integer().min(1).required() }),
};

/** More than there are readings. */
const mostMeant = 100;

export const slotSchema = object({
  id: id(),
  name: text(),
  kind: string()
    .oneOf(slotKinds.map((k) => k.kind))
    .required(),
  width: pixels(),
  height: pixels(),
  repeat: string().oneOf(['no-repeat', 'repeat', 'repeat-x', 'repeat-y']).required(),
  position: object({ x: length(), y: length() }).required(),
  size: lazy((size: unknown) =>
    typeof size === 'string'
      ? string().oneOf(['cover', 'contain']).required()
      : object({ x: lengthOrAuto(), y: lengthOrAuto() }).required(),
  ),
  attachment: string().oneOf(['scroll', 'fixed']).required(),
  offset: object({ x: number().integer().required(), y: number().integer().required() }).required(),
  measured: lazy(
    (measured: { from?: string } | null | undefined) =>
      measuredSchemas[measured?.from ?? ''] ?? mixed().nullable().oneOf([null]).defined(),
  ),
  replaces: lazy((path: unknown) => (path === null ? mixed().nullable().defined() : insidePath())),
  beside: object({ top: side(), right: side(), bottom: side(), left: side() }).required(),
  overlap: object({ top: beyond(), right: beyond(), bottom: beyond(), left: beyond() }).required(),
  narrowSize: object({
    below: pixels(),
    width: number().min(1).max(1000).required(),
    height: number().min(1).max(400).required(),
  })
    .nullable()
    .defined()
    .default(undefined),
  narrow: object({ slot: id(), below: pixels() }).nullable().defined().default(undefined),
  lends: string().oneOf(['top', 'right', 'bottom', 'left']).nullable().defined(),
  fileName: string()
    .matches(/^[a-z0-9][a-z0-9._-]*$/i)
    .required(),
  budgetBytes: number().integer().min(1).required(),
  pictureId: id(),
  meant: array().of(id()).max(mostMeant).required(),
  versions: array()
    .of(object({ pictureId: id(), name: text() }))
    .max(mostVersions)
    .required(),
  accepts: array().of(format()).min(1).required(),
});
