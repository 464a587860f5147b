import type { Session } from '../hooks/useSession';
import type { Command } from './commands';

/** Undo and redo as commands, called by what they would take. */
export const undoCommands = (
  session: Session,
  { undoLabel, redoLabel }: { readonly undoLabel?: string; readonly redoLabel?: string },
): Command[] => [
  {
    id: 'undo',
    label: undoLabel ? `Undo: ${undoLabel}` : 'Undo',
    keys: ['Mod+z'],
    enabled: undoLabel !== undefined,
    run: () => session.undo(),
  },
  {
    id: 'redo',
    label: redoLabel ? `Redo: ${redoLabel}` : 'Redo',
    keys: ['Mod+Shift+z'],
    enabled: redoLabel !== undefined,
    run: () => session.redo(),
  },
];
