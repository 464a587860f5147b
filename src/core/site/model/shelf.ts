/** A picture at hand; `assetId` is the SHA-256 of its bytes. */
export interface ShelfItem {
  readonly assetId: string;
  readonly name: string;
  readonly width: number;
  readonly height: number;
  readonly format: string;
  readonly bytes: number;
  readonly maker: string;
  /** Where it is from: a library, an address, the owner's own camera. */
  readonly source: string;
  /** Identifier in the list of licences, or the owner's own words; empty while nothing is known. */
  readonly licence: string;
  /** Day it was made or taken over, YYYY-MM-DD; empty while it is not known. */
  readonly date: string;
  /** The owner has made sure that it may be used. */
  readonly rightsChecked: boolean;
  /** Words to find it by. */
  readonly subject: string;
}
