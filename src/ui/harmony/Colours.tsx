'use client';

import type { ReactNode } from 'react';
import { shelve } from '@/core/site/edit';
import type { Site } from '@/core/site/model/site';
import type { Harmonies } from '../hooks/useHarmonies';
import { useIntake } from '../hooks/useIntake';
import type { Session } from '../hooks/useSession';
import { Button } from '../shared/Button';
import { Group } from '../shared/Group';
import { HarmonyChoice } from './HarmonyChoice';
import { SeedChoice } from './SeedChoice';

/** What colours are to go with, and the sets there are. */
export function Colours({
  session,
  site,
  harmonies,
  ready,
  onSet,
  onDone,
  children,
}: {
  session: Session;
  site: Site;
  harmonies: Harmonies;
  /** The chosen set can be set. */
  ready: boolean;
  onSet(): void;
  onDone(): void;
  /** What is to be said of them. */
  children?: ReactNode;
}) {
  const { take, busy } = useIntake();
  const { seed, lead, list, chosen, problem, setSeed, choose } = harmonies;
  const keepPhoto = (file: File) =>
    void take([file], (item) => {
      session.commit(`Put ${item.name} on the shelf`, shelve(item));
      setSeed({ assetId: item.assetId, size: item });
    });
  return (
    <>
      <Group title="Go together with" aside={<Button onClick={onDone}>Back</Button>}>
        <SeedChoice
          seed={seed}
          lead={lead}
          theme={site.theme.colours}
          photos={site.shelf}
          onSeed={setSeed}
          onPhoto={keepPhoto}
        />
      </Group>
      <Group
        title="Colours"
        aside={
          <Button variant="main" disabled={!ready} onClick={onSet}>
            Set these colours
          </Button>
        }
      >
        {list.length === 0 &&
          (problem === undefined ? (
            <p role="status" className="text-soft">
              {busy === undefined ? 'Looking at the photograph…' : `Reading ${busy}…`}
            </p>
          ) : (
            <p role="alert" className="text-bad">
              No colours could be read from this photograph. {problem}
            </p>
          ))}
        <HarmonyChoice
          harmonies={list}
          chosen={chosen?.kind}
          onChoose={(harmony) => choose(harmony.kind)}
        />
        {children}
      </Group>
    </>
  );
}
