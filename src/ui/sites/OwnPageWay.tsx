'use client';

import { wordsOf } from '@/core/refusal';
import { droppedFiles, type FolderFile } from '../hooks/folderFiles';
import { ChooseFiles } from '../shared/ChooseFiles';
import { DropArea } from '../shared/DropArea';
import { notify } from '../shared/notices';
import { Way } from './Way';

/** How a page is saved, by family of browsers. */
const saving = [
  ['Chrome, Edge', 'Ctrl+S, then “complete” or “single file”'],
  ['Firefox', 'Ctrl+S, then “Web page, complete”'],
  ['Safari', 'a screenshot, or the theme’s folder'],
] as const;

/** A page with places on it and their sizes. */
function PageFace() {
  return (
    <svg
      role="img"
      aria-label="A page with its places measured"
      viewBox="0 0 340 100"
      className="h-[100px] w-full max-w-[340px]"
    >
      <rect x={1} y={1} width={200} height={88} className="fill-white stroke-soft" />
      <rect x={24} y={10} width={150} height={24} className="fill-act-wash stroke-act" />
      <rect x={24} y={42} width={92} height={46} className="fill-hair" />
      <rect x={126} y={42} width={48} height={46} className="fill-act-wash stroke-act" />
      <path d="M184 10V34M180 10h8M180 34h8M174 65H206" className="stroke-act" fill="none" />
      <g className="fill-act figure text-[12px] font-semibold">
        <text x={210} y={26}>
          1080 × 220
        </text>
        <text x={210} y={69}>
          328, repeats down
        </text>
      </g>
    </svg>
  );
}

/** The way in with a page of one's own, in whatever form one has it. */
export function OwnPageWay({
  busy,
  onFiles,
}: {
  busy: boolean;
  onFiles(files: readonly FolderFile[]): void;
}) {
  return (
    <Way title="My own page" words="It is measured as your browser lays it out.">
      <PageFace />
      <DropArea
        label="Drop your page"
        className="flex min-h-28 grow flex-col items-center justify-center gap-1.5 px-3 py-3 text-center"
        rest="border-soft bg-sheet"
        onDrop={(data) =>
          void droppedFiles(data).then(onFiles, (error: unknown) => notify('bad', wordsOf(error)))
        }
      >
        <p className="font-semibold">Drop the saved page, or the theme’s folder</p>
        <p className="text-soft">with its folder, as one file, as a zip, or a screenshot</p>
        <span className="flex flex-wrap justify-center gap-2">
          <ChooseFiles
            accept=".html,.htm,.xhtml,.mhtml,.mht,.zip,.css,image/*"
            disabled={busy}
            onFiles={onFiles}
          />
        </span>
      </DropArea>
      <dl className="grid grid-cols-[auto_1fr] gap-x-3 text-soft">
        {saving.map(([browser, how]) => (
          <div key={browser} className="contents">
            <dt>{browser}</dt>
            <dd className="truncate" title={how}>
              {how}
            </dd>
          </div>
        ))}
      </dl>
    </Way>
  );
}
