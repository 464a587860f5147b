import Link from 'next/link';
import type { ReactNode } from 'react';
import { TopBar } from './TopBar';

/** A whole screen that has nothing to show but a few words: opening, absent, failed. */
export function EmptyScreen({ title, children }: { title: string; children?: ReactNode }) {
  return (
    <div className="flex h-screen flex-col">
      <TopBar crumbs={[]} />
      <main className="grid grow place-items-center bg-board">
        <div className="max-w-md rounded-sm border border-line bg-white px-5 py-4" role="status">
          <h1 className="font-semibold">{title}</h1>
          {children && <div className="mt-1 text-soft">{children}</div>}
          {title !== 'Opening' && (
            <Link href="/" className="mt-2 inline-block text-act underline">
              To your sites
            </Link>
          )}
        </div>
      </main>
    </div>
  );
}
