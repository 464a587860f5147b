'use client';

import { useEffect, useMemo } from 'react';
import { colourOf } from '@/core/colour/parse';
import { isLight } from '@/core/legibility/contrast';
import { layHarmonyOnSet } from '@/core/set/edits';
import type { RecolouredSheets } from '@/core/set/recolourSheets';
import type { PageColours } from '@/core/set/harmonyOnSheets';
import type { Edit } from '@/core/site/edit';
import type { PieceSet } from '@/core/site/model/pieceSet';
import type { Site } from '@/core/site/model/site';
import { Colours } from '../harmony/Colours';
import { harmonyTitles } from '../harmony/words';
import { useHarmonies } from '../hooks/useHarmonies';
import type { SetScan } from '../hooks/usePieceSet';
import { useSetColours } from '../hooks/useSetPage';
import { useSetHarmony } from '../hooks/useSetHarmony';
import { useCommitted, type Session } from '../hooks/useSession';

/** Something that is seen and not kept yet. */
export interface Trial {
  readonly label: string;
  readonly edit: Edit;
  /** It was kept. */
  onKept(): void;
}

/**
 * A theme stays light or dark as it is: its pictures follow in hue, and notes that keep their
 * meaning keep their ground too.
 */
const groundOf = (colours: PageColours | null | undefined): 'light' | 'dark' =>
  colours && !isLight(colourOf(colours.content ?? colours.page)) ? 'dark' : 'light';

/** Colours that go together for a whole theme, each seen on its page while it is chosen. */
export function SetHarmonyPanel({
  session,
  site,
  set,
  looked,
  followed,
  onTrial,
  onDone,
}: {
  session: Session;
  site: Site;
  set: PieceSet;
  looked: SetScan;
  followed: RecolouredSheets | undefined;
  /** What is tried now. */
  onTrial(trial: Trial | undefined): void;
  onDone(): void;
}) {
  const committed = useCommitted(session);
  const colours = useSetColours(set);
  const harmonies = useHarmonies(() => set.to, groundOf(colours));
  const { chosen, choose } = harmonies;
  const made = useSetHarmony(chosen, colours, looked.sheets, set.from, followed);
  const trial = useMemo(
    () =>
      chosen && made
        ? {
            label: `Colours: ${harmonyTitles[chosen.kind]}`,
            edit: layHarmonyOnSet(made.laid, made.id),
            onKept: () => choose(undefined),
          }
        : undefined,
    [chosen, made, choose],
  );
  useEffect(() => {
    onTrial(trial);
    if (trial) {
      session.preview(trial.edit);
    } else {
      session.dropPreview();
    }
  }, [session, committed, trial, onTrial]);
  useEffect(
    () => () => {
      onTrial(undefined);
      session.dropPreview();
    },
    [session, onTrial],
  );
  const keep = () => {
    if (trial) {
      trial.onKept();
      session.commit(trial.label, trial.edit);
    }
  };
  return (
    <div className="flex h-full flex-col gap-3 overflow-y-auto bg-white p-3">
      <Colours
        session={session}
        site={site}
        harmonies={harmonies}
        ready={trial !== undefined}
        onSet={keep}
        onDone={onDone}
      >
        {colours === null && (
          <p className="text-warn">
            This set has no page and no style sheet, so there is nothing that these colours could be
            laid on.
          </p>
        )}
      </Colours>
    </div>
  );
}
