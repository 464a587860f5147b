/**
 * How many random cases a property is tried with: a twelfth of what it is worth, 25 at least.
 * `RANDOM=many npx jest NAME` tries all of them.
 */
export const randomRuns = (many: number): number =>
  process.env.RANDOM === 'many' ? many : Math.min(many, Math.max(25, Math.ceil(many / 12)));
