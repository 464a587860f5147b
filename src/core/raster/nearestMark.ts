/**
 * The nearest place with a mark for every place: the exact Euclidean distance transform of P. F.
 * Felzenszwalb and D. P. Huttenlocher, "Distance Transforms of Sampled Functions", Theory of
 * Computing 8 (2012), keeping which parabola won.
 * @param marked not 0 where there is a mark; `width * height` values
 * @returns the index of the nearest mark, or −1 everywhere where there is none
 */
export function nearestMark(marked: ArrayLike<number>, width: number, height: number): Int32Array {
  const nearest = new Int32Array(width * height).fill(-1);
  const apex = new Int32Array(width);
  const start = new Float64Array(width + 1);
  const row = new Int32Array(width);
  // Down and up each column: the row of the nearest mark in it.
  const inColumn = new Int32Array(width * height).fill(-1);
  for (let x = 0; x < width; x++) {
    for (let y = 0, last = -1; y < height; y++) {
      if (marked[y * width + x]) {
        last = y;
      }
      inColumn[y * width + x] = last;
    }
    for (let y = height - 1, last = -1; y >= 0; y--) {
      const i = y * width + x;
      const above = inColumn[i];
      if (above === y) {
        last = y;
      }
      if (last >= 0 && (above < 0 || last - y < y - above)) {
        inColumn[i] = last;
      }
    }
  }
  // Along each row: the lower envelope of the parabolas that the columns give.
  for (let y = 0; y < height; y++) {
    let count = 0;
    for (let x = 0; x < width; x++) {
      row[x] = inColumn[y * width + x];
    }
    for (let x = 0; x < width; x++) {
      if (row[x] < 0) {
        continue;
      }
      const height2 = (row[x] - y) ** 2 + x * x;
      let from = -Infinity;
      while (count > 0) {
        const q = apex[count - 1];
        from = (height2 - (row[q] - y) ** 2 - q * q) / (2 * (x - q));
        if (from > start[count - 1]) {
          break;
        }
        count--;
        from = -Infinity;
      }
      apex[count] = x;
      start[count] = from;
      count++;
    }
    if (count === 0) {
      continue;
    }
    for (let x = 0, k = 0; x < width; x++) {
      while (k + 1 < count && start[k + 1] < x) {
        k++;
      }
      nearest[y * width + x] = row[apex[k]] * width + apex[k];
    }
  }
  return nearest;
}
