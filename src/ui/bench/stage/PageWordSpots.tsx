'use client';

import { useAsking, usePageWords } from '../useBench';
import { Spot } from './Spot';
import type { OnBoard } from './StageBoard';

/** Marks where words of the page are hardest to read over the picture, while that is asked. */
export function PageWordSpots({
  on: { scale, left, top },
  width,
  height,
}: {
  on: OnBoard;
  width: number;
  height: number;
}) {
  const { question } = useAsking();
  const { over, top: from } = usePageWords();
  const weak = over?.words.filter(({ contrast, wanted }) => contrast.worst < wanted) ?? [];
  return question === 5 && weak.length > 0 ? (
    <svg
      className="pointer-events-none absolute overflow-visible"
      style={{ left, top }}
      width={width * scale}
      height={height * scale}
      fill="none"
      data-testid="page-word-spots"
    >
      {weak.slice(0, 6).map(({ selector, text, contrast }) => (
        <Spot
          key={`${selector} ${text}`}
          x={(contrast.at.x + 0.5) * scale}
          y={(from + contrast.at.y + 0.5) * scale}
          contrast={contrast.worst}
          px={1}
          width={width * scale}
        />
      ))}
    </svg>
  ) : null;
}
