'use client';

import { formatOf } from '@/core/encode/formats/registry';
import { Copy, Download, FileDown } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { creditsPage, photosIn } from '@/core/handover/credits';
import { safeName } from '@/core/handover/fileName';
import { planFiles } from '@/core/handover/filePlan';
import { snippetsFor } from '@/core/handover/snippets';
import { wordsOf } from '@/core/refusal';
import { chain, editSlot, setLayers, shelve } from '@/core/site/edit';
import { isContent } from '@/core/slots/registry';
import { isBlank } from '@/core/site/picture';
import { AlternativeText } from '../../handover/AlternativeText';
import { Lines } from '../../handover/Lines';
import { readPictureFile, writePictureFile } from '../../hooks/openRaster';
import { Button, IconButton } from '../../shared/Button';
import { CommitField } from '../../shared/CommitField';
import { Row } from '../../shared/Row';
import { copyPicture } from '../../shared/copyPicture';
import { download } from '../../shared/download';
import { FilePick } from '../../shared/FilePick';
import { notify } from '../../shared/notices';
import { useEditing, useFiled } from '../useBench';

function waitingWords(failure: string | undefined, blank: boolean): string {
  if (failure) {
    return 'There is no file';
  }
  return blank ? 'Nothing to hand over yet' : 'Writing…';
}

/**
 * Hand over: this slot's file and lines; everything of the site together is a screen of its own.
 */
export function HandOver() {
  const { site, slot, picture, commit } = useEditing();
  const { encodedFile } = useFiled();
  const router = useRouter();
  const [busy, setBusy] = useState(false);
  const file = encodedFile.current ? encodedFile.file : undefined;
  const content = isContent(slot.kind);
  const plan = planFiles(site, () => true);
  const own = plan.find((p) => p.slot.id === slot.id);
  const lines = snippetsFor(site, plan, slot.id);
  // What is saved here is what is pressed; where a theme's file is replaced by another format, the
  // screen of all files has it.
  const main = own?.files[0];
  const name = main?.path.replace(/^.*\//, '') ?? slot.fileName;
  const same =
    main !== undefined && JSON.stringify(main.settings) === JSON.stringify(picture.press);
  const credit = creditsPage(photosIn(site, picture)).html;
  const all = () => router.push(`/sites/${site.id}/hand-over`);
  const work = async (what: () => Promise<void>) => {
    setBusy(true);
    try {
      await what();
    } catch (error) {
      notify('bad', wordsOf(error));
    } finally {
      setBusy(false);
    }
  };
  const saveLayers = () =>
    work(async () =>
      download(
        `${safeName(slot.fileName)}.ora`,
        await writePictureFile(slot, picture),
        'image/openraster',
      ),
    );
  const openLayers = (chosen: File) =>
    work(async () => {
      const { layers, items, notes } = await readPictureFile(chosen, slot);
      commit(
        `Open ${chosen.name}`,
        chain(...items.map(shelve), setLayers(picture.id, { type: 'none' }, layers)),
      );
      notify(
        notes.length > 0 ? 'bad' : 'done',
        notes.length > 0
          ? notes.join(' ')
          : `${chosen.name}: ${layers.length} layers. What was here is a step back.`,
      );
    });
  return (
    <div className="flex h-full gap-4">
      <div className="flex w-[52%] min-w-52 shrink-0 flex-col gap-1.5 overflow-y-auto pr-0.5">
        <Row tight label="File name" htmlFor="file-name">
          <CommitField
            id="file-name"
            label="File name"
            className="min-w-0 grow"
            value={slot.fileName}
            onCommit={(text) => {
              if (!text.trim()) {
                return 'Give it a name.';
              }
              commit(
                `Name the file ${safeName(text)}`,
                editSlot(slot.id, (s) => {
                  s.fileName = safeName(text);
                }),
              );
            }}
          />
        </Row>
        {content ? (
          <AlternativeText slot={slot} picture={picture} commit={commit} />
        ) : (
          <p className="text-soft">A background only decorates; it needs no alternative text.</p>
        )}
        <div className="flex flex-wrap gap-1.5">
          <Button
            className="max-w-full overflow-hidden"
            disabled={!file || !same}
            onClick={() =>
              file && download(name, file.data, formatOf(picture.press.format).mediaType)
            }
          >
            <Download size={14} aria-hidden className="shrink-0" />
            <span className="truncate">
              {file ? `Download ${name}` : waitingWords(encodedFile.failure, isBlank(picture))}
            </span>
          </Button>
          <IconButton
            label="Copy the picture"
            className="w-8"
            disabled={!file}
            onClick={() => file && void copyPicture(file.whole ?? file.decoded)}
          >
            <Copy size={14} />
          </IconButton>
          <Button variant="main" onClick={all}>
            All files and rehearsal
          </Button>
        </div>
        <div role="group" aria-label="With its layers" className="flex flex-wrap gap-1.5">
          <Button disabled={busy || isBlank(picture)} onClick={() => void saveLayers()}>
            <FileDown size={13} aria-hidden />
            Save as OpenRaster
          </Button>
          <FilePick
            label="Open OpenRaster in this slot"
            accept=".ora,image/openraster"
            disabled={busy}
            onFile={(f) => void openLayers(f)}
          >
            Open OpenRaster
          </FilePick>
        </div>
      </div>
      <div className="flex min-w-0 grow flex-col gap-1 overflow-auto">
        {own ? (
          <>
            <Lines title="CSS" text={lines.css} />
            <Lines title="HTML" text={lines.html} />
            {credit && <Lines title="Credit" text={credit} />}
          </>
        ) : (
          <p className="text-soft">
            The lines for the page appear once something lies in the slot.
          </p>
        )}
      </div>
    </div>
  );
}
