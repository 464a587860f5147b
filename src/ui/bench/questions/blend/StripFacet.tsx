'use client';

import { Copy } from 'lucide-react';
import { useState } from 'react';
import { wordsOf } from '@/core/refusal';
import { colourArea } from '@/core/seam/ways';
import { endRow, gradientFrom } from '@/core/seam/strip';
import { chain, editPicture } from '@/core/site/edit';
import { pagesWith } from '@/core/site/pages';
import { asFiled, isBlank, pictureOf } from '@/core/site/picture';
import { theEngine } from '../../../hooks/tab/engine';
import { drawingOf } from '@/core/compose/drawing';
import { Button } from '../../../shared/Button';
import { copyText } from '../../../shared/copyText';
import { Choose } from '../../../shared/Choose';
import { Row } from '../../../shared/Row';
import { notify } from '../../../shared/notices';
import { GroundControls } from '../colour/GroundControls';
import { useEditing, useFiled } from '../../useBench';

/**
 * A gradient strip: its colours or those of a picture, whether bands show, and the colours that go
 * on at its ends.
 */
export function StripFacet() {
  const { slot, site, picture, commit } = useEditing();
  const { encodedFile, readings } = useFiled();
  const file = encodedFile.file?.decoded;
  const pages = pagesWith(site, slot);
  const others = site.slots.filter((s) => !isBlank(pictureOf(site, s)));
  const [from, setFrom] = useState(others[0]?.id ?? '');
  const [busy, setBusy] = useState(false);
  const read = async () => {
    const other = others.find((s) => s.id === from);
    if (!other) {
      return;
    }
    setBusy(true);
    try {
      const gradient = gradientFrom(
        await theEngine().pixels(drawingOf(other, asFiled(pictureOf(site, other)))),
      );
      commit(
        `Gradient read from ${other.name}`,
        editPicture(picture.id, (p) => {
          p.ground = gradient as typeof p.ground;
          for (const l of p.layers) {
            l.hidden = true;
          }
        }),
      );
    } catch (error) {
      notify('bad', wordsOf(error));
    }
    setBusy(false);
  };
  const ends = file
    ? ([
        ['First row', endRow(file, 'top')],
        ['Last row', endRow(file)],
      ] as const)
    : [];
  return (
    <div className="flex h-full gap-4">
      <div className="flex w-[236px] shrink-0 flex-col gap-1 overflow-y-auto">
        {ends.map(([name, { colour, uneven }]) => (
          <div key={name} className="flex items-center gap-2">
            <span className="w-[56px] shrink-0">{name}</span>
            <span
              aria-hidden
              className="h-[22px] w-7 shrink-0 border border-line"
              style={{ background: colour }}
            />
            <span className="figure select-text">{colour}</span>
            <Button
              className="h-[22px] px-1.5"
              aria-label={`Copy ${colour}`}
              onClick={() => void copyText(name, colour)}
            >
              <Copy size={12} />
            </Button>
            <span className="truncate text-soft">{uneven === 0 ? 'even' : `±${uneven}`}</span>
          </div>
        ))}
        {ends.length === 0 && (
          <p className="text-soft">
            Lay a gradient, and the colours of its ends are told here to the digit.
          </p>
        )}
        {slot.kind === 'background' && ends.length > 0 && pages.length > 0 && (
          <Button
            className="self-start"
            disabled={pages.every((p) => p.ground === ends[1][1].colour)}
            onClick={() =>
              commit(
                `Write ${ends[1][1].colour} as the page colour`,
                chain(
                  ...pages.map((p) =>
                    colourArea({ pageId: p.id, role: 'ground', index: 0 }, ends[1][1].colour),
                  ),
                ),
              )
            }
          >
            Write the last as the page colour
          </Button>
        )}
        {readings
          .filter((r) => r.id === 'banding' || r.id === 'strip-end')
          .map((r) => (
            <p key={r.id} className="text-soft">
              {r.words}
            </p>
          ))}
      </div>
      <div className="flex min-w-0 grow flex-col gap-1 overflow-y-auto [&>*]:shrink-0 [&>*]:grow-0">
        {others.length > 0 && (
          <Row tight label="Read from">
            <Choose
              label="Picture to read a gradient from"
              className="w-36 shrink-0"
              value={others.some((s) => s.id === from) ? from : others[0].id}
              choices={others.map((s) => ({ value: s.id, label: s.name }))}
              onChange={setFrom}
            />
            <Button disabled={busy} onClick={() => void read()}>
              {busy ? 'Reading…' : 'Read it'}
            </Button>
          </Row>
        )}
        <GroundControls />
      </div>
    </div>
  );
}
