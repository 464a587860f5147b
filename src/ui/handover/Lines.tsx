'use client';

import { Copy, Download } from 'lucide-react';
import { Button } from '../shared/Button';
import { copyText } from '../shared/copyText';
import { download } from '../shared/download';
import { Group } from '../shared/Group';

/** Lines to copy or to save. */
export function Lines({
  title,
  text,
  fileName,
  type,
  tall = false,
}: {
  title: string;
  text: string;
  fileName?: string;
  type?: string;
  tall?: boolean;
}) {
  return (
    <Group
      title={title}
      className={tall ? 'min-h-0 grow' : 'shrink-0'}
      aside={
        <span className="flex gap-1">
          <Button
            className="h-[22px]"
            onClick={() => void copyText(title, text)}
            aria-label={`Copy ${title}`}
          >
            <Copy size={12} aria-hidden />
            Copy
          </Button>
          {fileName && (
            <Button
              className="h-[22px]"
              onClick={() => download(fileName, text, type ?? 'text/plain')}
              aria-label={`Save ${title} as ${fileName}`}
            >
              <Download size={12} aria-hidden />
            </Button>
          )}
        </span>
      }
    >
      <pre
        tabIndex={0}
        data-snippet={title}
        aria-label={title}
        className={`overflow-auto rounded-sm border border-hair bg-sheet px-2 py-1 figure text-[11px] leading-snug select-text ${tall ? 'min-h-[60px] grow' : 'max-h-[64px]'}`}
      >
        {text}
      </pre>
    </Group>
  );
}
