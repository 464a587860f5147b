import { kindByName } from './kindByName';
import { pathOf, readTheme, type BackgroundFound, type SheetText } from '../theme/readTheme';
import type { SlotKind } from '../site/model/slot';
import { slotKind } from '../slots/registry';
import { scanSheet } from './scanSheet';
import { isSource } from './sources';

/** What a picture of a theme is for. */
export interface Role {
  /** In a few words, for a table. */
  readonly title: string;
  /** The kind of slot it would have on the plan. */
  readonly kind: SlotKind;
  /** The rule it was found by; undefined where no style sheet speaks of it. */
  readonly where?: { readonly selector: string; readonly file: string; readonly line: number };
  /** How it is laid as a background. */
  readonly laid?: BackgroundFound;
}

const words: readonly (readonly [RegExp, string])[] = [
  [/button|btn/, 'Button'],
  [/menu|nav|tab\b/, 'Menu end'],
  [/bullet|list/, 'Bullet'],
  [/corner|round/, 'Corner'],
  [/icon|ico\b|search|arrow|rss|feed/, 'Icon'],
  [/footer/, 'Footer'],
  [/quote/, 'Quote mark'],
  [/rule|line|sep/, 'Line'],
  [/shadow|fade/, 'Shadow'],
];

function titleOf(
  kind: SlotKind,
  subject: string,
  property: string,
  laid: BackgroundFound | undefined,
  { width, height }: { width: number; height: number },
): string {
  if (property.startsWith('border-image')) {
    return 'Border corners';
  }
  if (property.startsWith('list-style')) {
    return 'Bullet';
  }
  if (property.startsWith('cursor')) {
    return 'Pointer';
  }
  const strip =
    (laid?.repeat === 'repeat-x' && width <= 64) || (laid?.repeat === 'repeat-y' && height <= 64);
  if (kind === 'background') {
    if (strip) {
      return 'Gradient strip';
    }
    if (laid && laid.repeat !== 'no-repeat') {
      return 'Background tile';
    }
    return 'Page background';
  }
  if (kind !== 'piece') {
    return kind === 'divider' ? 'Divider' : slotKind(kind).title;
  }
  const byWord = words.find(([word]) => word.test(subject))?.[1];
  const byLaying = laid ? 'Background' : 'Picture';
  return byWord ?? (strip ? 'Strip' : byLaying);
}

/**
 * What each picture is for, by the rules that lay it, or by its name where none does.
 * @param all sheets of the theme, with their paths; sources among them lay nothing
 */
export function rolesOf(
  all: readonly SheetText[],
  pieces: readonly { readonly path: string; readonly width: number; readonly height: number }[],
): Map<string, Role> {
  const sheets = all.filter((s) => !isSource(s.path));
  const { backgrounds } = readTheme(sheets);
  const uses = new Map<
    string,
    { selector: string; property: string; file: string; line: number }
  >();
  for (const { path: file, text } of sheets) {
    for (const d of scanSheet(text)) {
      for (const url of d.urls) {
        const path = pathOf(url, file);
        if (path !== null && !uses.has(path)) {
          uses.set(path, { selector: d.selector, property: d.property, file, line: d.line });
        }
      }
    }
  }
  return new Map(
    pieces.map((piece) => {
      const use = uses.get(piece.path);
      const rules = backgrounds.filter((b) => b.path === piece.path);
      const laid =
        rules.find((b) => b.widths.min === undefined && b.widths.max === undefined) ?? rules[0];
      const selector = laid?.selector ?? use?.selector;
      const kind = use && !laid ? 'piece' : kindByName(laid, piece.path, piece);
      const name = piece.path.split('/').at(-1)!.toLowerCase();
      const where = laid
        ? { selector: laid.selector, file: laid.file, line: laid.line }
        : use && { selector: use.selector, file: use.file, line: use.line };
      return [
        piece.path,
        {
          title: titleOf(
            kind,
            `${selector ?? ''} ${name}`.toLowerCase(),
            use?.property ?? '',
            laid,
            piece,
          ),
          kind,
          ...(where && { where }),
          ...(laid && { laid }),
        },
      ];
    }),
  );
}
