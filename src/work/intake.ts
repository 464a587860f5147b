import { createStore, type StoreApi } from 'zustand/vanilla';
import { IntakeError } from '@/core/measure/intakeError';
import type { PhotoMipLevel, ReadPhoto } from '@/core/frame/photos';
import { clauseOf, wordsOf } from '@/core/refusal';
import { shelfItem } from '@/core/shelf/item';
import type { ShelfItem } from '@/core/site/model/shelf';

type Bytes = Uint8Array<ArrayBuffer>;

/** A file that an owner gives: a `File` in the browser. */
export interface GivenFile {
  readonly name: string;
  arrayBuffer(): Promise<ArrayBuffer>;
}

export interface IntakePorts {
  /** What a file is by its bytes. @throws IntakeError */
  inspect(name: string, bytes: Bytes): Promise<{ readonly format: string }>;
  /** Decodes all of a photo. @throws Error in words that go on from “the picture, but” */
  read(bytes: Bytes): Promise<ReadPhoto>;
  /** Stores bytes once. @returns their id */
  store(bytes: Bytes): Promise<string>;
  /** Hands decoded pixels to whoever draws with them. */
  adopt(assetId: string, photo: PhotoMipLevel): Promise<void>;
  /** Says to the owner why a file was refused. */
  refused(words: string): void;
}

/** Refusals that are each said in full; what more there are is said together. */
const saidOneByOne = 3;

/** Names that are told of those. */
const mostNamed = 12;

const moreRefused = (names: readonly string[]): string =>
  `${names.length} more ${names.length === 1 ? 'file was' : 'files were'} not taken: ${names.slice(0, mostNamed).join(', ')}${names.length > mostNamed ? ' and others' : ''}.`;

/** What is being read. */
export interface Reading {
  /** Its name, with its place among several. */
  readonly words: string;
  /** Share of the files that are done, 0..1. */
  readonly share: number;
}

/** Takes pictures in: checked by their bytes, decoded as a whole, stored once. */
export class Intake {
  readonly state: StoreApi<{ readonly reading: Reading | undefined }> = createStore(() => ({
    reading: undefined,
  }));
  private run = 0;

  constructor(private readonly ports: IntakePorts) {}

  /** @throws IntakeError with a message for people; nothing is stored then */
  async shelve(fileName: string, bytes: Bytes, source: string): Promise<ShelfItem> {
    const { format } = await this.ports.inspect(fileName, bytes);
    const { photo, size } = await this.ports.read(bytes).catch((error: unknown) => {
      throw new IntakeError(
        `${fileName}: expected a whole ${format.toUpperCase()} picture, but ${clauseOf(error)}.`,
      );
    });
    const assetId = await this.ports.store(bytes);
    await this.ports.adopt(assetId, photo);
    return shelfItem({
      assetId,
      name: fileName.replace(/^.*\//, '').replace(/\.[a-z]+$/i, ''),
      ...size,
      format,
      bytes: bytes.length,
      source,
    });
  }

  /** Takes files in one after the other; what is refused is said and changes nothing. */
  async take(files: readonly GivenFile[], onItem: (item: ShelfItem) => void): Promise<void> {
    const own = ++this.run;
    const refused: string[] = [];
    for (const [i, file] of files.entries()) {
      if (this.run !== own) {
        return;
      }
      const words = files.length > 1 ? `${i + 1} of ${files.length}, ${file.name}` : file.name;
      this.state.setState({ reading: { words, share: i / files.length } });
      try {
        const bytes = new Uint8Array(await file.arrayBuffer());
        const item = await this.shelve(file.name, bytes, 'own file');
        if (this.run === own) {
          onItem(item);
        }
      } catch (error) {
        if (refused.push(file.name) <= saidOneByOne) {
          this.ports.refused(wordsOf(error));
        }
      }
    }
    if (refused.length > saidOneByOne) {
      this.ports.refused(moreRefused(refused.slice(saidOneByOne)));
    }
    if (this.run === own) {
      this.state.setState({ reading: undefined });
    }
  }

  /** Leaves out what has not been read yet. */
  cancel(): void {
    this.run++;
    this.state.setState({ reading: undefined });
  }
}
