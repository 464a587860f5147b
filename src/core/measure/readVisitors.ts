import { csvParseRows, dsvFormat } from 'd3-dsv';
import { Refusal } from '../refusal';
import type { VisitorWidth } from '../site/model/site';

/**
 * A list of visitors could not be read; the message says where, what was expected and what was
 * found.
 */
export class VisitorsError extends Refusal {}

const limits = { bytes: 2e6, least: 200, most: 8000, share: 1e12, widths: 500 } as const;

/** A screen width, alone or with a height behind it: `1920`, `1920 px`, `1920x1080`. */
const readWidth = (cell: string): number | undefined => {
  const match = /^(\d{2,5})(?:\s*px)?(?:\s*[x×]\s*\d+(?:\s*px)?)?$/i.exec(cell.trim());
  return match ? Number(match[1]) : undefined;
};

/** A count or share: `1204`, `12.5%`, `1,204`. */
const readShare = (cell: string): number | undefined => {
  const text = cell.trim().replace(/%$/, '');
  const plain = /^\d{1,3}(,\d{3})+$/.test(text) ? text.replaceAll(',', '') : text.replace(',', '.');
  return /^\d+(\.\d+)?$/.test(plain) ? Number(plain) : undefined;
};

/**
 * The separator that the first line has most of; of a semicolon and a comma, the comma is then a
 * decimal one.
 */
function rowsOf(text: string): string[][] {
  const first = text.split('\n', 1)[0];
  const count = (sign: string) => first.split(sign).length;
  if (count(';') > 1 && count(';') >= count(',')) {
    return dsvFormat(';').parseRows(text);
  }
  return count('\t') > count(',') ? dsvFormat('\t').parseRows(text) : csvParseRows(text);
}

/** Adds up shares of equal widths, by width. */
const gathered = (list: readonly VisitorWidth[]): VisitorWidth[] => {
  const sums = new Map<number, number>();
  for (const { width, share } of list) {
    sums.set(width, (sums.get(width) ?? 0) + share);
  }
  return [...sums].map(([width, share]) => ({ width, share })).sort((a, b) => a.width - b.width);
};

/**
 * Visitors by screen width from a CSV file: a width or a size such as 1920x1080 in the first
 * column, how many in the second; a first line of titles is passed over. Commas, semicolons or tabs
 * part the columns.
 * @throws VisitorsError
 */
export function readVisitors(name: string, text: string): VisitorWidth[] {
  if (text.length > limits.bytes) {
    throw new VisitorsError(
      `${name}: expected at most ${limits.bytes / 1e6} MB, found ${(text.length / 1e6).toFixed(1)} MB.`,
    );
  }
  const rows = rowsOf(text.replace(/^\ufeff/, ''));
  const list: VisitorWidth[] = [];
  rows.forEach((cells, i) => {
    if (cells.every((c) => c.trim() === '')) {
      return;
    }
    const where = `${name}, line ${i + 1}`;
    const width = readWidth(cells[0] ?? '');
    const share = readShare(cells[1] ?? '');
    if (i === 0 && width === undefined && share === undefined && cells.length >= 2) {
      return;
    }
    if (width === undefined) {
      throw new VisitorsError(
        `${where}: expected a screen width such as 1440, found “${(cells[0] ?? '').trim().slice(0, 40)}”.`,
      );
    }
    if (share === undefined) {
      throw new VisitorsError(
        `${where}: expected how many visitors, a number, found ${cells.length < 2 ? 'nothing' : `“${cells[1].trim().slice(0, 40)}”`}.`,
      );
    }
    if (width < limits.least || width > limits.most) {
      throw new VisitorsError(
        `${where}: expected a screen width of ${limits.least} to ${limits.most} px, found ${width}.`,
      );
    }
    if (share > limits.share) {
      throw new VisitorsError(
        `${where}: expected at most a million million visitors, found ${cells[1].trim().slice(0, 12)}….`,
      );
    }
    list.push({ width, share });
  });
  if (list.length === 0 || list.every((v) => v.share === 0)) {
    throw new VisitorsError(`${name}: expected lines such as “1440, 312”, found none.`);
  }
  const widths = gathered(list);
  if (widths.length > limits.widths) {
    throw new VisitorsError(
      `${name}: expected at most ${limits.widths} different screen widths, found ${widths.length}.`,
    );
  }
  return widths;
}
