'use client';

import { arrowStep } from './arrowStep';
import clsx from 'clsx';
import { ChevronDown } from 'lucide-react';
import { Select, Slider } from 'radix-ui';
import { useId, useState, type KeyboardEvent, type ReactNode } from 'react';

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

export const inputLook =
  'h-[26px] min-w-0 rounded-sm border border-line bg-white px-2 hover:border-soft aria-invalid:border-bad';

interface CommitFieldProps {
  label: string;
  value: string;
  /** Takes the text or says what is wrong with it. */
  onCommit(text: string): string | undefined;
  className?: string;
  id?: string;
  suffix?: string;
  /** Words and not a figure. */
  words?: boolean;
}

/**
 * A text field that is read on Enter or on leaving; what cannot be read is said below it and
 * changes nothing. Escape puts the old value back.
 */
export function CommitField({
  label,
  value,
  onCommit,
  className,
  id,
  suffix,
  words = false,
}: CommitFieldProps) {
  const [draft, setDraft] = useState<string>();
  const [problem, setProblem] = useState<string>();
  const problemId = useId();
  const commit = () => {
    if (draft === undefined || draft === value) {
      setDraft(undefined);
      setProblem(undefined);
      return;
    }
    const refused = onCommit(draft);
    setProblem(refused);
    if (!refused) {
      setDraft(undefined);
    }
  };
  const keys = (event: KeyboardEvent) => {
    if (event.key === 'Enter') {
      commit();
    }
    if (event.key === 'Escape') {
      setDraft(undefined);
      setProblem(undefined);
    }
  };
  return (
    <span className={clsx('relative inline-flex', className)}>
      <input
        id={id}
        aria-label={label}
        aria-invalid={problem ? true : undefined}
        aria-describedby={problem ? problemId : undefined}
        className={clsx(
          inputLook,
          'w-full',
          !words && 'figure',
          suffix !== undefined && 'text-right',
          suffix && 'pr-7',
        )}
        value={draft ?? value}
        onChange={(e) => {
          setDraft(e.target.value);
          setProblem(undefined);
        }}
        onBlur={commit}
        onKeyDown={keys}
      />
      {suffix && (
        <span
          aria-hidden
          className="pointer-events-none absolute top-1/2 right-2 -translate-y-1/2 figure text-soft"
        >
          {suffix}
        </span>
      )}
      {problem && (
        <span
          id={problemId}
          role="alert"
          className="absolute top-full right-0 z-20 mt-0.5 w-max max-w-72 rounded-sm border border-bad bg-bad-wash px-2 py-0.5 text-bad"
        >
          {problem}
        </span>
      )}
    </span>
  );
}

interface NumberRowProps {
  label: string;
  value: number;
  min: number;
  max: number;
  step?: number;
  unit: string;
  digits?: number;
  onPreview(value: number): void;
  onCommit(value: number): void;
}

/** A slider with its figure: dragging previews, letting go keeps; the figure can be typed. */
export function NumberRow({
  label,
  value,
  min,
  max,
  step = 1,
  unit,
  digits = 0,
  onPreview,
  onCommit,
}: NumberRowProps) {
  const clamp = (v: number) => Math.min(max, Math.max(min, v));
  // What the hand holds is shown at once; the site follows a moment later.
  const [held, setHeld] = useState<number>();
  return (
    <Row label={label}>
      <Slider.Root
        className="relative flex h-5 min-w-11 grow touch-none items-center select-none"
        min={min}
        max={max}
        step={step}
        value={[clamp(held ?? value)]}
        onValueChange={([v]) => {
          setHeld(v);
          onPreview(v);
        }}
        onValueCommit={([v]) => {
          setHeld(undefined);
          onCommit(v);
        }}
      >
        <Slider.Track className="relative h-0.5 grow bg-line">
          <Slider.Range className="absolute h-full bg-act" />
        </Slider.Track>
        <Slider.Thumb
          aria-label={label}
          className="block h-4 w-2.5 rounded-sm border border-act bg-white"
        />
      </Slider.Root>
      <CommitField
        label={`${label}, figure`}
        className="w-[76px] shrink-0"
        suffix={unit}
        value={(held ?? value).toFixed(digits)}
        onCommit={(text) => {
          const typed = Number(text.replace(',', '.').replace(/[^\d.-]+$/, ''));
          if (text.trim() === '' || Number.isNaN(typed)) {
            return `Expected a number, found “${text}”.`;
          }
          if (typed < min || typed > max) {
            return `Expected ${min} to ${max}, found ${typed}.`;
          }
          onCommit(typed);
        }}
      />
    </Row>
  );
}

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
          className="z-40 max-h-[min(360px,var(--radix-select-content-available-height))] min-w-[var(--radix-select-trigger-width)] overflow-auto rounded-sm border border-line bg-white py-1"
        >
          <Select.Viewport>
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

/** One of a few, side by side. */
export function Switch<V extends string>({
  label,
  value,
  choices,
  onChange,
}: {
  label: string;
  value: V;
  choices: readonly { value: V; label: ReactNode }[];
  onChange(value: V): void;
}) {
  return (
    <div role="radiogroup" aria-label={label} className="inline-flex">
      {choices.map((c, i) => (
        <button
          key={c.value}
          type="button"
          role="radio"
          aria-checked={c.value === value}
          tabIndex={c.value === value ? 0 : -1}
          onClick={() => onChange(c.value)}
          onKeyDown={(e) => {
            const by = arrowStep(e.key);
            if (!by) {
              return;
            }
            e.preventDefault();
            const next = (i + by + choices.length) % choices.length;
            onChange(choices[next].value);
            (e.currentTarget.parentElement?.children[next] as HTMLElement).focus();
          }}
          className="-ml-px inline-flex h-[26px] items-center gap-1.5 border border-line bg-white px-2 whitespace-nowrap first:ml-0 first:rounded-l-sm last:rounded-r-sm hover:border-soft focus-visible:relative aria-checked:relative aria-checked:border-act aria-checked:bg-act-wash"
        >
          {c.label}
        </button>
      ))}
    </div>
  );
}
