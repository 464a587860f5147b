/** The functions of `assembly/likeness.ts`; what they take is said there. */
export interface LikenessCalls {
  lightOfLevels(
    levels: number,
    pixels: number,
    table: number,
    red: number,
    green: number,
    blue: number,
    out: number,
  ): void;
  blurRows(
    from: number,
    to: number,
    floats: number,
    rows: number,
    first: number,
    last: number,
    step: number,
    radius: number,
    weights: number,
    down: number,
    across: number,
    line: number,
  ): void;
  opponentOfLight(
    light: number,
    around: number,
    pixels: number,
    table: number,
    gain: number,
    offset: number,
    base: number,
  ): void;
  withoutQuads(from: number, other: number, pixels: number, out: number): void;
  detailOf(
    rest: number,
    middle: number,
    width: number,
    rows: number,
    busy: number,
    busyFloats: number,
    kept: number,
    hidden: number,
    hue: number,
    light: number,
    gain: number,
    base: number,
  ): void;
  orderBands(
    detail: number,
    smooth: number,
    coarse: number,
    middle: number,
    width: number,
    rows: number,
    busy: number,
    busyFloats: number,
    blueWithLight: number,
  ): void;
  differQuads(
    fine: number,
    otherFine: number,
    middle: number,
    otherMiddle: number,
    width: number,
    rows: number,
    limits: number,
    wideFine: number,
    wideMiddle: number,
    reach: number,
  ): void;
  seenOfQuads(
    wideFine: number,
    wideMiddle: number,
    wideBytes: number,
    fine: number,
    otherFine: number,
    coarse: number,
    otherCoarse: number,
    hiding: number,
    hidingFloats: number,
    width: number,
    rows: number,
    lines: number,
    count: number,
    weights: number,
    row: number,
    out: number,
  ): void;
  hidingOfPlane(
    busy: number,
    busyFloats: number,
    width: number,
    rows: number,
    shares: number,
    out: number,
    outFloats: number,
  ): void;
}
