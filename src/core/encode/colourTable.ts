/** The colours of a picture, in the order in which they come, and which of them each px has. */
export interface ColourTable {
  /** As 32 bits of the picture's own order. */
  readonly colours: Uint32Array;
  /** How many px have each. */
  readonly counts: Uint32Array;
  /** Of each px the number of its colour. */
  readonly of: Uint32Array;
}

/** Spreads colours that are alike over a table (D. Knuth, TAOCP 3, section 6.4: by the golden ratio). */
const spread = 0x9e3779b1;

/**
 * Finds and counts colours.
 * @param px of a picture, each as 32 bits
 */
export function colourTable(px: Uint32Array): ColourTable {
  let bits = 12;
  let slots = new Uint32Array(1 << bits);
  let colours = new Uint32Array(1 << (bits - 1));
  let counts = new Uint32Array(1 << (bits - 1));
  const of = new Uint32Array(px.length);
  let found = 0;
  /** Where a colour stands in the table, or the free place for it. A slot has one more than a number. */
  const placeOf = (colour: number): number => {
    let at = Math.imul(colour, spread) >>> (32 - bits);
    while (slots[at] !== 0 && colours[slots[at] - 1] !== colour) {
      at = (at + 1) & (slots.length - 1);
    }
    return at;
  };
  const grow = () => {
    bits++;
    slots = new Uint32Array(1 << bits);
    const room = (list: Uint32Array) => {
      const more = new Uint32Array(1 << (bits - 1));
      more.set(list);
      return more;
    };
    colours = room(colours);
    counts = room(counts);
    for (let n = 0; n < found; n++) {
      slots[placeOf(colours[n])] = n + 1;
    }
  };
  for (let i = 0; i < px.length; i++) {
    const colour = px[i];
    let at = placeOf(colour);
    if (slots[at] === 0) {
      if (found === colours.length) {
        grow();
        at = placeOf(colour);
      }
      colours[found] = colour;
      slots[at] = ++found;
    }
    const number = slots[at] - 1;
    counts[number]++;
    of[i] = number;
  }
  return { colours: colours.subarray(0, found), counts: counts.subarray(0, found), of };
}
