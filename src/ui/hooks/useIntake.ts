'use client';

import { useMemo, useState } from 'react';
import { useStore } from 'zustand';
import type { ShelfItem } from '@/core/site/model/shelf';
import { newIntake } from './tab/intake';

export interface Intake {
  /** Takes picture files in one after the other; what is refused is said and changes nothing. */
  take(files: readonly File[], onItem: (item: ShelfItem) => void): Promise<void>;
  /** What is being read, with its place among several. */
  readonly busy: string | undefined;
  /** Share of the files that are done, 0..1. */
  readonly share: number;
  /** Leaves out what has not been read yet. */
  cancel(): void;
}

export function useIntake(): Intake {
  const [intake] = useState(() => newIntake());
  const reading = useStore(intake.state, (s) => s.reading);
  const actions = useMemo<Pick<Intake, 'take' | 'cancel'>>(
    () => ({
      take: (files, onItem) => intake.take(files, onItem),
      cancel: () => intake.cancel(),
    }),
    [intake],
  );
  return { ...actions, busy: reading?.words, share: reading?.share ?? 0 };
}

/** Takes one picture in. @throws IntakeError with a message for people; nothing is stored then */
export const shelveBytes = (
  name: string,
  bytes: Uint8Array<ArrayBuffer>,
  source: string,
): Promise<ShelfItem> => newIntake().shelve(name, bytes, source);

/** Picture files in a paste or drop, of whatever kind they claim to be. */
export const filesOf = (data: DataTransfer | null): File[] => Array.from(data?.files ?? []);
