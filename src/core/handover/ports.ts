import type { Drawing } from '../compose/compose';
import type { OraPicture } from '../openRaster/openRaster';
import type { PageSurvey } from '../ownPage/survey';
import type { Codecs } from '../encode/codecs';
import type { Raster } from '../raster/raster';
import { Refusal } from '../refusal';
import type { SetListener } from '../set/listener';
import type { SetHanded } from '../set/produce';
import type { PieceSet } from '../site/model/pieceSet';
import type { Picture } from '../site/model/picture';
import type { Site } from '../site/model/site';
import type { Slot } from '../site/model/slot';
import type { FontFile } from '../text/fonts';
import type { PlannedFile } from './filePlan';
import type { PackedSite } from './siteFile';
import type { TypedFile } from './zipFiles';

/** A picture in its slot. */
export interface EncodedPicture {
  readonly site: Site;
  readonly slot: Slot;
  readonly picture: Picture;
}

/** What a hand-over is made with; the browser and Node bring their own. */
export interface HandOverPorts extends Pick<Codecs, 'encode'> {
  /** All px of a drawing, with every photo and font it needs. */
  draw(drawing: Drawing): Promise<Raster>;
  asset(assetId: string): Promise<Uint8Array<ArrayBuffer>>;
  /** All files of a theme with its recipe laid on it; asked for a site that has one. */
  theme(set: PieceSet, listener: SetListener): Promise<readonly SetHanded[]>;
  /** All of a raster in another size, px. */
  resize(raster: Raster, width: number, height: number): Promise<Raster>;
  packSite(packed: PackedSite): Promise<Uint8Array<ArrayBuffer>>;
  packPicture(
    picture: OraPicture,
    merged: Uint8Array<ArrayBuffer>,
    thumbnail: Uint8Array<ArrayBuffer>,
  ): Promise<Uint8Array<ArrayBuffer>>;
  shippedFont(file: FontFile): Promise<Uint8Array<ArrayBuffer>>;
  /** What was measured of an own page, out of its text. */
  survey(text: string): Promise<PageSurvey>;
  /** Files that can be written at the same time; one where it is not said. */
  readonly atOnce?: number;
  /**
   * A file as it was written before under that key, or as it is made now.
   * @param pressed the picture whose own file it is, at its size and as it is pressed
   */
  kept?(
    key: string,
    make: () => Promise<Uint8Array<ArrayBuffer>>,
    encoded: EncodedPicture | undefined,
  ): Promise<Uint8Array<ArrayBuffer>>;
}

/** A file of the hand-over. */
export interface HandedFile extends TypedFile {
  /** Of pictures: what was planned. */
  readonly planned?: PlannedFile;
  /** Of a theme's own files: whether it was recoloured. */
  readonly theme?: 'changed' | 'as it was';
}

export interface HandOverListener {
  /** Files that are written, of how many. */
  onProgress(done: number, of: number, path: string): void;
  /** A picture was written. */
  onFile?(file: HandedFile): void;
  /** Asked before each file. */
  wanted(): boolean;
}

/** It was given up. */
export class HandOverStopped extends Refusal {}

/** @throws HandOverStopped where the listener wants no more */
export function stopIfUnwanted({ wanted }: HandOverListener): void {
  if (!wanted()) {
    throw new HandOverStopped('The hand-over was stopped.');
  }
}
