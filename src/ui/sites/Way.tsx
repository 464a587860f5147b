import type { ReactNode } from 'react';

/** One of the ways in: what one has, and what becomes of it. */
export function Way({
  title,
  words,
  children,
}: {
  title: string;
  words: string;
  children: ReactNode;
}) {
  return (
    <section
      aria-label={title}
      className="flex min-w-0 flex-col gap-2.5 rounded-sm border border-line bg-white p-4 focus-within:border-act"
    >
      <div>
        <h2 className="text-[15px] font-semibold">{title}</h2>
        <p className="text-soft">{words}</p>
      </div>
      {children}
    </section>
  );
}
