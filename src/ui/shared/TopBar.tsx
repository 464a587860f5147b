import Link from 'next/link';
import type { ReactNode } from 'react';
import { KeptMark, NotKept } from './Kept';

/** Where you are, and what can be done with all of it. */
export function TopBar({
  crumbs,
  children,
}: {
  crumbs: readonly { label: string; href?: string; figure?: string }[];
  children?: ReactNode;
}) {
  return (
    <>
      <header className="quiet-scroll flex h-10 shrink-0 items-center gap-3 overflow-x-auto border-b border-line bg-white px-3.5">
        <Link href="/" className="text-[15px] font-bold [font-stretch:115%]">
          Soyez
        </Link>
        {crumbs.length > 0 && (
          <nav
            aria-label="Where you are"
            className="flex min-w-0 items-center gap-1.5 max-lg:min-w-[220px]"
          >
            {crumbs.map((c, i) => (
              <span key={c.label} className="flex min-w-0 items-center gap-1.5">
                {i > 0 && (
                  <span aria-hidden className="text-soft">
                    /
                  </span>
                )}
                {c.href ? (
                  <Link href={c.href} className="truncate hover:underline" title={c.label}>
                    {c.label}
                  </Link>
                ) : (
                  <span className="truncate font-semibold" aria-current="page" title={c.label}>
                    {c.label}
                  </span>
                )}
                {c.figure && <span className="shrink-0 figure text-soft">{c.figure}</span>}
              </span>
            ))}
          </nav>
        )}
        <KeptMark />
        <div className="ml-auto flex shrink-0 items-center gap-2">{children}</div>
      </header>
      <NotKept />
    </>
  );
}
