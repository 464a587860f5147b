/** Longest side of a slot that Soyez makes, px. */
export const longestSide = 8000;

export type PixelsRead =
  | { readonly ok: true; readonly px: number; readonly note?: string }
  | { readonly ok: false; readonly message: string };

const perInch = 96;
const units: Readonly<Record<string, number>> = {
  px: 1,
  '': 1,
  in: perInch,
  '"': perInch,
  inch: perInch,
  inches: perInch,
  cm: perInch / 2.54,
  mm: perInch / 25.4,
  pt: perInch / 72,
};

/**
 * Reads a length someone typed. Only pixels count on a screen; other lengths are converted at 96 px
 * to the inch (CSS Values and Units Level 4, section 6.2) and that is said.
 */
export function readPixels(text: string): PixelsRead {
  const match = /^(\d+(?:[.,]\d+)?)\s*([a-z"]*)$/i.exec(text.trim());
  if (!match) {
    return { ok: false, message: `Expected a number of pixels, found “${text.trim()}”.` };
  }
  const unit = match[2].toLowerCase();
  const factor = units[unit];
  const value = Number(match[1].replace(',', '.'));
  if (factor === undefined) {
    const found = /^(dpi|ppi)$/.test(unit)
      ? `${unit}: a resolution changes nothing on a screen`
      : `“${match[2]}”`;
    return { ok: false, message: `Expected pixels, found ${found}.` };
  }
  const px = Math.round(value * factor);
  if (px < 1 || px > longestSide) {
    return { ok: false, message: `Expected 1 to ${longestSide} px, found ${px} px.` };
  }
  const exact = px === value * factor;
  if (factor !== 1) {
    return {
      ok: true,
      px,
      note: `Only pixels count on a screen: ${text.trim()} is read as ${px} px.`,
    };
  }
  return exact ? { ok: true, px } : { ok: true, px, note: `Whole pixels only: read as ${px} px.` };
}
