'use client';

import clsx from 'clsx';
import { ChevronDown } from 'lucide-react';
import { Select } from 'radix-ui';
import { inputLook } from './inputLook';
import { useKeysInTurn } from './useKeysInTurn';

interface Choice<V extends string> {
  readonly value: V;
  readonly label: string;
  readonly hint?: string;
  readonly font?: string;
}

/** One of many, in a list that opens. */
export function Choose<V extends string>({
  label,
  value,
  choices,
  onChange,
  className,
}: {
  label: string;
  value: V;
  choices: readonly Choice<V>[];
  onChange(value: V): void;
  className?: string;
}) {
  const inTurn = useKeysInTurn();
  return (
    <Select.Root value={value} onValueChange={(v) => onChange(v as V)}>
      <Select.Trigger
        aria-label={label}
        className={clsx(inputLook, 'inline-flex items-center justify-between gap-2', className)}
      >
        <span className="truncate">
          <Select.Value />
        </span>
        <Select.Icon>
          <ChevronDown size={14} className="text-soft" />
        </Select.Icon>
      </Select.Trigger>
      <Select.Portal>
        <Select.Content
          position="popper"
          sideOffset={2}
          onKeyDownCapture={inTurn}
          onKeyDown={(event) => {
            // Focus may be back on what opened the list before this key is a click there, which
            // would open it again.
            if (event.key === 'Enter') {
              event.preventDefault();
            }
          }}
          className="z-40 max-h-[min(360px,var(--radix-select-content-available-height))] min-w-[var(--radix-select-trigger-width)] overflow-auto rounded-sm border border-line bg-white py-1"
        >
          {/* It is scrolled by the arrows that go through its options. */}
          <Select.Viewport role="group" aria-label={label} tabIndex={0}>
            {choices.map((c) => (
              <Select.Item
                key={c.value}
                value={c.value}
                className="flex cursor-pointer items-baseline justify-between gap-4 px-2.5 py-1 outline-none data-[highlighted]:bg-act-wash data-[state=checked]:text-act"
              >
                <Select.ItemText>
                  <span style={c.font ? { fontFamily: `"${c.font}"`, fontSize: 15 } : undefined}>
                    {c.label}
                  </span>
                </Select.ItemText>
                {c.hint && <span className="text-soft">{c.hint}</span>}
              </Select.Item>
            ))}
          </Select.Viewport>
        </Select.Content>
      </Select.Portal>
    </Select.Root>
  );
}
