'use client';

import { scaleLinear, scaleLog } from 'd3-scale';
import { line } from 'd3-shape';
import type { TitleAt, TitleReport } from '@/core/legibility/bandTitle';
import { veilUnderPage } from '@/core/readings/pageWords';
import { editPage } from '@/core/site/pages';
import { BandTitle } from '../../../page/BandTitle';
import { useEditing, useFiled } from '../../useBench';
import { InkChoices, VeilChoices } from './VeilChoices';

const chart = { width: 216, height: 84, left: 26, right: 8, top: 6, bottom: 16 };

/** The title's worst contrast over all screen widths, against what is wanted. */
function ContrastChart({ report }: { report: TitleReport }) {
  const screens = report.at.map((one) => one.screen);
  const x = scaleLinear(
    [screens[0], screens[screens.length - 1]],
    [chart.left, chart.width - chart.right],
  );
  const y = scaleLog([1, 21], [chart.height - chart.bottom, chart.top]);
  const path = line<TitleAt>(
    (one) => x(one.screen),
    (one) => y(Math.max(1, one.worst)),
  )(report.at);
  const least = Math.min(...report.at.map((one) => one.worst));
  return (
    <svg
      role="img"
      aria-label={`Contrast of the title at its worst spot on screens of ${screens[0]} to ${screens[screens.length - 1]} px: ${least.toFixed(1)}:1 at least, ${report.wanted}:1 is wanted`}
      width={chart.width}
      height={chart.height}
      className="figure text-[11px]"
    >
      {[1, 3, 7, 21].map((v) => (
        <text key={v} x={chart.left - 4} y={y(v) + 4} textAnchor="end" className="fill-soft">
          {v}
        </text>
      ))}
      {[360, 1080, 1920].map((v) => (
        <text key={v} x={x(v)} y={chart.height - 3} textAnchor="middle" className="fill-soft">
          {v}
        </text>
      ))}
      <line
        x1={chart.left}
        x2={chart.width - chart.right}
        y1={y(report.wanted)}
        y2={y(report.wanted)}
        className="stroke-warn"
        strokeDasharray="4 3"
      />
      <path
        d={path ?? ''}
        fill="none"
        strokeWidth={1.5}
        className={least < report.wanted ? 'stroke-bad' : 'stroke-act'}
      />
      {report.at
        .filter((one) => !one.fits)
        .map((one) => (
          <rect
            key={one.screen}
            x={x(one.screen) - 2}
            y={chart.height - chart.bottom - 3}
            width={4}
            height={3}
            className="fill-bad"
          />
        ))}
    </svg>
  );
}

/** The page's title over the band: its words and place, and how it reads at every width. */
export function TitleFacet() {
  const { session, site, slot, picture, commit } = useEditing();
  const { encodedFile, readings } = useFiled();
  const page = site.pages.find((p) => p.band?.slot === slot.id);
  if (!page?.band) {
    return null;
  }
  const reading = readings.find((r) => r.id === 'band-title');
  const report = encodedFile.current ? encodedFile.file?.title : undefined;
  return (
    <div className="flex h-full gap-5">
      <BandTitle session={session} site={site} page={page} band={page.band} />
      <div className="flex min-w-0 grow flex-col gap-1 overflow-y-auto [&>*]:shrink-0">
        {report ? (
          <ContrastChart report={report} />
        ) : (
          <p className="text-soft">
            {reading ? 'Measured once the picture rests.' : 'Lay a picture under it first.'}
          </p>
        )}
        {report && reading?.verdict !== 'holds' && (
          <>
            <span className="caption">Veil under it, or it in</span>
            <VeilChoices
              veils={report.veils}
              wanted={report.wanted}
              onVeil={(veil, label) => commit(label, veilUnderPage(picture, veil))}
            />
            <InkChoices
              inks={report.inks}
              what="The title"
              onInk={(ink, label) =>
                commit(
                  label,
                  editPage(page.id, (p) => {
                    p.band!.ink = ink;
                  }),
                )
              }
            />
          </>
        )}
        {reading?.verdict === 'holds' && <p className="text-soft">{reading.plain}.</p>}
      </div>
    </div>
  );
}
