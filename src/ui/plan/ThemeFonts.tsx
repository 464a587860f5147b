'use client';

import { chain, keepFont, setFonts, setFontWeights } from '@/core/site/edit';
import type { Site } from '@/core/site/model/site';
import { fontOf, themeFace } from '@/core/text/fonts';
import { weightName, weightsOf } from '@/core/text/weights';
import { useOwnFonts } from '../hooks/useOwnFonts';
import type { Session } from '../hooks/useSession';
import { Choose } from '../shared/Choose';
import { FontChoice } from '../shared/FontChoice';

const kinds = [
  { kind: 'headings', label: 'Headings' },
  { kind: 'text', label: 'Text' },
] as const;

/** The fonts of the site's headings and of its text. */
export function ThemeFonts({ session, site }: { session: Session; site: Site }) {
  useOwnFonts(site);
  return (
    <section aria-label="Fonts" className="border-t border-line px-3 py-2">
      <h2 className="mb-1.5 caption">Fonts</h2>
      <div className="flex flex-col gap-1.5">
        {kinds.map(({ kind, label }) => {
          const { font, weight } = themeFace(site, kind);
          return (
            <div key={kind} className="flex items-center gap-2">
              <span className="w-16 shrink-0">{label}</span>
              <FontChoice
                label={`Font of the ${kind}`}
                fileLabel={`A font file for the ${kind}`}
                className="w-[150px]"
                value={font.id}
                fonts={site.fonts}
                onFont={(id) =>
                  session.commit(
                    `${label} in ${fontOf(id, site.fonts).family}`,
                    setFonts({ [kind]: id }),
                  )
                }
                onOwn={(own) =>
                  session.commit(
                    `${label} in ${own.family}`,
                    chain(keepFont(own), setFonts({ [kind]: own.id })),
                  )
                }
              />
              <Choose
                label={`Weight of the ${kind}`}
                className="min-w-0 grow basis-0"
                value={String(weight)}
                onChange={(asked) =>
                  session.commit(
                    `${label} in ${weightName(Number(asked)).toLowerCase()}`,
                    setFontWeights({ [kind]: Number(asked) }),
                  )
                }
                choices={weightsOf(font, weight).map((one) => ({
                  value: String(one),
                  label: weightName(one),
                  hint: String(one),
                }))}
              />
            </div>
          );
        })}
      </div>
    </section>
  );
}
