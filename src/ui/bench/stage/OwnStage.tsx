'use client';

import { useCallback, useMemo, useState } from 'react';
import { screenHeightAt } from '@/core/measure/layoutPage';
import { intersect } from '@/core/raster/raster';
import type { OwnPage, OwnPlace } from '@/core/site/model/ownPage';
import type { Page } from '@/core/site/model/page';
import { useKeptPage } from '../../hooks/useKeptPage';
import { useLying } from '../../hooks/useLying';
import { usePageFrame } from '../../hooks/usePageFrame';
import { usePageView } from '../../hooks/usePageView';
import { Sampler } from '../../page/Sampler';
import { PicturesInPage, replacedKey } from '../../page/PicturesInPage';
import { useEditing } from '../useBench';
import { LivePicture } from './LivePicture';
import { PageWordSpots } from './PageWordSpots';
import { StageBoard } from './StageBoard';
import { showingWords, type StageProps } from './stageProps';
import { useWordsOver } from './useWordsOver';

function waitFor(shown: boolean, problem: string | undefined, title: string): string | undefined {
  if (shown) {
    return undefined;
  }
  return problem === undefined ? `Reading ${title}…` : `Your page cannot be shown: ${problem}`;
}

/** The owner's own page around the picture, which lies in it as its file will. */
export function OwnStage({
  page,
  place,
  zoom,
  screenWidth: screen,
  marks,
}: StageProps & { page: Page & { own: OwnPage }; place: OwnPlace }) {
  const { site, slot } = useEditing();
  const { own } = page;
  const [host, setHost] = useState<HTMLDivElement | null>(null);
  const { read, problem } = useKeptPage(own);
  const inside = useMemo(() => ({ current: host }), [host]);
  const { shown, problem: unshown } = usePageFrame(
    inside,
    host ? read?.page : undefined,
    read?.survey,
  );
  // A picture of the page is known at its own width alone.
  const still = own.from === 'picture' ? own.files[0]?.size?.width : undefined;
  const screenWidth = still ?? screen;
  const lying = useLying(shown, own, site);
  const key = replacedKey(own, slot);
  const { view, laid } = usePageView(shown, place, key, slot, screenWidth, lying);
  useWordsOver(view, laid, lying);
  const onScroll = useCallback(
    (above: number, seen: number) => void view?.scroll(above, seen),
    [view],
  );
  const height = laid.height || screenHeightAt(screenWidth);
  const { copy, area } = laid.picture ?? {};
  return (
    <StageBoard
      zoom={zoom}
      marks={marks}
      screenWidth={screenWidth}
      size={{ width: screenWidth, height }}
      fit={{ width: screenWidth, height: copy?.height ?? height }}
      copy={copy}
      area={area}
      anchor={laid.anchor}
      dimensions={copy && area && intersect(copy, area)}
      says={{ ...showingWords, before: 'Your page as it was saved' }}
      wait={waitFor(laid.height > 0, problem ?? unshown, own.title || page.name)}
      onScroll={onScroll}
      page={
        <>
          <div
            ref={setHost}
            inert
            data-testid="own-page"
            className="pointer-events-none absolute top-0 left-0 bg-white"
            style={{ visibility: laid.height > 0 ? 'visible' : 'hidden' }}
          />
          {copy && area && (
            <LivePicture
              rect={copy}
              clip={area}
              page={place.rect ? undefined : (view?.live ?? 'awaited')}
            />
          )}
          {shown && <PicturesInPage site={site} own={own} frame={shown.frame} except={slot.id} />}
        </>
      }
      over={(on) =>
        view && (
          <>
            {marks && <PageWordSpots on={on} width={screenWidth} height={height} />}
            <Sampler
              size={{ width: screenWidth, height: laid.window.height }}
              scale={on.scale}
              left={on.left}
              top={on.top + laid.window.top * on.scale}
              of={laid.window}
              paint={() => view.read()}
            />
          </>
        )
      }
    />
  );
}
