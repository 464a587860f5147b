const steps: Readonly<Record<string, number>> = {
  ArrowDown: 1,
  ArrowRight: 1,
  ArrowUp: -1,
  ArrowLeft: -1,
};

/** Which way an arrow key goes in a list: 1 forward, -1 back, 0 for any other key. */
export const arrowStep = (key: string): number => steps[key] ?? 0;
