'use client';

import type { SheetLine } from '@/core/set/sheetLine';
import type { Hex } from '@/core/site/model/hex';
import type { PieceSet, SetPiece } from '@/core/site/model/pieceSet';
import type { ThemeColour } from '@/core/site/model/theme';
import type { SheetRecolouring, SetScan, SetWriting } from '../hooks/usePieceSet';
import { Switch } from '../shared/Switch';
import { AllPieces } from './AllPieces';
import { FamiliesView, type FamilyActs } from './FamiliesView';
import { PieceView } from './PieceView';
import { SetPage } from './SetPage';
import { SheetLines } from './SheetLines';

export type OutcomeView = 'piece' | 'all' | 'page' | 'families' | 'sheet';

export const outcomeViews: readonly { readonly view: OutcomeView; readonly title: string }[] = [
  { view: 'piece', title: 'Piece' },
  { view: 'all', title: 'All' },
  { view: 'page', title: 'Page' },
  { view: 'families', title: 'Families' },
  { view: 'sheet', title: 'Style sheet' },
];

interface Props {
  set: PieceSet;
  looked: SetScan;
  written: SetWriting;
  following: SheetRecolouring;
  /** That is chosen. */
  piece: SetPiece | undefined;
  view: OutcomeView;
  onView(view: OutcomeView): void;
  onSelect(path: string): void;
  onInks(inks: ReadonlyMap<string, Hex>): void;
  theme: readonly ThemeColour[];
  acts: FamilyActs;
  onDecide(line: SheetLine): void;
}

/** What the recipe makes: of one piece, of all, of the page, of families, of the style sheet. */
export function Outcome(props: Props) {
  const { set, looked, written, following, piece, view, onView } = props;
  const { followed } = following;
  return (
    <section
      aria-label="What it becomes"
      className="relative flex min-h-0 flex-col border-l border-line bg-white"
    >
      <div className="flex h-9 shrink-0 items-center gap-2 border-b border-hair px-3">
        <Switch<OutcomeView>
          label="What is shown"
          value={view}
          onChange={onView}
          choices={outcomeViews.map(({ view: value, title }) => ({
            value,
            label:
              value === 'sheet' && followed && set.sheets.length > 0
                ? `${title} ${followed.following}`
                : title,
          }))}
        />
      </div>
      <div className="min-h-0 grow">
        {view === 'piece' && (
          <PieceView
            piece={piece}
            recipe={set.recipe}
            role={piece && looked.roles.get(piece.path)}
            note={
              (piece && (looked.broken.get(piece.path) ?? written.files.get(piece.path)?.note)) ??
              ''
            }
          />
        )}
        {view === 'all' && (
          <AllPieces
            set={set}
            looked={looked.samples.size}
            selected={piece?.path}
            onSelect={props.onSelect}
          />
        )}
        {view === 'page' && (
          <SetPage
            set={set}
            looked={looked}
            written={written}
            following={following}
            onInks={props.onInks}
          />
        )}
        {view === 'families' && (
          <FamiliesView
            set={set}
            followed={followed}
            looked={looked.samples.size}
            theme={props.theme}
            acts={props.acts}
          />
        )}
        {view === 'sheet' && (
          <SheetLines
            set={set}
            looked={looked}
            written={written}
            followed={followed}
            onDecide={props.onDecide}
            onInks={props.onInks}
          />
        )}
      </div>
    </section>
  );
}
