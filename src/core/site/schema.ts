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
import { recipeSchema } from '../layers/recipe';
import { Refusal } from '../refusal';
import { schemaWords } from '../schemaWords';
import { migrate, MigrationError } from './migrate';
import { schemaVersion, type Site } from './model/site';
import { brokenReference } from './references';
import { unsoundNumber } from './soundNumbers';
import { pixels, id, slotRef, text, weight } from './schemaFields';
import { ownPageSchema } from './ownPageSchema';
import { pictureSchema } from './pictureSchema';
import { slotSchema } from './slotSchema';
import { setSchema } from './setSchema';

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
    measured: array()
      .of(object({ screen: pixels(), width: number().min(0).max(20000).required() }))
      .min(2)
      .nullable()
      .defined(),
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
  band: object({
    ...stretch,
    heading: text(),
    align: string().oneOf(['left', 'centre', 'right']).required(),
    high: string().oneOf(['top', 'middle', 'bottom']).required(),
    sizePx: number().min(4).max(400).required(),
    font: string().min(1).nullable().defined(),
    boxed: boolean().required(),
    slot: slotRef(),
  })
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
  own: ownPageSchema.nullable().defined().default(undefined),
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
    headingWeight: weight(),
    bodyFont: id(),
    bodyWeight: weight(),
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
    pageFiles: boolean().required(),
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
export class SiteError extends Refusal {}

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
    if (error instanceof ValidationError) {
      throw new SiteError(schemaWords(error));
    }
    if (error instanceof MigrationError) {
      throw new SiteError(error.message);
    }
    throw error;
  }
}
