'use client';

import { useMemo } from 'react';
import { fileArea, fileCopy, firstCopy } from '@/core/measure/background';
import { layoutPage, type LaidSlot } from '@/core/measure/layoutPage';
import { PageDrawing } from '../../page/PageDrawing';
import { DrawnSampler } from '../../page/DrawnSampler';
import { useEditing } from '../useBench';
import { LivePicture } from './LivePicture';
import { StageBoard } from './StageBoard';
import { liveCanvas, showingWords, type StageProps } from './stageProps';

/** The drawn page around the picture, with the picture lying in its slot. */
export function DrawnStage({ page, screenWidth, ...rest }: StageProps) {
  const { site, slot } = useEditing();
  const layout = useMemo(() => layoutPage(site, page, screenWidth), [site, page, screenWidth]);
  const laid = layout.boxes.find((p): p is LaidSlot => p.type === 'slot' && p.slot.id === slot.id);
  return (
    <StageBoard
      {...rest}
      screenWidth={screenWidth}
      size={layout}
      fit={layout}
      copy={laid && firstCopy(laid)}
      area={laid?.rect}
      anchor={laid && firstCopy(laid)}
      says={{ ...showingWords, before: 'The photo before anything was laid on it' }}
      page={
        <PageDrawing
          site={site}
          layout={layout}
          active={slot}
          live={(p) => <LivePicture rect={fileCopy(p)} clip={fileArea(p)} />}
        />
      }
      over={(on) => (
        <DrawnSampler
          site={site}
          layout={layout}
          {...on}
          live={{ slotId: slot.id, canvas: liveCanvas }}
        />
      )}
    />
  );
}
