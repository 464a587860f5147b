'use client';

import type { ChangedFile, OwnPageChanges } from '@/core/handover/ownPageChanges';
import type { HandOver } from '@/core/handover/produce';
import type { OwnPage } from '@/core/site/model/ownPage';
import type { Page } from '@/core/site/model/page';
import { Group } from '../shared/Group';
import { Lines } from './Lines';

/** A line of a file as it is and as it is to be; told by a sign and a word, not by colour alone. */
function Changed({ file: { path, lines } }: { file: ChangedFile }) {
  return (
    <section aria-label={path} className="flex shrink-0 flex-col gap-1">
      <h3 className="truncate figure text-[12px] font-semibold" title={path}>
        {path}
      </h3>
      <ul aria-label={`Lines of ${path} that change`} className="flex flex-col gap-1.5">
        {lines.map(({ line, before, after }) => (
          <li key={line} className="flex flex-col">
            <span className="text-soft">
              Line <span className="figure">{line}</span>
            </span>
            <div
              tabIndex={0}
              className="overflow-x-auto rounded-sm border border-hair figure text-[11px] leading-snug select-text"
            >
              {before.trim() !== '' && (
                <pre className="w-max min-w-full bg-bad-wash px-2 py-0.5">
                  <span className="sr-only">Before: </span>
                  {before.replace(/^/gm, '− ')}
                </pre>
              )}
              <pre className="w-max min-w-full bg-act-wash px-2 py-0.5">
                <span className="sr-only">After: </span>
                {after.replace(/^/gm, '+ ')}
              </pre>
            </div>
          </li>
        ))}
      </ul>
    </section>
  );
}

function PageLines({ changes, name }: { changes: OwnPageChanges; name: string }) {
  const { files, said, pasted } = changes;
  return (
    <>
      <Group title={name} className="shrink-0">
        {said.length === 0 ? (
          <p className="text-soft">Nothing of this page was changed yet.</p>
        ) : (
          <ol aria-label={`What to do for ${name}`} className="list-decimal pl-5">
            {said.map((sentence) => (
              <li key={sentence} className="break-words">
                {sentence}
              </li>
            ))}
          </ol>
        )}
      </Group>
      {files.map((file) => (
        <Changed key={file.path} file={file} />
      ))}
      {pasted !== '' && (
        <Lines title="To paste instead" text={pasted} fileName="changes.css" type="text/css" />
      )}
    </>
  );
}

/** What changes of the owner's own pages: pictures to upload, lines before and after. */
export function OwnPageLines({
  pages,
  made,
}: {
  pages: readonly (Page & { own: OwnPage })[];
  made: HandOver | undefined;
}) {
  return (
    <div className="flex min-h-0 grow flex-col gap-2 overflow-y-auto">
      {!made && <p className="text-soft">Told once the files are made.</p>}
      {pages.map((page) => {
        const changes = made?.own.find((o) => o.pageId === page.id);
        return (
          changes && (
            <PageLines key={page.id} changes={changes} name={page.own.title || page.name} />
          )
        );
      })}
    </div>
  );
}
