'use client';

import { useEditing, useFiled } from '../useBench';
import { AreaSvg } from './AreaSvg';
import type { Area } from './AreaBox';
import { Spot } from './Spot';

/**
 * Marks where words are hardest to read, with the contrast there, while it is asked whether all
 * blends.
 */
export function WeakSpots({ area }: { area: Area }) {
  const { encodedFile } = useFiled();
  const { slot } = useEditing();
  const px = 1 / area.scale;
  const texts = encodedFile.current ? encodedFile.file?.texts : undefined;
  const weak = Object.entries(texts ?? {}).filter(
    ([, { contrast, wanted }]) => contrast.worst < wanted,
  );
  return (
    <AreaSvg area={area} alone testId="weak-spots">
      {weak.map(([id, { contrast }]) => (
        <Spot
          key={id}
          x={contrast.at.x + 0.5}
          y={contrast.at.y + 0.5}
          contrast={contrast.worst}
          px={px}
          width={slot.width}
        />
      ))}
    </AreaSvg>
  );
}
