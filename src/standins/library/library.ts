import { array, number, object, string, ValidationError } from 'yup';
import { schemaWords } from '@/core/schemaWords';
import { Refusal } from '@/core/refusal';
import { matches, shapes, type Query, type Shape } from '@/core/shelf/search';
import catalogue from './catalogue.json';

/** A picture as the library tells of it; its file lies under `/library/<id>.jpg`. */
export interface LibraryPicture {
  readonly id: string;
  readonly title: string;
  readonly words: string;
  readonly subject: string;
  readonly width: number;
  readonly height: number;
  readonly maker: string;
  readonly licence: string;
  readonly date: string;
}

export interface LibraryAnswer {
  readonly pictures: readonly LibraryPicture[];
  readonly total: number;
  readonly subjects: readonly string[];
}

/** The question was not understood; the message says what was expected. */
export class LibraryError extends Refusal {
  constructor(
    message: string,
    readonly status: number,
  ) {
    super(message);
  }
}

const all = array()
  .of(
    object({
      id: string().required(),
      title: string().required(),
      words: string().required(),
      subject: string().required(),
      width: number().required(),
      height: number().required(),
      maker: string().required(),
      licence: string().required(),
      date: string().required(),
    }),
  )
  .required()
  .validateSync(catalogue, { strict: true }) as LibraryPicture[];

const querySchema = object({
  words: string().max(100),
  subject: string().max(40),
  shape: string().oneOf([...shapes]),
  leastWidth: number().integer().min(0).max(20000),
  page: number().integer().min(1).max(1000),
});

const perPage = 24;

/**
 * How long the library takes to answer, ms: a little different for each question, as services are,
 * and the same for the same.
 */
export const delayOf = (question: string): number =>
  180 + ([...question].reduce((sum, c) => (sum * 31 + c.charCodeAt(0)) >>> 0, 7) % 420);

/**
 * Answers a search. To show what happens when a service is down, a search for the word “outage”
 * finds it so.
 * @throws LibraryError
 */
export function searchLibrary(question: Readonly<Record<string, string>>): LibraryAnswer {
  let query: {
    words?: string;
    subject?: string;
    shape?: string;
    leastWidth?: number;
    page?: number;
  };
  try {
    query = querySchema.validateSync(
      Object.fromEntries(Object.entries(question).filter(([, v]) => v !== '')),
    );
  } catch (error) {
    if (error instanceof ValidationError) {
      throw new LibraryError(`${schemaWords(error)}.`, 400);
    }
    throw error;
  }
  if (/^\s*outage\s*$/i.test(query.words ?? '')) {
    throw new LibraryError(
      'The library is not to be reached at the moment. Try again in a little while.',
      503,
    );
  }
  const found = all.filter((picture) =>
    matches(picture, { ...query, shape: query.shape as Shape | undefined } satisfies Query),
  );
  const page = query.page ?? 1;
  return {
    pictures: found.slice((page - 1) * perPage, page * perPage),
    total: found.length,
    subjects: [...new Set(all.map((p) => p.subject))].sort(),
  };
}
