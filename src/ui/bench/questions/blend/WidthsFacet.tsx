'use client';

import { useRouter } from 'next/navigation';
import { kindOf } from '@/core/layers/registry';
import { contentWidthAt } from '@/core/measure/layoutPage';
import { arrangeForNarrow, removeNarrow } from '@/core/site/narrow';
import { editLayer, editSlot } from '@/core/site/edit';
import { pagesWith } from '@/core/site/pages';
import { isContent } from '@/core/slots/registry';
import type { TextLayer } from '@/core/site/model/objectLayers';
import type { Slot } from '@/core/site/model/slot';
import { safeArea, visibleAt, type Visible } from '@/core/widths/visible';
import { Button } from '../../../shared/Button';
import { CommitField } from '../../../shared/CommitField';
import { Row } from '../../../shared/Row';
import { typedNumber } from '../../../shared/typedNumber';
import { useEditing, useFiled } from '../../useBench';

const shownWidths = [360, 768, 1280, 1920] as const;

/** What of the slot one screen shows: the slot's outline, and the part that is seen filled. */
function VisibleFace({
  slot,
  visible,
  safe,
}: {
  slot: Slot;
  visible: Visible | undefined;
  safe: ReturnType<typeof safeArea>['part'];
}) {
  const k = Math.min(100 / slot.width, 46 / slot.height);
  const w = slot.width * k;
  const h = slot.height * k;
  return (
    <svg aria-hidden width={w + 2} height={h + 2} viewBox={`-1 -1 ${w + 2} ${h + 2}`} fill="none">
      {visible && (
        <rect
          x={visible.part.x * k}
          y={visible.part.y * k}
          width={visible.part.width * k}
          height={visible.part.height * k}
          fill="#e0ecea"
        />
      )}
      <rect x={0} y={0} width={w} height={h} stroke="#8b9095" />
      {safe.width > 0 && safe.height > 0 && (
        <rect
          x={safe.x * k}
          y={safe.y * k}
          width={safe.width * k}
          height={safe.height * k}
          stroke="#0d6b62"
          strokeDasharray="3 2"
        />
      )}
    </svg>
  );
}

/**
 * What of the picture each screen shows, where words are safe, and how large they are on a phone.
 */
export function WidthsFacet() {
  const { site, slot, picture, commit } = useEditing();
  const { readings } = useFiled();
  const safe = safeArea(site, slot);
  const router = useRouter();
  const toBench = (id: string) => router.push(`/sites/${site.id}/slots/${id}`);
  const texts = picture.layers.filter((l): l is TextLayer => l.kind === 'text' && !l.hidden);
  const page = pagesWith(site, slot)[0];
  const owner = site.slots.find((s) => s.narrow?.slot === slot.id);
  const narrow = site.slots.find((s) => s.id === slot.narrow?.slot);
  const limit = (
    label: string,
    unit: string,
    value: number,
    least: number,
    most: number,
    apply: (v: number) => void,
  ) => (
    <CommitField
      label={label}
      suffix={unit}
      className="w-[76px]"
      value={String(value)}
      onCommit={(text) => {
        const v = typedNumber(text);
        if (text.trim() === '' || !(v >= least && v <= most)) {
          return `Expected ${least} to ${most}, found “${text}”.`;
        }
        apply(v);
      }}
    />
  );
  return (
    <div className="flex h-full gap-5">
      <div className="shrink-0">
        <ul className="grid grid-cols-2 gap-x-3 gap-y-1">
          {shownWidths.map((width) => {
            const visible = visibleAt(site, slot, width);
            const seen = visible && visible.part.width > 0 && visible.part.height > 0;
            return (
              <li key={width} className="w-[108px]">
                <VisibleFace slot={slot} visible={visible} safe={safe.part} />
                <span className="flex justify-between">
                  <span className="figure">{width}</span>
                  <span className="figure text-soft">
                    {!seen && 'not shown'}
                    {seen && isContent(slot.kind) && `${Math.round(visible.scale * 100)}%`}
                    {seen &&
                      !isContent(slot.kind) &&
                      `${visible.part.width}×${visible.part.height}`}
                  </span>
                </span>
                {seen && visible.covered >= 0.005 && (
                  <span className="block text-right text-warn">
                    {Math.round(visible.covered * 100)}% covered
                  </span>
                )}
              </li>
            );
          })}
        </ul>
        {page && slot.kind === 'background' && (
          <p className="text-soft">Content hides {contentWidthAt(page, 1280)} px of 1280.</p>
        )}
      </div>
      <div className="flex min-w-0 grow flex-col gap-1 overflow-y-auto [&>*]:shrink-0">
        <p className="text-soft">
          Seen everywhere, with the side margin:{' '}
          <span className="figure whitespace-nowrap text-ink">
            {safe.part.width} × {safe.part.height}
          </span>{' '}
          px{safe.part.width === 0 ? ': no part is seen at every width' : ''}.
        </p>
        <div className="flex flex-wrap items-center gap-x-4">
          <Row tight label="Side margin">
            {limit('Side margin', 'px', site.limits.sideMargin, 0, 500, (v) =>
              commit(`Side margin ${v} px`, (s) => {
                s.limits.sideMargin = Math.round(v);
              }),
            )}
          </Row>
          <Row tight label="On a phone">
            {limit('Least size of words on a phone', 'px', site.limits.phoneText, 4, 48, (v) =>
              commit(`Words of ${v} px on a phone`, (s) => {
                s.limits.phoneText = v;
              }),
            )}
          </Row>
        </div>
        {texts.length > 0 && isContent(slot.kind) && (
          <ul aria-label="Words of the file, or of the page" className="flex flex-wrap gap-x-4">
            {texts.map((t) => (
              <li key={t.id}>
                <label className="flex h-[26px] items-center gap-1.5">
                  <input
                    type="checkbox"
                    className="accent-act"
                    checked={t.live}
                    onChange={(e) =>
                      commit(
                        e.target.checked
                          ? `Hand “${kindOf(t).name(t).slice(0, 30)}” over as live text`
                          : `Put “${kindOf(t).name(t).slice(0, 30)}” in the file`,
                        editLayer<TextLayer>(picture.id, t.id, { live: e.target.checked }),
                      )
                    }
                  />
                  <span className="max-w-52 truncate">“{kindOf(t).name(t)}” as live text</span>
                </label>
              </li>
            ))}
          </ul>
        )}
        {slot.kind === 'header' &&
          !owner &&
          (narrow && slot.narrow ? (
            <div className="flex flex-wrap items-center gap-2">
              <span>Below</span>
              {limit(
                'Screen width below which the second arrangement is shown',
                'px',
                slot.narrow.below,
                200,
                2000,
                (v) =>
                  commit(
                    `Second arrangement below ${v} px`,
                    editSlot(slot.id, (s) => {
                      if (s.narrow) {
                        s.narrow.below = Math.round(v);
                      }
                    }),
                  ),
              )}
              <span>
                {narrow.width}×{narrow.height} px
              </span>
              <Button onClick={() => toBench(narrow.id)}>Open its bench</Button>
              <Button
                onClick={() => commit('Remove the second arrangement', removeNarrow(slot.id))}
              >
                Remove it
              </Button>
            </div>
          ) : (
            <Button
              className="self-start"
              onClick={() =>
                commit('A second arrangement for narrow screens', arrangeForNarrow(slot.id, 600))
              }
            >
              A second arrangement for narrow screens
            </Button>
          ))}
        {readings
          .filter((r) => r.id === 'safe-words' || r.id === 'phone-text')
          .map((r) => (
            <p key={r.id} className="text-soft">
              {r.words}
            </p>
          ))}
        {owner && (
          <p className="flex items-center gap-2">
            Shown in place of {owner.name} below {owner.narrow?.below} px.
            <Button onClick={() => toBench(owner.id)}>Open {owner.name}</Button>
          </p>
        )}
      </div>
    </div>
  );
}
