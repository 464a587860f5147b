'use client';

import { useMemo, useRef } from 'react';
import type { Rect } from '@/core/raster/raster';
import { backPhoto } from '@/core/readings/cover';
import { useAsking, useEditing, useSelecting } from '../useBench';
import { ArrangeArea } from './ArrangeArea';
import type { Area } from './AreaBox';
import { BrushArea } from './BrushArea';
import { FramingArea } from './FramingArea';
import { LineArea } from './LineArea';
import { LoopArea } from './LoopArea';
import { SafeAreaLines } from './SafeAreaLines';
import { SampleArea } from './SampleArea';
import { SunHandle } from './SunHandle';
import { WeakSpots } from './WeakSpots';
import { WhySpot } from './WhySpot';

/**
 * Everything done to the picture on the picture, by what is being asked and which tool was taken.
 */
export function PictureArea({
  rect,
  clip,
  screenScale,
  marks,
}: {
  rect: Rect;
  clip: Rect;
  screenScale: number;
  marks: boolean;
}) {
  const { slot } = useEditing();
  const element = useRef<HTMLDivElement>(null);
  const { x, y, width, height } = rect;
  const scale = (width / slot.width) * screenScale;
  const area = useMemo<Area>(
    () => ({
      rect: { x, y, width, height },
      clip,
      element,
      scale,
      toSlot(event) {
        const box = element.current!.getBoundingClientRect();
        return { x: (event.clientX - box.left) / scale, y: (event.clientY - box.top) / scale };
      },
    }),
    [x, y, width, height, clip, scale],
  );
  return (
    <>
      <Handled area={area} marks={marks} />
      {marks && <WhySpot area={area} />}
    </>
  );
}

/** What the pointer does on the picture just now. */
function Handled({ area, marks }: { area: Area; marks: boolean }) {
  const { picture } = useEditing();
  const { selected, tool } = useSelecting();
  const { question } = useAsking();
  const photo = backPhoto(picture);
  if (question === 2 && photo) {
    return <FramingArea area={area} photo={photo} marks={marks} />;
  }
  if (tool?.kind === 'sample' && selected?.kind === 'photo') {
    return <SampleArea area={area} photo={selected} />;
  }
  if (tool?.kind === 'brush' && selected?.kind === 'photo') {
    return <BrushArea area={area} photo={selected} tool={tool} />;
  }
  if (tool?.kind === 'loop' && selected?.kind === 'photo') {
    return <LoopArea area={area} photo={selected} />;
  }
  if (tool?.kind === 'line' && selected?.kind === 'profile') {
    return <LineArea area={area} profile={selected} />;
  }
  return (
    <>
      <ArrangeArea area={area} marks={marks} />
      {question === 4 && marks && <SunHandle area={area} />}
      {question === 5 && marks && (
        <>
          <SafeAreaLines area={area} />
          <WeakSpots area={area} />
        </>
      )}
    </>
  );
}
