'use client';

import { inspectPicture } from '@/core/measure/inspect';
import { Refusal } from '@/core/refusal';
import type { LinePoint } from '@/core/site/model/blendLayers';
import { theEngine } from './tab/engine';

/**
 * The upper outline of what a picture shows, as a line.
 * @throws Error with a message for people
 */
export async function outlineOf(file: File): Promise<readonly LinePoint[]> {
  const bytes = new Uint8Array(await file.arrayBuffer());
  inspectPicture(file.name, bytes);
  const points = await theEngine().outline(bytes);
  if (!points) {
    throw new Refusal(
      `${file.name}: nothing stands out against the top of it. Choose a picture with a plain sky or wall above, or one with a see-through ground.`,
    );
  }
  return points;
}
