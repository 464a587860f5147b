'use client';

import clsx from 'clsx';
import type { ReactNode } from 'react';

/** One labelled line of controls. */
export function Row({
  label,
  children,
  htmlFor,
  tight = false,
}: {
  label: string;
  children: ReactNode;
  htmlFor?: string;
  tight?: boolean;
}) {
  return (
    <div className={clsx('flex min-h-[28px] items-center', tight ? 'gap-2' : 'gap-3')}>
      <label htmlFor={htmlFor} className={clsx('shrink-0', tight ? 'w-[76px]' : 'w-24')}>
        {label}
      </label>
      {children}
    </div>
  );
}
