import {
  array,
  boolean,
  lazy,
  mixed,
  number,
  object,
  string,
  ValidationError,
  type Schema,
} from 'yup';
import { hexField as hex } from '../colour/hexField';
import { layerSchema } from '../layers/registry';
import { recipeSchema } from '../layers/recipe';
import { pressFormats } from '../press/formats/registry';
import { slotKinds } from '../slots/registry';
import { migrate, MigrationError } from './migrate';
import type { Layer } from './model/layer';
import { schemaVersion, type Site } from './model/site';
import { brokenReference } from './references';
import { unsoundNumber } from './soundNumbers';

const pixels = () => number().integer().min(1).max(20000).required();
/** Letters, figures and a few signs: an id is part of addresses and of names in archives. */
const id = () =>
  string()
    .matches(/^[a-z0-9][a-z0-9:_.-]{0,199}$/i, ({ path }) => `Expected ${path} as a plain id`)
    .required();
const slotRef = () => string().nullable().defined();
const text = () => string().defined();

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

const format = () => string().oneOf(pressFormats).required();

const press = () =>
  object({
    format: format(),
    quality: number().integer().min(1).max(100).required(),
    lossless: boolean().required(),
    colours: number().integer().min(2).max(256).nullable().defined(),
    chroma: string().oneOf(['full', 'half']).required(),
    table: number().integer().min(0).max(8).required(),
  });

const aimSchemas: Readonly<Record<string, Schema>> = {
  care: object({ by: string(), care: string().oneOf(['close', 'careful', 'light']).required() }),
  bytes: object({ by: string(), bytes: number().integer().min(1).required() }),
};

const pictureSchema = object({
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
  alt: text(),
  decorative: boolean().required(),
});

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

/** Below a folder, and not out of it, with no sign that ends or hides a name. */
const insidePath = () =>
  string()
    .matches(
      /^(?![/\\]|[a-z]:)(?!(.*[/\\])?\.\.([/\\]|$))[^\u0000-\u001f\u007f]{1,1000}$/i,
      'Expected a path inside the theme’s folder',
    )
    .required();

const slotSchema = object({
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
  accepts: array().of(format()).min(1).required(),
});

const stretch = {
  height: number().integer().min(0).max(20000).required(),
  colour: hex(),
  ink: hex(),
};

const backgroundSchemas: Readonly<Record<string, Schema>> = {
  default: object({ type: string() }),
  none: object({ type: string() }),
  own: object({ type: string(), slot: id() }),
};

const pageSchema = object({
  id: id(),
  name: text(),
  ground: hex(),
  content: object({
    px: number().integer().min(1).nullable().defined(),
    percent: number().min(1).max(100).nullable().defined(),
  })
    .test(
      'content-width',
      'Expected a content width in px, in percent, or both',
      ({ px, percent }) => px !== null || percent !== null,
    )
    .required(),
  background: lazy(
    (background: { type?: string } | undefined) =>
      backgroundSchemas[background?.type ?? ''] ??
      mixed().oneOf(['a default, own or no background']).required(),
  ),
  bar: object({
    ...stretch,
    links: array().of(string().required()).required(),
    markSlot: slotRef(),
  }).required(),
  headerSlot: slotRef(),
  band: object({ ...stretch, heading: text(), boxed: boolean().required(), slot: slotRef() })
    .nullable()
    .defined(),
  body: object({
    ...stretch,
    heading: text(),
    sidebars: array()
      .of(
        object({
          side: string().oneOf(['left', 'right']).required(),
          width: pixels(),
          slot: slotRef(),
        }),
      )
      .max(2)
      .required(),
  }).required(),
  sections: array()
    .of(object({ ...stretch, heading: text(), dividerSlot: slotRef() }))
    .required(),
  pieces: array().of(id()).required(),
});

const setFile = {
  path: insidePath(),
  assetId: id(),
  bytes: number().integer().min(0).required(),
};

const setSchema = object({
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

const siteSchema = object({
  schemaVersion: number().oneOf([schemaVersion]).required(),
  id: id(),
  name: text(),
  theme: object({
    colours: array()
      .of(object({ name: text(), hex: hex() }))
      .required(),
    headingFont: id(),
    bodyFont: id(),
  }).required(),
  pages: array().of(pageSchema).min(1).required(),
  defaultBackground: slotRef(),
  slots: array().of(slotSchema).required(),
  pictures: lazy((pictures: object | undefined) =>
    object(
      Object.fromEntries(Object.keys(pictures ?? {}).map((key) => [key, pictureSchema as Schema])),
    ),
  ),
  shelf: array()
    .of(
      object({
        assetId: id(),
        name: text(),
        width: pixels(),
        height: pixels(),
        format: id(),
        bytes: number().integer().min(0).required(),
        maker: text(),
        source: text(),
        licence: text(),
        date: text(),
        rightsChecked: boolean().required(),
        subject: text(),
      }),
    )
    .required(),
  visitors: array()
    .of(object({ width: pixels(), share: number().min(0).required() }))
    .required(),
  visitorsInvented: boolean().required(),
  ownSizes: array()
    .of(object({ name: text(), width: pixels(), height: pixels() }))
    .required(),
  limits: object({
    sideMargin: number().integer().min(0).max(2000).required(),
    phoneText: number().min(1).max(100).required(),
    calm: number().min(0).max(100).required(),
    phoneBytes: number().integer().min(1).required(),
  }).required(),
  handOver: object({
    twice: boolean().required(),
    narrow: boolean().required(),
    fallback: boolean().required(),
  }).required(),
  recipes: array().of(recipeSchema).required(),
  set: setSchema.nullable().defined().default(undefined),
  fonts: array()
    .of(
      object({
        id: string()
          .matches(/^own:./)
          .required(),
        assetId: id(),
        family: text(),
        xHeight: number().min(0).max(2).required(),
        contrast: number().min(0).required(),
        weights: array().of(number().min(1).max(1000).required()).length(2).required(),
      }),
    )
    .required(),
});

/** A site could not be read; the message says what was expected. */
export class SiteError extends Error {}

/**
 * Checks a site that comes from outside the program, down to its numbers and references; one of an
 * older version is brought up to this one first.
 * @throws SiteError saying which field was expected as what
 */
export function readSite(value: unknown): Site {
  try {
    const site = siteSchema.validateSync(migrate(value), {
      strict: true,
      abortEarly: true,
    }) as unknown as Site;
    const problem = unsoundNumber(site) ?? brokenReference(site);
    if (problem !== undefined) {
      throw new SiteError(problem);
    }
    return site;
  } catch (error) {
    if (error instanceof ValidationError || error instanceof MigrationError) {
      throw new SiteError(error.message);
    }
    throw error;
  }
}
