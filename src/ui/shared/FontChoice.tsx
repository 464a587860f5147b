'use client';

import { FilePlus2 } from 'lucide-react';
import { useRef } from 'react';
import { wordsOf } from '@/core/refusal';
import type { OwnFont } from '@/core/site/model/theme';
import { faceName, fontsOf } from '@/core/text/fonts';
import { takeFont } from '../hooks/useOwnFonts';
import { IconButton } from './Button';
import { Choose } from './Choose';
import { notify } from './notices';

/** One of the fonts that ship or that the owner gave, or a file with another. */
export function FontChoice({
  label,
  fileLabel,
  value,
  fonts,
  className,
  onFont,
  onOwn,
}: {
  label: string;
  /** What the button for a file is called. */
  fileLabel: string;
  value: string;
  /** Those of the owner's that the site has. */
  fonts: readonly OwnFont[];
  className: string;
  onFont(id: string): void;
  /** A font came in that the site may not have yet. */
  onOwn(font: OwnFont): void;
}) {
  const input = useRef<HTMLInputElement>(null);
  const take = async (file: File | undefined) => {
    if (!file) {
      return;
    }
    try {
      onOwn(await takeFont(file));
    } catch (error) {
      notify('bad', wordsOf(error));
    }
  };
  return (
    <span className="flex min-w-0 gap-1">
      <Choose
        label={label}
        className={className}
        value={value}
        onChange={onFont}
        choices={fontsOf(fonts).map((f) => ({
          value: f.id,
          label: f.family,
          hint: f.character,
          font: faceName(f.id),
        }))}
      />
      <IconButton label={fileLabel} className="w-7" onClick={() => input.current?.click()}>
        <FilePlus2 size={14} />
      </IconButton>
      <input
        ref={input}
        type="file"
        accept=".ttf,.otf,.woff,.woff2,font/*"
        aria-label={`${fileLabel}, file`}
        tabIndex={-1}
        className="hidden"
        onChange={(e) => {
          void take(e.target.files?.[0]);
          e.target.value = '';
        }}
      />
    </span>
  );
}
