import { isWithin, type Spans } from '@/core/files/spans';
import { areApart, patched, type TextPatch } from '@/core/files/textPatch';
import { layingPatches, withAddressesOf } from '@/core/ownPage/cssAddresses';
import type { FrozenPage } from '@/core/ownPage/frozen';
import { boundedSheet } from '@/core/theme/boundedSheet';
import type { PageScheme } from './scheme';

/** What lays a style sheet out as it came, put into the text it came with. */
interface Laying {
  readonly came: string;
  /** Null where that cannot be told by patches. */
  readonly patches: readonly TextPatch[] | null;
}

/** The same without idle rules. */
interface Base {
  readonly laying: Laying;
  readonly idle: Spans | undefined;
  readonly patches: Laying['patches'];
}

/** What lays a style sheet out, by its text and by that of the page. */
export type ReadLaying = (came: string, frozen: string) => Promise<readonly TextPatch[] | null>;

/** A style sheet of the page, and what stands in its place. */
interface Sheet {
  readonly link: HTMLLinkElement;
  /** As the page has it, its addresses by their keys, and as it came. */
  readonly frozen: string;
  readonly original: string;
  style: HTMLStyleElement | undefined;
  /** What the style has; undefined where the page's own is shown. */
  css: string | undefined;
  laying: Laying | undefined;
  base: Base | undefined;
}

/** What is put in place of style sheets, by their paths. */
export interface SheetTexts {
  /** The texts that patches are of. */
  readonly came: ReadonlyMap<string, string>;
  readonly patches: ReadonlyMap<string, readonly TextPatch[]>;
  /** The texts with all patches, where they are known. */
  readonly sheets?: ReadonlyMap<string, string>;
  /** Rules that select nothing on the page; nothing is known of patches in them. */
  readonly idle?: ReadonlyMap<string, Spans>;
}

const utf8 = new TextDecoder();

/** The parts without blanks between them. */
function joined(spans: Spans, text: string): { from: number; to: number }[] {
  const out: { from: number; to: number }[] = [];
  for (let i = 0; i < spans.length; i += 2) {
    const [from, to] = [spans[i], spans[i + 1]];
    const last = out.at(-1);
    if (last && text.slice(last.to, from).trim() === '') {
      last.to = to;
    } else {
      out.push({ from, to });
    }
  }
  return out;
}

const outside = (patches: readonly TextPatch[], idle: Spans | undefined): readonly TextPatch[] =>
  idle ? patches.filter(({ from }) => !isWithin(idle, from)) : patches;

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
              style: undefined,
              css: undefined,
              laying: undefined,
              base: undefined,
            })),
          ];
        }),
    );
  }

  /**
   * Reads what takes long beforehand, elsewhere.
   * @param came the texts that patches will be of
   */
  async ready(came: SheetTexts['came'], read: ReadLaying): Promise<void> {
    for (const [path, own] of this.sheets) {
      for (const sheet of own) {
        const text = came.get(path);
        if (text !== undefined) {
          sheet.laying = { came: text, patches: await read(text, sheet.frozen) };
        }
      }
    }
  }

  /**
   * @param texts of style sheets as they would be handed over; undefined for those of the page itself
   * @returns false where one of them cannot be exchanged; those before it are
   */
  put(texts: SheetTexts | undefined): boolean {
    for (const [path, own] of this.sheets) {
      for (const sheet of own) {
        const wanted = texts?.sheets?.get(path);
        if (!texts?.came.has(path) || wanted === sheet.original) {
          this.putBack(sheet);
        } else if (!this.exchange(sheet, this.laid(sheet, path, texts))) {
          return false;
        }
      }
    }
    return true;
  }

  /** It is read through only where patches do not tell what it comes to: that lasts. */
  private laid(sheet: Sheet, path: string, texts: SheetTexts): string | undefined {
    const came = texts.came.get(path)!;
    const patches = texts.patches.get(path) ?? [];
    const idle = texts.idle?.get(path);
    if (sheet.laying?.came !== came) {
      sheet.laying = { came, patches: layingPatches(came, sheet.frozen) };
    }
    if (sheet.base?.laying !== sheet.laying || sheet.base.idle !== idle) {
      sheet.base = this.baseOf(sheet.laying, idle);
    }
    const base = sheet.base.patches;
    const both = base && [...base, ...outside(patches, idle)];
    if (both && areApart(both)) {
      return patched(came, both);
    }
    const text = texts.sheets?.get(path);
    const css = text && withAddressesOf(boundedSheet(text).text, sheet.frozen);
    return css === undefined ? undefined : this.named(css);
  }

  private baseOf(laying: Laying, idle: Spans | undefined): Base {
    const left = idle ? joined(idle, laying.came).map((part) => ({ ...part, text: '' })) : [];
    const patches =
      laying.patches &&
      outside(laying.patches, idle)
        .map((patch) => ({ ...patch, text: this.named(patch.text) }))
        .concat(left);
    return { laying, idle, patches };
  }

  private exchange(sheet: Sheet, css: string | undefined): boolean {
    if (css === undefined || !sheet.link.sheet) {
      return false;
    }
    if (css === sheet.css) {
      return true;
    }
    const style = this.document.createElement('style');
    style.media = sheet.link.media;
    style.textContent = css;
    const before = sheet.style?.sheet ?? undefined;
    (sheet.style ?? sheet.link).after(style);
    sheet.style?.remove();
    sheet.link.sheet.disabled = true;
    sheet.style = style;
    sheet.css = css;
    this.scheme.renew(style.sheet!, css, before);
    return true;
  }

  private putBack(sheet: Sheet): void {
    if (sheet.style) {
      this.scheme.forget(sheet.style.sheet!);
      sheet.style.remove();
      sheet.link.sheet!.disabled = false;
    }
    sheet.style = undefined;
    sheet.css = undefined;
  }
}
