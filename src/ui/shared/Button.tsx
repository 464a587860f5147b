'use client';

import clsx from 'clsx';
import { Tooltip } from 'radix-ui';
import type { ComponentProps, ReactNode } from 'react';

const variants = {
  plain: 'border-line bg-white hover:border-soft aria-pressed:border-act aria-pressed:bg-act-wash',
  main: 'border-act bg-act text-white hover:bg-[#0a574f]',
  mend: 'border-warn bg-warn-wash text-warn hover:bg-[#f0dfc0] hover:text-[#7d4a00]',
  bad: 'border-bad bg-white text-bad hover:bg-bad-wash',
  bare: 'border-transparent bg-transparent hover:border-line',
} as const;

type ButtonProps = ComponentProps<'button'> & { variant?: keyof typeof variants };

export function Button({ variant: look = 'plain', className, ...rest }: ButtonProps) {
  return (
    <button
      type="button"
      className={clsx(
        'inline-flex h-[26px] shrink-0 items-center justify-center gap-1.5 rounded-sm border px-2.5 whitespace-nowrap transition-colors duration-100 disabled:cursor-default disabled:opacity-45',
        variants[look],
        className,
      )}
      {...rest}
    />
  );
}

/** A button with a picture for its face; `label` is its name and its hint, `keys` the shortcut. */
export function IconButton({
  label,
  keys,
  children,
  ...rest
}: Omit<ButtonProps, 'children'> & { label: string; keys?: string; children: ReactNode }) {
  return (
    <Hint text={keys ? `${label} (${keys})` : label}>
      <Button aria-label={label} {...rest} className={clsx('w-8 px-0!', rest.className)}>
        {children}
      </Button>
    </Hint>
  );
}

export function Hint({ text, children }: { text: string; children: ReactNode }) {
  return (
    <Tooltip.Root>
      <Tooltip.Trigger asChild>{children}</Tooltip.Trigger>
      <Tooltip.Portal
        container={typeof document === 'undefined' ? null : document.getElementById('messages')}
      >
        <Tooltip.Content
          sideOffset={4}
          className="z-50 max-w-72 rounded-sm bg-ink px-2 py-1 text-white"
        >
          {text}
        </Tooltip.Content>
      </Tooltip.Portal>
    </Tooltip.Root>
  );
}
