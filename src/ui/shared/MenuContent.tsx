'use client';

import clsx from 'clsx';
import { DropdownMenu } from 'radix-ui';
import type { ComponentProps } from 'react';
import { useKeysInTurn } from './useKeysInTurn';

/** What opens below the button of a menu; its items choose by Enter what the keys before went to. */
export function MenuContent({
  className,
  ...content
}: ComponentProps<typeof DropdownMenu.Content>) {
  const inTurn = useKeysInTurn();
  return (
    <DropdownMenu.Content
      align="end"
      sideOffset={2}
      onKeyDownCapture={inTurn}
      className={clsx('z-40 rounded-sm border border-line bg-white py-1', className)}
      {...content}
    />
  );
}
