import type { OwnFont } from '@/core/site/model/theme';
import { FontError } from '@/core/text/fontFile';
import { ownFontId } from '@/core/text/fonts';

type Bytes = Uint8Array<ArrayBuffer>;

/** What a font file says of itself. */
type FontFacts = Omit<OwnFont, 'id' | 'assetId'>;

export interface FontPorts {
  asset(assetId: string): Promise<Bytes>;
  store(bytes: Bytes): Promise<string>;
  /** Reads a font file. @throws FontError */
  read(name: string, bytes: Bytes): Promise<FontFacts>;
  /** Has the browser load a font, to see whether it can. */
  tryOut(bytes: Bytes): Promise<unknown>;
  /** Gives the document a font for words that it draws itself. */
  register(id: string, bytes: Bytes): Promise<void>;
}

/** The owner's fonts: taken in, and given to the document once. */
export class OwnFonts {
  private readonly registered = new Set<string>();

  constructor(private readonly ports: FontPorts) {}

  /** Gives the document those fonts that it has not got yet. */
  async register(fonts: readonly OwnFont[]): Promise<void> {
    const fresh = fonts.filter(({ id }) => !this.registered.has(id));
    fresh.forEach(({ id }) => this.registered.add(id));
    await Promise.all(
      fresh.map(async ({ id, assetId }) => {
        try {
          await this.ports.register(id, await this.ports.asset(assetId));
        } catch {
          // The bench says what is wrong with a font that cannot be read, when a text needs it.
          this.registered.delete(id);
        }
      }),
    );
  }

  /**
   * Takes a font in: checked by its bytes, read, tried by the browser, and stored once.
   * @throws FontError with a message for people; nothing is stored then
   */
  async take(file: {
    readonly name: string;
    arrayBuffer(): Promise<ArrayBuffer>;
  }): Promise<OwnFont> {
    const bytes = new Uint8Array(await file.arrayBuffer());
    const facts = await this.ports.read(file.name, bytes);
    try {
      await this.ports.tryOut(bytes.slice());
    } catch {
      throw new FontError(
        `${file.name}: expected a font that this browser can use, found one that it refuses.`,
      );
    }
    const assetId = await this.ports.store(bytes);
    return { id: ownFontId(assetId), assetId, ...facts };
  }
}
