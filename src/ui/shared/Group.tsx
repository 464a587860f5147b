'use client';

import clsx from 'clsx';
import type { ReactNode } from 'react';

/** A caption with what belongs to it. */
export function Group({
  title,
  children,
  aside,
  className,
}: {
  title: string;
  children: ReactNode;
  aside?: ReactNode;
  className?: string;
}) {
  return (
    <section className={clsx('flex min-w-0 flex-col gap-1.5', className)} aria-label={title}>
      <div className="flex h-[26px] items-center justify-between gap-2">
        <h3 className="caption">{title}</h3>
        {aside}
      </div>
      {children}
    </section>
  );
}
