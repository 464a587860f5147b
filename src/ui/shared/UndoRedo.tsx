'use client';

import { Redo2, Undo2 } from 'lucide-react';
import { useHistory, type Session } from '../hooks/useSession';
import { IconButton } from './Button';

/** Takes the last step back, or does it again; each says which step that is. */
export function UndoRedo({ session }: { session: Session }) {
  const { undoLabel, redoLabel } = useHistory(session);
  return (
    <>
      <IconButton
        label={undoLabel ? `Undo: ${undoLabel}` : 'Nothing to undo'}
        keys="Ctrl+Z"
        disabled={!undoLabel}
        onClick={() => session.undo()}
      >
        <Undo2 size={15} />
      </IconButton>
      <IconButton
        label={redoLabel ? `Redo: ${redoLabel}` : 'Nothing to redo'}
        keys="Ctrl+Shift+Z"
        disabled={!redoLabel}
        onClick={() => session.redo()}
      >
        <Redo2 size={15} />
      </IconButton>
    </>
  );
}
