'use client';

import { lazy, Suspense } from 'react';
import type { OwnPage, OwnPlace } from '@/core/site/model/ownPage';
import type { Page } from '@/core/site/model/page';
import { useEditing } from '../useBench';
import { DrawnStage } from './DrawnStage';
import type { StageProps } from './stageProps';

/** Loaded where there is one. */
const OwnStage = lazy(async () => ({ default: (await import('./OwnStage')).OwnStage }));

const isOwn = (page: Page): page is Page & { own: OwnPage } => page.own !== null;

/** The page that the picture lies in: the owner's own where the slot is a place of it. */
export function Stage(props: StageProps) {
  const { slot } = useEditing();
  const { page } = props;
  const place: OwnPlace | undefined = page.own?.places.find((p) => p.slot === slot.id);
  return place && isOwn(page) ? (
    <Suspense fallback={<main className="grow bg-board" />}>
      <OwnStage key={page.id} {...props} page={page} place={place} />
    </Suspense>
  ) : (
    <DrawnStage {...props} />
  );
}
