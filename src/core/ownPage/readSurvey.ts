import { array, boolean, lazy, number, object, string, ValidationError, type Schema } from 'yup';
import { asClause } from '../refusal';
import { schemaWords } from '../schemaWords';
import { PageError } from './pageError';
import type { PageSurvey } from './survey';
import type { StoredSurvey } from './surveyText';

const figure = () => number().required();
const words = () => string().defined();

const rect = () =>
  object({ x: figure(), y: figure(), width: figure(), height: figure() }).required();

const size = object({ width: figure(), height: figure() });

const laid = object({
  repeat: words(),
  position: words(),
  size: words(),
  attachment: words(),
  origin: words(),
  clip: words(),
});

const placed = object({
  rect: rect(),
  source: words(),
  natural: size.optional().default(undefined),
  laid: laid.optional().default(undefined),
  rule: number(),
});

/** A list of names with what each has. */
const named = (value: Schema) =>
  lazy((entries: unknown) =>
    object(
      Object.fromEntries(
        Object.keys((entries as object | undefined) ?? {}).map((name) => [name, value]),
      ),
    ).required(),
  );

const schema = object({
  pictures: array()
    .of(
      object({
        id: words(),
        as: string()
          .oneOf(['background', 'image', 'drawing', 'poster', 'border', 'list mark', 'content'])
          .required(),
        selector: words(),
        pseudo: string().oneOf(['', '::before', '::after', '::marker']).defined(),
        layer: figure(),
        root: boolean().required(),
        words: boolean().required(),
      }),
    )
    .required(),
  parts: array()
    .of(
      object({
        id: words(),
        as: string().oneOf(['content', 'bar', 'section', 'column']).required(),
        selector: words(),
        box: string().oneOf(['border', 'content']).required(),
      }),
    )
    .min(1)
    .required(),
  at: array()
    .of(
      object({
        width: figure(),
        height: figure(),
        placed: named(placed.required()),
        parts: named(rect()),
      }),
    )
    .min(1)
    .required(),
  rules: array()
    .of(
      object({
        sheet: words(),
        selector: words(),
        within: array().of(words()).required(),
        line: number(),
      }),
    )
    .required(),
  occlusions: named(object({ share: figure(), by: words() }).required()),
  look: object({
    width: figure(),
    height: figure(),
    page: words(),
    boxes: array()
      .of(object({ rect: rect(), colour: words(), on: number(), bar: boolean().required() }))
      .required(),
    texts: array()
      .of(
        object({
          rect: rect(),
          words: words(),
          letters: figure(),
          colour: words(),
          on: number(),
          size: figure(),
          weight: figure(),
          family: words(),
          as: string().oneOf(['text', 'heading', 'link']).required(),
          bar: boolean().required(),
        }),
      )
      .required(),
    borders: array()
      .of(object({ colour: words(), length: figure() }))
      .required(),
  }).required(),
});

/**
 * A survey out of its JSON, which may come from anywhere.
 * @throws PageError saying what was expected
 */
export function readSurvey(text: string): PageSurvey {
  let stored: StoredSurvey;
  try {
    stored = schema.validateSync(JSON.parse(text), { strict: true }) as unknown as StoredSurvey;
  } catch (error) {
    const what = error instanceof ValidationError ? ` (${asClause(schemaWords(error))})` : '';
    throw new PageError(`Expected what was measured of a page, found something else${what}.`);
  }
  return {
    ...stored,
    occlusions: new Map(Object.entries(stored.occlusions)),
    at: stored.at.map((at) => ({
      ...at,
      placed: new Map(Object.entries(at.placed)),
      parts: new Map(Object.entries(at.parts)),
    })),
  };
}
