'use client';

import { chain, keepFont, type Edit } from '@/core/site/edit';
import type { Page, TitleBand } from '@/core/site/model/page';
import type { Site } from '@/core/site/model/site';
import { editPage } from '@/core/site/pages';
import { fontOf } from '@/core/text/fonts';
import { titleFont } from '@/core/text/titleLook';
import { useOwnFonts } from '../hooks/useOwnFonts';
import type { Session } from '../hooks/useSession';
import { CommitField } from '../shared/CommitField';
import { FontChoice } from '../shared/FontChoice';
import { ColourSquare, Pixels } from '../shared/PageFields';
import { TitlePlace } from './TitlePlace';

const leastSize = 4;
const mostSize = 400;

/** What a band's title says, where it stands and how it looks. */
export function BandTitle({
  session,
  site,
  page,
  band,
}: {
  session: Session;
  site: Site;
  page: Page;
  band: TitleBand;
}) {
  useOwnFonts(site);
  const change = (part: Partial<TitleBand>): Edit =>
    editPage(page.id, (p) => {
      Object.assign(p.band!, part);
    });
  const set = (label: string, part: Partial<TitleBand>) => session.commit(label, change(part));
  const font = titleFont(band, site);
  return (
    <div
      role="group"
      aria-label="Title in the band"
      className="flex w-[290px] shrink-0 flex-col gap-1.5"
    >
      <CommitField
        label="Words of the title"
        value={band.heading}
        onCommit={(heading) => {
          if (heading.trim() === '') {
            return 'Give the title its words.';
          }
          set('Words of the title', { heading });
        }}
      />
      <div className="flex gap-2">
        <TitlePlace
          value={band}
          onChange={(place, name) => set(`Title at the ${name.toLowerCase()}`, place)}
        />
        <div className="flex min-w-0 flex-col gap-1.5">
          <span className="flex gap-1.5">
            <Pixels
              label="Size of the title"
              value={band.sizePx}
              onCommit={(px) => {
                if (px === null || px < leastSize || px > mostSize) {
                  return `Type a size from ${leastSize} to ${mostSize} px.`;
                }
                set(`Title in ${px} px`, { sizePx: px });
              }}
            />
            <ColourSquare
              label="Colour of the title"
              value={band.ink}
              site={site}
              onCommit={(ink) => set('Colour of the title', { ink })}
            />
          </span>
          <FontChoice
            label="Font of the title"
            fileLabel="A font file for the title"
            className="w-[154px]"
            value={font}
            fonts={site.fonts}
            onFont={(id) =>
              set(`Title in ${fontOf(id, site.fonts).family}`, {
                // As the other headings, and so with them when they change.
                font: id === site.theme.headingFont ? null : id,
              })
            }
            onOwn={(own) =>
              session.commit(
                `Title in ${own.family}`,
                chain(keepFont(own), change({ font: own.id })),
              )
            }
          />
        </div>
      </div>
    </div>
  );
}
