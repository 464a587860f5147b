'use client';

import clsx from 'clsx';
import { Hint } from '../shared/Button';
import { askHelp, topics, type TopicName } from './topics';

/** A question mark on a panel: what it is for. */
export function HelpButton({ topic, className }: { topic: TopicName; className?: string }) {
  const label = `What is this? ${topics[topic].title}`;
  return (
    <Hint text={label}>
      <button
        type="button"
        aria-label={label}
        aria-haspopup="dialog"
        onClick={(e) => askHelp(topic, e.currentTarget)}
        className={clsx(
          'grid size-[18px] shrink-0 place-items-center rounded-full border border-line bg-white text-[11px] leading-none font-semibold text-soft hover:border-soft hover:text-ink',
          className,
        )}
      >
        ?
      </button>
    </Hint>
  );
}
