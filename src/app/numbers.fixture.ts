/** Numbers from 0 to 1 that are the same in every run (Park and Miller, 1988). */
export function numbers(seed: number): () => number {
  let state = seed;
  return () => (state = (state * 48_271) % 2_147_483_647) / 2_147_483_647;
}
