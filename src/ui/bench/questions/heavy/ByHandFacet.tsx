'use client';

import { setAccepted } from '@/core/site/accepted';
import { formatOf, imageFormats } from '@/core/encode/formats/registry';
import { kilobytes } from '@/core/readings/say';
import { hasOverlap, overlapOf } from '@/core/frame/overlap';
import { isLossless, encodeSettings } from '@/core/encode/settings';
import { editPicture, editSlot } from '@/core/site/edit';
import { CommitField } from '../../../shared/CommitField';
import { Group } from '../../../shared/Group';
import { NumberRow } from '../../../shared/NumberRow';
import { Row } from '../../../shared/Row';
import { Switch } from '../../../shared/Switch';
import { useEditing, useFiled } from '../../useBench';

/**
 * The format and quality of the file set by hand; its real bytes, and the formats that the host
 * takes.
 */
export function ByHandFacet() {
  const { picture, slot, commit, preview } = useEditing();
  const { encodedFile } = useFiled();
  const { format, quality, lossless, colours, chroma, effort, dithered } = picture.press;
  const traits = formatOf(format);
  const change = (part: Partial<typeof picture.press>) =>
    editPicture(picture.id, (p) => {
      Object.assign(p.press, part);
    });
  return (
    <div className="flex h-full gap-5">
      <div className="flex min-w-0 grow flex-col gap-1">
        <Row label="Format">
          <Switch
            label="Format"
            value={format}
            choices={imageFormats.map((value) => ({ value, label: formatOf(value).title }))}
            onChange={(value) =>
              commit(`Write as ${formatOf(value).title}`, change(encodeSettings(value, quality)))
            }
          />
        </Row>
        {traits.palette && (
          <Row label="Colours">
            <Switch
              label="Colours"
              value={colours === null ? 'all' : String(colours)}
              choices={[
                { value: 'all', label: 'all' },
                ...[256, 128, 64, 32].map((n) => ({ value: String(n), label: String(n) })),
              ]}
              onChange={(v) =>
                commit(
                  v === 'all' ? 'All colours' : `${v} colours`,
                  change({ colours: v === 'all' ? null : Number(v) }),
                )
              }
            />
          </Row>
        )}
        {traits.palette && colours !== null && (
          <Row label="Dithering">
            <Switch
              label="Dithering"
              value={dithered ? 'mixed' : 'nearest'}
              choices={[
                { value: 'nearest', label: 'none' },
                { value: 'mixed', label: 'two colours mixed' },
              ]}
              onChange={(v) =>
                commit(
                  v === 'mixed' ? 'Dither the palette' : 'No dithering',
                  change({ dithered: v === 'mixed' }),
                )
              }
            />
          </Row>
        )}
        {traits.lossless === 'asked' && (
          <Row label="Loss">
            <Switch
              label="Loss"
              value={lossless ? 'none' : 'some'}
              choices={[
                { value: 'some', label: 'by quality' },
                { value: 'none', label: 'none' },
              ]}
              onChange={(v) =>
                commit(
                  v === 'none' ? 'Write without loss' : 'Write by quality',
                  change({ lossless: v === 'none' }),
                )
              }
            />
          </Row>
        )}
        {traits.chroma && (!lossless || traits.chroma.whenLossless) && (
          <Row label="Colour detail">
            <Switch
              label="Colour detail"
              value={chroma}
              choices={[
                { value: 'full', label: 'every px' },
                { value: 'half', label: 'every second' },
              ]}
              onChange={(v) =>
                commit(
                  `Colour of ${v === 'full' ? 'every' : 'every second'} px`,
                  change({ chroma: v }),
                )
              }
            />
          </Row>
        )}
        {traits.efforts && !lossless && (
          <Row label="Effort">
            <Switch
              label="Effort"
              value={effort}
              choices={[
                { value: 'usual', label: 'usual' },
                { value: 'most', label: 'most, slowly' },
              ]}
              onChange={(v) =>
                commit(
                  v === 'most' ? 'With most effort' : 'With usual effort',
                  change({ effort: v }),
                )
              }
            />
          </Row>
        )}
        {traits.lossless === 'always' || isLossless(picture.press) ? (
          <p className="text-soft">
            {colours === null
              ? 'Every colour is kept exactly; there is no quality to choose.'
              : 'The commonest colours of the border and the page’s own are kept exactly.'}
          </p>
        ) : (
          <NumberRow
            label="Quality"
            value={quality}
            min={1}
            max={100}
            unit=""
            onPreview={(v) => preview(change({ quality: v }))}
            onCommit={(v) => commit(`Quality ${Math.round(v)}`, change({ quality: Math.round(v) }))}
          />
        )}
        <p role="status" className="figure" data-testid="weight">
          {encodedFile.failure && <span className="text-bad">{encodedFile.failure}</span>}
          {!encodedFile.failure &&
            (encodedFile.current && encodedFile.file
              ? `${kilobytes(encodedFile.file.bytes)}, ${((encodedFile.file.bytes * 8) / (encodedFile.file.width * encodedFile.file.height)).toFixed(2)} bits a px`
              : 'Writing…')}
        </p>
        {format === 'jpeg' && (picture.ground.type === 'none' || hasOverlap(overlapOf(slot))) && (
          <p className="text-warn">JPEG cannot be see-through: it will lie on white.</p>
        )}
      </div>
      <div className="flex w-[176px] shrink-0 flex-col gap-1">
        <Row tight label="Budget" htmlFor="budget">
          <CommitField
            id="budget"
            label="Budget"
            className="w-24"
            suffix="KB"
            value={String(slot.budgetBytes / 1000)}
            onCommit={(text) => {
              const kb = Number(text.replace(',', '.'));
              if (!(kb >= 1 && kb <= 20000)) {
                return `Expected 1 to 20000 KB, found “${text}”.`;
              }
              commit(
                `Budget ${kb} KB`,
                editSlot(slot.id, (s) => {
                  s.budgetBytes = Math.round(kb * 1000);
                }),
              );
            }}
          />
        </Row>
        <Group title="The host accepts">
          {imageFormats.map((f) => {
            const taken = slot.accepts.includes(f);
            const last = taken && slot.accepts.length === 1;
            return (
              <label key={f} className="flex items-center gap-2">
                <input
                  type="checkbox"
                  className="accent-act"
                  checked={taken}
                  disabled={last}
                  onChange={() =>
                    commit(
                      `${formatOf(f).title} ${taken ? 'not accepted' : 'accepted'} by the host`,
                      setAccepted(f, !taken),
                    )
                  }
                />
                {formatOf(f).title}
              </label>
            );
          })}
        </Group>
      </div>
    </div>
  );
}
