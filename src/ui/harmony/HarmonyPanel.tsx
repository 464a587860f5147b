'use client';

import Link from 'next/link';
import { useEffect, useMemo, useState } from 'react';
import { applyHarmony, surfaceAssets } from '@/core/harmony/applyHarmony';
import { setFonts } from '@/core/site/edit';
import { chain } from '@/core/site/edit';
import type { Page } from '@/core/site/model/page';
import { fontOf } from '@/core/text/fonts';
import { useHarmonies } from '../hooks/useHarmonies';
import { useLetterFacts } from '../hooks/useLetterFacts';
import { useMainColours } from '../hooks/useMainColours';
import { useCommitted, type Session } from '../hooks/useSession';
import { Button } from '../shared/Button';
import { Group } from '../shared/Group';
import { notify } from '../shared/notices';
import { Switch } from '../shared/Switch';
import { Colours } from './Colours';
import { PartnerChoice } from './PartnerChoice';
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
  const harmonies = useHarmonies(() => theme.colours[0]?.hex ?? page.bar.colour);
  const { chosen } = harmonies;
  const [stays, setStays] = useState<'headings' | 'text'>('headings');
  const [partner, setPartner] = useState<string>();
  const other = stays === 'headings' ? 'text' : 'headings';
  const surfaces = useMemo(() => surfaceAssets(site), [site]);
  const mains = useMainColours(surfaces, site.shelf);
  const font = fontOf(stays === 'headings' ? theme.headingFont : theme.bodyFont, site.fonts);
  const letters = useLetterFacts(font, site.fonts);
  // What is tried shows on the page, and anew on whatever else is done meanwhile.
  useEffect(() => {
    if (!chosen && partner === undefined) {
      session.dropPreview();
      return;
    }
    session.preview(
      chain(
        ...(chosen ? [applyHarmony(chosen, mains)] : []),
        setFonts(partner === undefined ? {} : { [other]: partner }),
      ),
    );
  }, [session, site, chosen, mains, other, partner]);
  useEffect(() => () => session.dropPreview(), [session]);
  const setColours = () => {
    if (chosen) {
      harmonies.choose(undefined);
      session.commit(`Colours: ${harmonyTitles[chosen.kind]}`, applyHarmony(chosen, mains));
      notify(
        'done',
        `${page.own ? 'The theme has' : 'The theme and its page have'} these colours. Undo brings the old ones back.`,
      );
    }
  };
  const setPartners = () => {
    if (partner !== undefined) {
      setPartner(undefined);
      session.commit(
        `${other === 'text' ? 'Text' : 'Headings'} in ${fontOf(partner, site.fonts).family}`,
        setFonts({ [other]: partner }),
      );
    }
  };
  return (
    <div className="flex flex-col gap-3 p-3">
      <Colours
        session={session}
        site={site}
        harmonies={harmonies}
        ready={chosen !== undefined}
        onSet={setColours}
        onDone={onDone}
      >
        {page.own && (
          <p className="text-soft">
            These become the theme’s colours. Your own page keeps its style sheets as they are:{' '}
            <Link
              href={`/sites/${site.id}/recolour`}
              className="text-act underline underline-offset-2"
            >
              recolour them
            </Link>{' '}
            to see such colours on it.
          </p>
        )}
      </Colours>
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
            as={other}
            words={page.body.heading || site.name}
            chosen={partner}
            onChoose={(f) => setPartner(f.id)}
          />
        )}
      </Group>
    </div>
  );
}
