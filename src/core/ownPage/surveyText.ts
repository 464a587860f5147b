import type { PageSurvey } from './survey';

type Stored<T> = T extends ReadonlyMap<string, infer V> ? Record<string, V> : T;
/** A survey as plain data: maps as objects. */
export type StoredSurvey = Omit<PageSurvey, 'at' | 'occlusions'> & {
  readonly occlusions: Stored<PageSurvey['occlusions']>;
  readonly at: readonly {
    [K in keyof PageSurvey['at'][number]]: Stored<PageSurvey['at'][number][K]>;
  }[];
};

/** A survey as JSON, for it is kept with its page. */
export function surveyText(survey: PageSurvey): string {
  const stored: StoredSurvey = {
    ...survey,
    occlusions: Object.fromEntries(survey.occlusions),
    at: survey.at.map((at) => ({
      ...at,
      placed: Object.fromEntries(at.placed),
      parts: Object.fromEntries(at.parts),
    })),
  };
  return JSON.stringify(stored);
}
