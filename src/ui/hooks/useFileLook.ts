'use client';

import { drawingOf } from '@/core/compose/drawing';
import { useEffect, useState } from 'react';
import type { Raster } from '@/core/raster/raster';
import type { Picture } from '@/core/site/model/picture';
import type { Slot } from '@/core/site/model/slot';
import { theEngine } from './services';

/** The pixels of a file that is held up; undefined while there is none or it is being decoded. */
export function useHeldFile(
  held: { readonly data: Uint8Array<ArrayBuffer> } | undefined,
): Raster | undefined {
  const [decoded, setDecoded] = useState<{ data: Uint8Array; raster: Raster }>();
  useEffect(() => {
    if (!held) {
      return;
    }
    let current = true;
    theEngine()
      .decode(held.data)
      .then(
        (raster) => {
          if (current) {
            setDecoded({ data: held.data, raster });
          }
        },
        () => {
          /* It was decoded when it was tried. */
        },
      );
    return () => {
      current = false;
    };
  }, [held]);
  return held && decoded?.data === held.data ? decoded.raster : undefined;
}

/** What a file has lost of the picture, amplified; undefined while it is worked out. */
export function useDifference(
  file: Raster | undefined,
  slot: Slot,
  picture: Picture,
): Raster | undefined {
  const [found, setFound] = useState<{ file: Raster; raster: Raster }>();
  useEffect(() => {
    if (!file) {
      return;
    }
    let current = true;
    void theEngine()
      .pixels(drawingOf(slot, picture))
      .then((drawn) => {
        if (current && drawn.width === file.width && drawn.height === file.height) {
          return theEngine()
            .archive.difference(drawn, file, 8)
            .then((raster) => current && setFound({ file, raster }));
        }
      });
    return () => {
      current = false;
    };
    // The file is of this very state.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [file]);
  return found && found.file === file ? found.raster : undefined;
}
