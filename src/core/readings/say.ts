/** Bytes as kilobytes of 1000, the way hosts count: one decimal below 100. */
export function kilobytes(bytes: number): string {
  const kb = bytes / 1000;
  return `${kb >= 100 ? Math.round(kb) : kb.toFixed(1)} KB`;
}
