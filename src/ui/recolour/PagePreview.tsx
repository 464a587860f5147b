'use client';

import { useMemo } from 'react';
import { layOnPlan } from '@/core/set/edits';
import type { Role } from '@/core/set/roles';
import { applyEdit } from '@/core/site/edit';
import type { Hex } from '@/core/site/model/hex';
import type { Page } from '@/core/site/model/page';
import type { PieceSet } from '@/core/site/model/pieceSet';
import type { Site } from '@/core/site/model/site';
import { layoutPage } from '@/core/measure/layoutPage';
import { PageDrawing } from '../page/PageDrawing';
import { useMeasure } from '../shared/useMeasure';

const screen = 1280;

/** The page's plan with the pieces that have a place on it, as they become. */
export function PagePreview({
  site,
  set,
  page,
  roles,
  ground,
}: {
  site: Site;
  set: PieceSet;
  page: Page;
  roles: ReadonlyMap<string, Role>;
  ground: Hex | undefined;
}) {
  const [ref, room] = useMeasure();
  const laid = useMemo(
    () => applyEdit(site, layOnPlan(set, roles, page.id, ground)),
    [site, set, roles, page.id, ground],
  );
  const layout = useMemo(
    () => layoutPage(laid, laid.pages.find((p) => p.id === page.id) ?? page, screen),
    [laid, page],
  );
  const scale = room.width ? (room.width - 16) / screen : 0;
  return (
    <div
      ref={ref}
      className="h-full overflow-y-auto bg-board p-2"
      role="img"
      aria-label={`${page.name} with the recoloured pieces, at a screen of ${screen} px`}
      data-testid="page-preview"
    >
      {scale > 0 && (
        <div className="relative" style={{ height: layout.height * scale }}>
          <div style={{ transform: `scale(${scale})`, transformOrigin: '0 0' }}>
            <PageDrawing site={laid} layout={layout} />
          </div>
        </div>
      )}
    </div>
  );
}
