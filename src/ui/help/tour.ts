import { createStore } from 'zustand/vanilla';

/** A step of the way through the sample. */
export interface TourStep {
  readonly title: string;
  readonly says: string;
  /** Where in the sample it is: behind `/sites/…`. */
  readonly path: string;
  /** What it shows: the element that carries this as `data-tour`. */
  readonly shows: string;
}

export const tourSteps: readonly TourStep[] = [
  {
    title: 'The page, drawn to scale',
    says: 'This is a studio’s page as its visitors see it. Each number is a slot: a place for one picture of an exact size.',
    path: '',
    shows: 'board',
  },
  {
    title: 'What was found',
    says: 'Everything is measured, and what is not as it should be stands here, the worst first. “Why” explains, “Put right” mends.',
    path: '',
    shows: 'findings',
  },
  {
    title: 'Seven questions',
    says: 'On the bench one picture is made, lying in its page. The questions follow the work; each shows its answer, and you may go to any of them.',
    path: '/slots/header',
    shows: 'questions',
  },
  {
    title: 'Measured while you work',
    says: 'Whatever you change is measured at once: edges, words, weight. Nothing is lost, and every step can be undone.',
    path: '/slots/header',
    shows: 'readings',
  },
  {
    title: 'Hand over',
    says: 'In the end there are files, style sheet lines and credits for your host. Rehearse first: the page is served as it will be.',
    path: '/hand-over',
    shows: 'archive',
  },
];

/** The site that is shown and the step, while somebody is shown round. */
export interface Touring {
  readonly siteId: string;
  readonly step: number;
}

export const tour = createStore<{ readonly on: Touring | undefined }>(() => ({ on: undefined }));

export const beginTour = (siteId: string): void => tour.setState({ on: { siteId, step: 0 } });
export const leaveTour = (): void => tour.setState({ on: undefined });
export const goToStep = (step: number): void =>
  tour.setState(({ on }) => ({ on: on && { ...on, step } }));

/** The address that begins the tour with the sample. */
export const tourAddress = '/?tour';
