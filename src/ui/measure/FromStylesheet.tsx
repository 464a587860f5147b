'use client';

import { rangeWords } from '@/core/theme/media';
import { FileDrop } from './FileDrop';
import { useThemeFiles } from '../hooks/useThemeFiles';
import type { Way } from './way';

/** From the theme's own style sheet: widths it names, and the pictures it lays. */
export function FromStylesheet({ onMeasured }: Way) {
  const { opened, busy, open, cancel } = useThemeFiles();
  // A picture that several rules lay is one size to take.
  const sized =
    opened?.pictures.flatMap((p) =>
      opened.theme.backgrounds
        .filter((b) => b.path === p.path)
        .slice(0, 1)
        .map((b) => ({ ...b, width: p.width, height: p.height })),
    ) ?? [];
  const rows =
    'flex w-full items-center gap-3 border-t border-hair px-1 py-1 text-left hover:bg-act-wash';
  return (
    <div className="flex flex-col gap-2">
      <FileDrop
        label="Style sheet"
        button="Choose files"
        accept=".css,.zip"
        multiple
        busy={busy}
        onCancel={cancel}
        onFiles={(f) => void open(f)}
      >
        Drop the theme’s style sheets, or a zip of its folder.
      </FileDrop>
      {opened && (
        <ul className="max-h-[116px] overflow-auto" aria-label="Sizes in the style sheet">
          {sized.map((b) => (
            <li key={`${b.selector} ${b.path} ${b.line}`}>
              <button
                type="button"
                className={rows}
                onClick={() =>
                  onMeasured(
                    { width: b.width, height: b.height },
                    { from: 'stylesheet', file: b.file, line: b.line },
                  )
                }
              >
                <span className="w-28 shrink-0 figure">
                  {b.width} × {b.height}
                </span>
                <span className="min-w-0 grow truncate" title={b.path ?? ''}>
                  {b.path}
                </span>
                <span className="truncate figure text-soft">{b.selector}</span>
              </button>
            </li>
          ))}
          {opened.theme.widths
            .filter((w) => w.unit === 'px')
            .slice(0, 40)
            .map((w) => (
              <li key={`${w.value}`}>
                <button
                  type="button"
                  className={rows}
                  onClick={() =>
                    onMeasured(
                      { width: Math.round(w.value) },
                      { from: 'stylesheet', file: w.file, line: w.line },
                    )
                  }
                >
                  <span className="w-28 shrink-0 figure">{Math.round(w.value)} wide</span>
                  <span className="min-w-0 grow truncate figure" title={w.selector}>
                    {w.selector}
                  </span>
                  <span className="text-soft">
                    {w.property}, {rangeWords(w.widths)}
                  </span>
                </button>
              </li>
            ))}
          {sized.length === 0 && opened.theme.widths.length === 0 && (
            <li className="py-1 text-soft">It names no width, and no picture of it is at hand.</li>
          )}
        </ul>
      )}
    </div>
  );
}
