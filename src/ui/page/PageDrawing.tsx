'use client';

import type { CSSProperties, ReactNode } from 'react';
import { liveTexts, liveWords, type LiveWords } from '@/core/handover/liveText';
import { drawnBackground, fileArea, firstCopy } from '@/core/measure/background';
import type { PageLayout, LaidBox, LaidSlot } from '@/core/measure/layoutPage';
import { hasOverlap, overlapOf } from '@/core/frame/overlap';
import type { Rect } from '@/core/raster/raster';
import type { Site } from '@/core/site/model/site';
import type { Slot } from '@/core/site/model/slot';
import { isContent } from '@/core/slots/registry';
import { pictureOf } from '@/core/site/picture';
import { faceName, themeFace } from '@/core/text/fonts';
import { titleFont, titleLeading, titleStands, titleWeight } from '@/core/text/titleLook';
import { useThumb } from '../hooks/useThumb';

const css = (r: Rect) => ({
  position: 'absolute' as const,
  left: r.x,
  top: r.y,
  width: r.width,
  height: r.height,
});

/**
 * All of an area but one rectangle, px of the page: what is drawn there is see-through in part, and
 * would be seen twice.
 */
function besides(area: Rect, { x, y, width, height }: Rect): string {
  const left = x - area.x;
  const top = y - area.y;
  return `path(evenodd, "M0 0H${area.width}V${area.height}H0ZM${left} ${top}h${width}v${height}h${-width}Z")`;
}

/** The slot's picture as it was last drawn, laid as its style sheet will lay it. */
function SlotPicture({ site, box, without }: { site: Site; box: LaidSlot; without?: Rect }) {
  const url = useThumb(site, box.slot);
  return (
    <>
      {url && (
        <div
          style={{
            ...css(fileArea(box)),
            backgroundImage: `url(${url})`,
            ...drawnBackground(box),
            clipPath: without && besides(box.rect, without),
          }}
        />
      )}
      <LiveText site={site} box={box} />
    </>
  );
}

const styleOf = (list: LiveWords['line']): CSSProperties =>
  Object.fromEntries(
    list.map(([property, value]) => [
      property.replace(/-(.)/g, (_, c: string) => c.toUpperCase()),
      value,
    ]),
  );

/** Words that are text of the page, over the picture as they are handed over. */
function LiveText({ site, box }: { site: Site; box: LaidSlot }) {
  const words = isContent(box.slot.kind) ? liveTexts(pictureOf(site, box.slot).layers) : [];
  if (words.length === 0) {
    return null;
  }
  return (
    <div style={{ ...css(box.rect), containerType: 'inline-size' }}>
      {words.map((text) => {
        const { lines, declarations, line, strut } = liveWords(
          box.slot,
          text,
          faceName(text.font),
          site.limits.phoneText,
        );
        return (
          <p key={text.id} style={styleOf(declarations)}>
            {lines.map((l, i) => (
              <span key={i} style={styleOf(line)}>
                {strut.length > 0 && (
                  <span style={styleOf(strut.filter(([p]) => p !== 'content'))} />
                )}
                {l}
              </span>
            ))}
          </p>
        );
      })}
    </div>
  );
}

function Furniture({ box, site }: { box: Exclude<LaidBox, LaidSlot>; site: Site }) {
  const heading = themeFace(site, 'headings');
  const text = themeFace(site, 'text');
  switch (box.type) {
    case 'area':
      return <div style={{ ...css(box.rect), background: box.colour }} />;
    case 'heading':
      return (
        <div
          style={{
            ...css(box.rect),
            color: box.ink,
            font: `${heading.weight} ${box.sizePx}px/1.3 "${faceName(heading.font.id)}"`,
          }}
          className="overflow-hidden text-ellipsis whitespace-nowrap"
        >
          {box.words}
        </div>
      );
    case 'title':
      return (
        <div
          data-testid="band-title"
          style={{
            ...css(box.rect),
            ...titleStands(box.title),
            display: 'grid',
            color: box.title.ink,
            overflowWrap: 'anywhere',
            font: `${titleWeight(box.title, site)} ${box.title.sizePx}px/${titleLeading} "${faceName(titleFont(box.title, site))}"`,
          }}
          className="overflow-hidden"
        >
          {box.title.heading}
        </div>
      );
    case 'links':
      return (
        <div
          style={{
            ...css(box.rect),
            color: box.ink,
            font: `${text.weight} 15px "${faceName(text.font.id)}"`,
          }}
          className="flex items-center gap-7 overflow-hidden whitespace-nowrap"
        >
          {box.words.map((w) => (
            <span key={w}>{w}</span>
          ))}
        </div>
      );
    case 'lines':
      return (
        <div style={css(box.rect)} className="flex flex-col gap-3.5 overflow-hidden">
          {[1, 0.96, 1, 0.62].map((share, i) => (
            <div
              key={i}
              style={{ width: `${share * 100}%`, height: 9, background: box.ink, opacity: 0.14 }}
            />
          ))}
        </div>
      );
  }
}

interface Props {
  site: Site;
  layout: PageLayout;
  /** Of the slot that is worked on; everything in front of a background is then only hinted at. */
  active?: Slot;
  /** Drawn in place of the active slot's picture. */
  live?: (box: LaidSlot) => ReactNode;
}

/**
 * The page in its own px, from back to front; whoever shows it scales it. Slots keep their place in
 * the order.
 */
export function PageDrawing({ site, layout, active, live }: Props) {
  const under = active?.kind === 'background';
  return (
    <div
      aria-hidden={!live}
      className="absolute top-0 left-0 overflow-hidden"
      style={{ width: layout.width, height: layout.height }}
    >
      {layout.boxes.map((box, i) => {
        if (box.type === 'slot') {
          const own = box.slot.id === active?.id;
          const ghost = under && !own;
          return (
            <div
              key={box.slot.id}
              style={{
                opacity: ghost ? 0.15 : undefined,
                ...(hasOverlap(overlapOf(box.slot)) && { position: 'relative', zIndex: 1 }),
              }}
            >
              {(!own || drawnBackground(box).backgroundRepeat !== 'no-repeat') && (
                <SlotPicture site={site} box={box} without={own ? firstCopy(box) : undefined} />
              )}
              {own && live?.(box)}
            </div>
          );
        }
        const ghost = under && !(box.type === 'area' && box.role === 'ground');
        return (
          <div
            key={i}
            style={ghost ? { opacity: 0.15, pointerEvents: 'none' } : { pointerEvents: 'none' }}
          >
            <Furniture box={box} site={site} />
          </div>
        );
      })}
    </div>
  );
}
