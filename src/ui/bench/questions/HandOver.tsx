'use client';

import { Copy, Download } from 'lucide-react';
import type { ReactNode } from 'react';
import { creditsPage, photosIn } from '@/core/handover/credits';
import { fileNameOf, safeName } from '@/core/handover/fileName';
import { snippetsFor } from '@/core/handover/snippets';
import { mediaType } from '@/core/press/codecs';
import { editPicture, editSlot } from '@/core/site/edit';
import { isContent } from '@/core/site/pages';
import { Button } from '../../shared/Button';
import { CommitField, Group } from '../../shared/fields';
import { copyText } from '../../shared/copyText';
import { download } from '../../shared/download';

import { useBench } from '../useBench';

/** Hand over: the file, and the lines that put it on the page. */
export function HandOver() {
  const { site, slot, picture, press, commit } = useBench();
  const name = fileNameOf(slot, picture.press.format), file = press.current ? press.file : undefined;
  const { css, html } = snippetsFor(site, slot, picture);
  const content = isContent(slot.kind), credit = creditsPage(photosIn(site, picture)).html;
  return (
    <div className="flex h-full gap-4">
      <Group title="File" className="w-[52%] min-w-52">
        <Stacked label="File name" htmlFor="file-name">
          <CommitField id="file-name" label="File name" className="w-full" value={slot.fileName} onCommit={(text) => {
            if (!text.trim()) return 'Expected a name, found nothing.';
            commit(`Name the file ${safeName(text)}`, editSlot(slot.id, (s) => { s.fileName = safeName(text); }));
          }} />
        </Stacked>
        {content && <Stacked label="Alternative text" htmlFor="alt"><CommitField id="alt" words label="Alternative text" className="w-full" value={picture.alt} onCommit={(text) => { commit('Alternative text', editPicture(picture.id, (p) => { p.alt = text; })); return undefined; }} /></Stacked>}
        <Button look="main" className="mt-1 max-w-full self-start overflow-hidden" disabled={!file} onClick={() => file && download(name, file.data, mediaType(picture.press.format))}>
          <Download size={14} aria-hidden className="shrink-0" /><span className="truncate">{file ? `Download ${name}` : press.failure ? 'There is no file' : 'Pressing…'}</span>
        </Button>
        {!content && <p className="text-soft">A background only decorates; it needs no alternative text.</p>}
      </Group>
      <div className="flex min-w-0 grow flex-col gap-1 overflow-auto">
        <Snippet title="CSS" text={css} />
        <Snippet title="HTML" text={html} />
        {credit && <Snippet title="Credit" text={credit} />}
      </div>
    </div>
  );
}

function Stacked({ label, htmlFor, children }: { label: string; htmlFor: string; children: ReactNode }) {
  return <div className="flex flex-col gap-0.5"><label htmlFor={htmlFor}>{label}</label>{children}</div>;
}

function Snippet({ title, text }: { title: string; text: string }) {
  return (
    <Group title={title} aside={<Button className="h-[22px]" onClick={() => void copyText(title, text)} aria-label={`Copy ${title}`}><Copy size={12} aria-hidden />Copy</Button>}>
      <pre tabIndex={0} data-snippet={title} aria-label={title} className="figure max-h-[64px] overflow-auto rounded-sm border border-hair bg-sheet px-2 py-1 text-[11px] leading-snug select-text">{text}</pre>
    </Group>
  );
}
