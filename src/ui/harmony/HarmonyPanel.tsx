'use client';

import { useEffect, useMemo, useState } from 'react';
import { applyHarmony, setFonts, surfaceAssets } from '@/core/harmony/applyHarmony';
import { harmoniesOf, type HarmonyKind } from '@/core/harmony/harmony';
import { chain, shelve } from '@/core/site/edit';
import type { Page } from '@/core/site/model/page';
import { fontOf } from '@/core/text/fonts';
import { useIntake } from '../hooks/useIntake';
import { useLetterFacts } from '../hooks/useLetterFacts';
import { useMainColours } from '../hooks/useMainColours';
import { usePhotoSeed } from '../hooks/usePhotoSeed';
import { useCommitted, type Session } from '../hooks/useSession';
import { Button } from '../shared/Button';
import { Group } from '../shared/Group';
import { say } from '../shared/notices';
import { Switch } from '../shared/Switch';
import { HarmonyChoice } from './HarmonyChoice';
import { PartnerChoice } from './PartnerChoice';
import { SeedChoice, type Seed } from './SeedChoice';
import { harmonyTitles } from './words';

/** Colours and fonts that go together, each seen on the page while it is chosen. */
export function HarmonyPanel({
  session,
  page,
  onDone,
}: {
  session: Session;
  page: Page;
  onDone(): void;
}) {
  const site = useCommitted(session);
  const { theme } = site;
  const [seed, setSeed] = useState<Seed>(() => ({
    colour: theme.colours[0]?.hex ?? page.bar.colour,
  }));
  const [kind, setKind] = useState<HarmonyKind>();
  const [stays, setStays] = useState<'headings' | 'text'>('headings');
  const [partner, setPartner] = useState<string>();
  const photo = usePhotoSeed('assetId' in seed ? seed.assetId : undefined);
  const { take, busy } = useIntake();
  const { lead, second } = 'colour' in seed ? { lead: seed.colour } : (photo.seed ?? {});
  const harmonies = useMemo(
    () => (lead === undefined ? [] : harmoniesOf({ lead, ...(second && { second }) })),
    [lead, second],
  );
  const surfaces = useMemo(() => surfaceAssets(site), [site]);
  const mains = useMainColours(surfaces);
  const chosen = harmonies.find((h) => h.kind === kind);
  const font = fontOf(stays === 'headings' ? theme.headingFont : theme.bodyFont, site.fonts);
  const letters = useLetterFacts(font);
  // What is tried shows on the page, and anew on whatever else is done meanwhile.
  useEffect(() => {
    if (!chosen && partner === undefined) {
      session.dropPreview();
      return;
    }
    session.preview(
      chain(
        ...(chosen ? [applyHarmony(chosen, mains)] : []),
        setFonts({ [stays === 'headings' ? 'text' : 'headings']: partner }),
      ),
    );
  }, [session, site, chosen, mains, stays, partner]);
  useEffect(() => () => session.dropPreview(), [session]);
  const keepPhoto = (file: File) =>
    void take([file], (item) => {
      session.commit(`Put ${item.name} on the shelf`, shelve(item));
      setSeed({ assetId: item.assetId });
    });
  const setColours = () => {
    if (chosen) {
      setKind(undefined);
      session.commit(`Colours: ${harmonyTitles[chosen.kind]}`, applyHarmony(chosen, mains));
      say('done', 'The theme and its page have these colours. Undo brings the old ones back.');
    }
  };
  const setPartners = () => {
    if (partner !== undefined) {
      setPartner(undefined);
      session.commit(
        `${stays === 'headings' ? 'Text' : 'Headings'} in ${fontOf(partner, site.fonts).family}`,
        setFonts({ [stays === 'headings' ? 'text' : 'headings']: partner }),
      );
    }
  };
  const reading = busy === undefined ? 'Looking at the photograph…' : `Reading ${busy}…`;
  return (
    <div className="flex flex-col gap-3 p-3">
      <Group title="Go together with" aside={<Button onClick={onDone}>Back</Button>}>
        <SeedChoice
          seed={seed}
          lead={lead}
          theme={theme.colours}
          photos={site.shelf}
          onSeed={setSeed}
          onPhoto={keepPhoto}
        />
      </Group>
      <Group
        title="Colours"
        aside={
          <Button variant="main" disabled={!chosen} onClick={setColours}>
            Set these colours
          </Button>
        }
      >
        {harmonies.length === 0 &&
          (photo.problem === undefined ? (
            <p role="status" className="text-soft">
              {reading}
            </p>
          ) : (
            <p role="alert" className="text-bad">
              No colours could be read from this photograph. {photo.problem}
            </p>
          ))}
        <HarmonyChoice harmonies={harmonies} chosen={kind} onChoose={(h) => setKind(h.kind)} />
        {page.own && (
          <p className="text-soft">
            These become the theme’s colours. Your own page keeps its style sheets as they are until
            you recolour them.
          </p>
        )}
      </Group>
      <Group
        title="Fonts"
        aside={
          <Button variant="main" disabled={partner === undefined} onClick={setPartners}>
            Set this font
          </Button>
        }
      >
        <Switch
          label="Font that stays"
          value={stays}
          onChange={(value) => {
            setStays(value);
            setPartner(undefined);
          }}
          choices={[
            { value: 'headings', label: `Keep ${fontOf(theme.headingFont, site.fonts).family}` },
            { value: 'text', label: `Keep ${fontOf(theme.bodyFont, site.fonts).family} for text` },
          ]}
        />
        {letters && (
          <PartnerChoice
            stays={font}
            letters={letters}
            as={stays === 'headings' ? 'text' : 'headings'}
            words={page.body.heading || site.name}
            chosen={partner}
            onChoose={(f) => setPartner(f.id)}
          />
        )}
      </Group>
    </div>
  );
}
