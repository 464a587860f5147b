'use client';

import type { OwnPage, OwnPlace } from '@/core/site/model/ownPage';
import type { Page } from '@/core/site/model/page';
import { useEditing } from '../useBench';
import { DrawnStage } from './DrawnStage';
import { OwnStage } from './OwnStage';
import type { StageProps } from './stageProps';

const isOwn = (page: Page): page is Page & { own: OwnPage } => page.own !== null;

/** The page that the picture lies in: the owner's own where the slot is a place of it. */
export function Stage(props: StageProps) {
  const { slot } = useEditing();
  const { page } = props;
  const place: OwnPlace | undefined = page.own?.places.find((p) => p.slot === slot.id);
  return place && isOwn(page) ? (
    <OwnStage key={page.id} {...props} page={page} place={place} />
  ) : (
    <DrawnStage {...props} />
  );
}
