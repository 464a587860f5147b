import { coveredBy, placeBackground } from '../measure/background';
import { layoutPage } from '../measure/layoutPage';
import { shareWhere } from '../measure/visitors';
import { editSlot } from '../site/edit';
import { isBlank } from '../site/picture';
import { pagesWith } from '../site/pages';
import type { ReadingContext, ReadingKind } from './reading';

/** Screen widths that are looked at where nothing is known of the visitors. */
const usualWidths = [360, 768, 1280, 1440, 1920, 2560];

interface Bare {
  /** Widest stripe without picture at the left or right, px, and the screen width it is at. */
  readonly px: number;
  readonly at: number;
  /** Share of the visitors who see one, 0..1. */
  readonly share: number | undefined;
}

/** Stripe at the left or right of the whole page that no copy of the picture reaches, px. */
function bareAt({ site, slot }: ReadingContext, width: number): number {
  return Math.max(
    0,
    ...pagesWith(site, slot).map((page) => {
      const laid = layoutPage(site, page, width).boxes.find(
        (p) => p.type === 'slot' && p.slot.id === slot.id,
      );
      if (laid?.type !== 'slot') {
        return 0;
      }
      const { positioning } = laid;
      const covered = coveredBy(placeBackground(slot, positioning, slot), positioning);
      return Math.round(Math.max(covered.x, width - covered.x - covered.width));
    }),
  );
}

function bare(context: ReadingContext): Bare {
  const { visitors } = context.site;
  const widths = visitors.length ? visitors.map((v) => v.width) : usualWidths;
  const at = widths
    .map((width) => ({ at: width, px: bareAt(context, width) }))
    .sort((a, b) => b.px - a.px)[0];
  return { ...at, share: shareWhere(visitors, (width) => bareAt(context, width) > 0) };
}

/**
 * A background photograph reaches from side to side of every screen; where it does not, the colour
 * under it shows as a stripe.
 */
export const backgroundCovers: ReadingKind<Bare> = {
  id: 'background-covers',
  question: 1,
  title: 'Reaches both sides',
  applies: ({ site, slot, picture }) =>
    slot.kind === 'background' && !isBlank(picture) && pagesWith(site, slot).length > 0,
  measure: bare,
  judge: ({ px }) => (px === 0 ? 'holds' : 'look'),
  figure: ({ px, at }) => (px === 0 ? 'always' : `${px} px bare at ${at}`),
  plain: ({ px }) =>
    px === 0 ? 'Reaches both sides everywhere' : 'Bare at the sides on wide screens',
  mayBeMeant: true,
  say: ({ px, at, share }) =>
    px === 0
      ? 'The picture reaches from side to side on every screen.'
      : `On a screen of ${at} px, ${px} px at a side are bare and show the page colour${share ? `; ${Math.round(share * 100)}% of your visitors see such a stripe` : ''}.`,
  mend: (_bare, { slot }) => ({
    label: 'Size: cover',
    edit: editSlot(slot.id, (s) => {
      s.size = 'cover';
    }),
  }),
};
