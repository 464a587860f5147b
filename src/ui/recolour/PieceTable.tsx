'use client';

import clsx from 'clsx';
import { useEffect, useRef, type KeyboardEvent } from 'react';
import { isActive } from '@/core/recolour/activeSteps';
import { kilobytes } from '@/core/readings/say';
import type { PieceSet, SetPiece } from '@/core/site/model/pieceSet';
import { useWindowed } from '../hooks/useWindowed';
import { usePreviews, type SetScan, type SetWriting } from '../hooks/usePieceSet';
import { PieceCanvas } from './PieceCanvas';

interface Props {
  set: PieceSet;
  looked: SetScan;
  written: SetWriting;
  /** There is little room: what each is for, and not how large it is. */
  brief: boolean;
  selected: string | undefined;
  onSelect(path: string): void;
  onTake(paths: readonly string[], taken: boolean): void;
}

const rowHeight = 46;
const headHeight = 27;
const thumb = { width: 92, height: 36 };
const heads = ['Before', 'After', 'Name', 'Size', 'Format', 'Bytes', 'For'] as const;
const briefHeads = ['Before', 'After', 'Name', 'For'] as const;

type Row = { readonly piece: SetPiece } | { readonly other: PieceSet['others'][number] };

/**
 * All pieces in rows: as they are and as they become, and what they are for. Pictures that stay say
 * why.
 */
export function PieceTable({ set, looked, written, brief, selected, onSelect, onTake }: Props) {
  const columns = brief ? briefHeads.length + 1 : heads.length + 1;
  const box = useRef<HTMLDivElement>(null);
  const rows: Row[] = [
    ...set.pieces.map((piece) => ({ piece })),
    ...set.others.filter((o) => o.why).map((other) => ({ other })),
  ];
  const view = useWindowed(box, rows.length, rowHeight, {
    before: headHeight,
    over: headHeight,
  });
  const shown = rows.slice(view.first, view.end);
  const ids = shown.flatMap((r) => ('piece' in r ? [r.piece.assetId] : []));
  const before = usePreviews(null, ids, looked.samples.size);
  const after = usePreviews(isActive(set.recipe) ? set.recipe : null, ids, looked.samples.size);
  const taken = set.pieces.filter((p) => !p.leftOut).length;
  const at = set.pieces.findIndex((p) => p.path === selected);
  const all = useRef<HTMLInputElement>(null);
  const some = taken > 0 && taken < set.pieces.length;
  useEffect(() => {
    all.current!.indeterminate = some;
  }, [some]);
  const focus = useRef<number>(undefined);
  // The row that is to have the focus may only be there once the list has been scrolled.
  useEffect(() => {
    const button =
      focus.current === undefined
        ? null
        : box.current?.querySelector<HTMLElement>(`[data-row="${focus.current}"] button`);
    if (button) {
      button.focus({ preventScroll: true });
      focus.current = undefined;
    }
  });
  const keys = (event: KeyboardEvent) => {
    const by = {
      ArrowDown: 1,
      ArrowUp: -1,
      PageDown: 8,
      PageUp: -8,
      Home: -rows.length,
      End: rows.length,
    }[event.key];
    if (by === undefined || (event.target as HTMLElement).tagName === 'INPUT') {
      return;
    }
    event.preventDefault();
    const to = Math.max(0, Math.min(set.pieces.length - 1, at + by));
    onSelect(set.pieces[to].path);
    view.reveal(to);
    focus.current = to;
  };
  return (
    <div ref={box} className="h-full min-h-0 overflow-y-auto bg-white" onKeyDown={keys}>
      <div style={{ minHeight: headHeight + view.total }}>
        <table
          className="w-full table-fixed border-collapse"
          aria-label="Pieces"
          aria-rowcount={rows.length + 1}
        >
          <colgroup>
            <col style={{ width: 34 }} />
            <col style={{ width: 104 }} />
            <col style={{ width: 104 }} />
            <col />
            {!brief && (
              <>
                <col style={{ width: 98 }} />
                <col style={{ width: 52 }} />
                <col style={{ width: 128 }} />
              </>
            )}
            <col style={{ width: 122 }} />
          </colgroup>
          <thead className="sticky top-0 z-10 bg-sheet">
            <tr className="h-[27px] border-b border-line text-left [&_th]:px-1.5 [&_th]:font-normal">
              <th className="pl-3!">
                <input
                  ref={all}
                  type="checkbox"
                  aria-label="Recolour all pieces"
                  className="accent-act"
                  disabled={set.pieces.length === 0}
                  checked={taken > 0 && taken === set.pieces.length}
                  onChange={() =>
                    onTake(
                      set.pieces.map((p) => p.path),
                      taken < set.pieces.length,
                    )
                  }
                />
              </th>
              {(brief ? briefHeads : heads).map((h) => (
                <th key={h} scope="col">
                  <span className="caption">{h}</span>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {view.above > 0 && (
              <tr aria-hidden style={{ height: view.above }}>
                <td colSpan={columns} />
              </tr>
            )}
            {shown.map((row, i) => {
              const index = view.first + i;
              if ('other' in row) {
                return (
                  <OtherRow key={row.other.path} other={row.other} index={index} brief={brief} />
                );
              }
              const { piece } = row;
              const role = looked.roles.get(piece.path);
              const file = written.files.get(piece.path);
              const problem = looked.broken.get(piece.path) ?? written.failures.get(piece.path);
              const name = piece.path.split('/').at(-1)!;
              const folder = piece.path.slice(0, -name.length);
              const side = role?.laid?.repeat === 'repeat-y' ? 'right' : 'bottom';
              const end = file?.ends?.after[side];
              return (
                <tr
                  key={piece.path}
                  data-row={index}
                  aria-rowindex={index + 2}
                  aria-selected={piece.path === selected}
                  onClick={() => onSelect(piece.path)}
                  style={{ height: rowHeight }}
                  className={clsx(
                    'cursor-default border-b border-hair [&_td]:px-1.5',
                    piece.path === selected && 'bg-act-wash',
                    piece.leftOut && 'text-soft',
                  )}
                >
                  <td className="pl-3!">
                    <input
                      type="checkbox"
                      aria-label={`Recolour ${piece.path}`}
                      className="accent-act"
                      checked={!piece.leftOut}
                      onClick={(e) => e.stopPropagation()}
                      onChange={() => onTake([piece.path], piece.leftOut)}
                    />
                  </td>
                  <td>
                    <PieceCanvas raster={before.get(piece.assetId)} {...thumb} />
                  </td>
                  <td>
                    <PieceCanvas
                      raster={(piece.leftOut ? before : after).get(piece.assetId)}
                      {...thumb}
                    />
                  </td>
                  <td>
                    <button
                      type="button"
                      onClick={() => onSelect(piece.path)}
                      className="block max-w-full truncate text-left font-semibold"
                      title={piece.path}
                    >
                      {name}
                    </button>
                    {problem ? (
                      <p className="truncate text-[11px] text-bad" title={problem}>
                        × {problem}
                      </p>
                    ) : (
                      <p className="truncate text-[11px] text-soft">
                        {piece.leftOut ? 'left as it is' : file?.note || folder}
                      </p>
                    )}
                  </td>
                  {!brief && (
                    <>
                      <td className="figure whitespace-nowrap">
                        {piece.width} × {piece.height}
                      </td>
                      <td>{piece.format.toUpperCase().replace('WEBP', 'WebP')}</td>
                      <td className="figure text-[11px]! whitespace-nowrap">
                        {kilobytes(piece.bytes)}
                        {file && !piece.leftOut && (
                          <span className="text-soft"> → {kilobytes(file.bytes.length)}</span>
                        )}
                      </td>
                    </>
                  )}
                  <td>
                    <p
                      className="truncate"
                      title={
                        role?.where &&
                        `${role.where.selector}, ${role.where.file}, line ${role.where.line}`
                      }
                    >
                      {role?.title ?? ''}
                    </p>
                    {end && (
                      <p
                        className="flex items-center gap-1 figure text-[11px]! text-soft"
                        title={
                          end.uneven
                            ? `Its end is not even: up to ${end.uneven} of 255 apart`
                            : 'Its end is even'
                        }
                      >
                        <span
                          className="inline-block h-2.5 w-2.5 border border-black/15"
                          style={{ background: end.colour }}
                        />
                        ends {end.colour}
                      </p>
                    )}
                  </td>
                </tr>
              );
            })}
            {rows.length === 0 && (
              <tr>
                <td colSpan={columns} className="p-4 text-soft">
                  There is no picture among the files. The colours of the style sheets follow all
                  the same: “Page” shows them.
                </td>
              </tr>
            )}
          </tbody>
        </table>
      </div>
    </div>
  );
}

/** A picture that is not recoloured, with the word why. */
function OtherRow({
  other,
  index,
  brief,
}: {
  other: PieceSet['others'][number];
  index: number;
  brief: boolean;
}) {
  return (
    <tr
      aria-rowindex={index + 2}
      style={{ height: rowHeight }}
      className="border-b border-hair text-soft [&_td]:px-1.5"
    >
      <td className="pl-3!">
        <span aria-hidden className="figure font-semibold text-warn">
          !
        </span>
      </td>
      <td colSpan={2}>Stays as it is</td>
      <td colSpan={brief ? 1 : 4}>
        <p className="truncate font-semibold" title={other.path}>
          {other.path.split('/').at(-1)}
        </p>
        <p className="truncate text-[11px]" title={other.why}>
          {other.why}
        </p>
      </td>
      <td className="figure text-[11px]!">{kilobytes(other.bytes)}</td>
    </tr>
  );
}
