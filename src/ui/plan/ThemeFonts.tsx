'use client';

import { chain, keepFont, setFonts } from '@/core/site/edit';
import type { Site } from '@/core/site/model/site';
import { faceName, fontOf } from '@/core/text/fonts';
import { useOwnFonts } from '../hooks/useOwnFonts';
import type { Session } from '../hooks/useSession';
import { FontChoice } from '../shared/FontChoice';

const kinds = [
  { kind: 'headings', label: 'Headings', of: 'headingFont' },
  { kind: 'text', label: 'Text', of: 'bodyFont' },
] as const;

/** The fonts of the site's headings and of its text. */
export function ThemeFonts({ session, site }: { session: Session; site: Site }) {
  useOwnFonts(site);
  return (
    <section aria-label="Fonts" className="border-t border-line px-3 py-2">
      <h2 className="mb-1.5 caption">Fonts</h2>
      <div className="flex flex-col gap-1.5">
        {kinds.map(({ kind, label, of }) => {
          const font = fontOf(site.theme[of], site.fonts);
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
              <span
                aria-hidden
                className="min-w-0 truncate text-[15px]"
                style={{ fontFamily: `"${faceName(font.id)}"` }}
              >
                {kind === 'headings' ? 'Out of the kiln' : 'Thrown by hand'}
              </span>
            </div>
          );
        })}
      </div>
    </section>
  );
}
