import { areApart, patched, type TextPatch } from '@/core/files/textPatch';
import { addressPatches, withAddressesOf } from '@/core/ownPage/cssAddresses';
import type { FrozenPage } from '@/core/ownPage/frozen';
import { boundedSheet } from '@/core/theme/boundedSheet';
import type { PageScheme } from './scheme';

/** A style sheet of the page, and what stands in its place. */
interface Sheet {
  readonly link: HTMLLinkElement;
  /** As the page has it, its addresses by their keys, and as it came. */
  readonly frozen: string;
  readonly original: string;
  /** As it came last. */
  text: string;
  style: HTMLStyleElement | undefined;
  /** What lays it out as it came, once that was asked; null where that cannot be told so. */
  laying: readonly TextPatch[] | null | undefined;
}

/** What is put in place of style sheets, by their paths. */
export interface SheetTexts {
  readonly sheets: ReadonlyMap<string, string>;
  /** How they come of those of the page, where that is known. */
  readonly patches?: ReadonlyMap<string, readonly TextPatch[]>;
}

const utf8 = new TextDecoder();

/** Puts other texts in place of a page's style sheets while it stays laid out. */
export class Restyled {
  private readonly sheets: ReadonlyMap<string, readonly Sheet[]>;

  /** @param named exchanges keys of files for their addresses */
  constructor(
    private readonly document: Document,
    page: Pick<FrozenPage, 'files'>,
    addresses: ReadonlyMap<string, string>,
    private readonly scheme: PageScheme,
    private readonly named: (text: string) => string,
  ) {
    const links = [...document.querySelectorAll<HTMLLinkElement>('link[rel~="stylesheet" i]')];
    this.sheets = new Map(
      page.files
        .filter(({ type, original }) => type === 'text/css' && original)
        .map(({ key, path, bytes, original }) => {
          const address = addresses.get(key);
          const own = links.filter((link) => link.href === address);
          const [frozen, came] = [utf8.decode(bytes), utf8.decode(original)];
          return [
            path,
            own.map((link) => ({
              link,
              frozen,
              original: came,
              text: came,
              style: undefined,
              laying: undefined,
            })),
          ];
        }),
    );
  }

  /**
   * @param texts of style sheets as they would be handed over; undefined for those of the page itself
   * @returns false where one of them cannot be exchanged; those before it are
   */
  put(texts: SheetTexts | undefined): boolean {
    for (const [path, own] of this.sheets) {
      for (const sheet of own) {
        const text = texts?.sheets.get(path) ?? sheet.original;
        if (sheet.text !== text && !this.exchange(sheet, text, texts?.patches?.get(path))) {
          return false;
        }
      }
    }
    return true;
  }

  /** It is read through only where patches do not tell what it comes to: that lasts. */
  private laid(sheet: Sheet, text: string, patches?: readonly TextPatch[]): string | undefined {
    if (patches && patched(sheet.original, patches) === text) {
      if (sheet.laying === undefined) {
        sheet.laying = this.layingOf(sheet);
      }
      const both = sheet.laying && [...sheet.laying, ...patches];
      if (both && areApart(both)) {
        return patched(sheet.original, both);
      }
    }
    const css = withAddressesOf(boundedSheet(text).text, sheet.frozen);
    return css === undefined ? undefined : this.named(css);
  }

  private layingOf({ original, frozen }: Sheet): readonly TextPatch[] | null {
    const patches =
      boundedSheet(original).cut === undefined ? addressPatches(original, frozen) : undefined;
    return patches?.map((patch) => ({ ...patch, text: this.named(patch.text) })) ?? null;
  }

  private exchange(sheet: Sheet, text: string, patches?: readonly TextPatch[]): boolean {
    const css = this.laid(sheet, text, patches);
    if (css === undefined || !sheet.link.sheet) {
      return false;
    }
    const style = this.document.createElement('style');
    style.media = sheet.link.media;
    style.textContent = css;
    const before = sheet.style?.sheet ?? undefined;
    (sheet.style ?? sheet.link).after(style);
    sheet.style?.remove();
    sheet.link.sheet.disabled = true;
    sheet.style = style;
    sheet.text = text;
    this.scheme.renew(style.sheet!, css, before);
    return true;
  }
}
