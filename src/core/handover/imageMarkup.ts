import { formatOf } from '../encode/formats/registry';
import { fileSize, overlapOf } from '../frame/overlap';
import type { Slot } from '../site/model/slot';
import { addressOf, escapeHtml } from './escape';
import type { PlannedFile, SlotFiles } from './filePlan';
import { below } from '../theme/cssText';

/** What a file is to a browser. */
export const typeOf = ({ settings }: PlannedFile): string => formatOf(settings.format).mediaType;

/** One file of a slot at a scale, the modern one or the fallback. */
export const fileAt = (
  files: readonly PlannedFile[],
  scale: number,
  fallback: boolean,
): PlannedFile | undefined => files.find((f) => f.scale === scale && f.fallback === fallback);

/** The file every browser knows. */
export const plainFile = (files: readonly PlannedFile[]): PlannedFile =>
  fileAt(files, 1, true) ?? files[0];

/** The files of one format as candidates by their width, with how wide they are shown. */
function candidates(
  files: readonly PlannedFile[],
  fallback: boolean,
  shown: number,
): string | undefined {
  const list = files.filter((f) => f.fallback === fallback).sort((a, b) => a.width - b.width);
  if (list.length === 0) {
    return undefined;
  }
  return list.length === 1
    ? `srcset="${addressOf(list[0].path)}"`
    : `srcset="${list.map((f) => `${addressOf(f.path)} ${f.width}w`).join(', ')}" sizes="(max-width: ${shown}px) 100vw, ${shown}px"`;
}

/**
 * An `img`, in a `picture` with its sources where there are several formats or a second
 * arrangement.
 */
export function imageMarkup(
  name: string,
  slot: Slot,
  { files, picture }: SlotFiles,
  narrow: { files: SlotFiles; below: number; slot: Slot } | undefined,
): string {
  const whole = fileSize(slot, overlapOf(slot));
  const plain = plainFile(files);
  const sources: string[] = [];
  const older = files.some((f) => f.fallback);
  const own = candidates(files, older, whole.width)!;
  const alone = files.filter((f) => f.fallback === older).length === 1;
  if (narrow) {
    for (const fallback of [false, true]) {
      const first = narrow.files.files.find((f) => f.fallback === fallback);
      const list = first && candidates(narrow.files.files, fallback, narrow.slot.width);
      if (first) {
        sources.push(
          `<source media="${below(narrow.below)}"${fallback || !narrow.files.files.some((f) => f.fallback) ? '' : ` type="${typeOf(first)}"`} ${list} width="${narrow.slot.width}" height="${narrow.slot.height}">`,
        );
      }
    }
  }
  if (older) {
    sources.push(
      `<source type="${typeOf(files.find((f) => !f.fallback)!)}" ${candidates(files, false, whole.width)}>`,
    );
  }
  const img = `<img class="${name}" src="${addressOf(plain.path)}"${alone ? '' : ` ${own}`} width="${whole.width}" height="${whole.height}" alt="${escapeHtml(picture.decorative ? '' : picture.alt.trim())}">`;
  return sources.length > 0
    ? `<picture>\n${[...sources, img].map((line) => `  ${line}\n`).join('')}</picture>`
    : img;
}
