'use client';

import { slotsWith } from '@/core/handover/credits';
import { shapeOf } from '@/core/shelf/search';
import type { ShelfItem } from '@/core/site/model/shelf';
import type { Site } from '@/core/site/model/site';
import { useSmallPicture } from '../hooks/useSmallPicture';

export function Card({
  name,
  figure,
  words,
  current,
  url,
  warn,
  onChoose,
}: {
  name: string;
  figure: string;
  words: string;
  current: boolean;
  url: string | undefined;
  warn?: string;
  onChoose(): void;
}) {
  return (
    <button
      type="button"
      aria-pressed={current}
      onClick={onChoose}
      className="flex h-full w-full flex-col rounded-sm border border-line bg-white text-left hover:border-soft aria-pressed:border-act aria-pressed:outline-1 aria-pressed:outline-act"
    >
      <span className="block h-[108px] w-full overflow-hidden border-b border-hair bg-sheet">
        {url && <img src={url} alt="" loading="lazy" className="h-full w-full object-cover" />}
      </span>
      <span className="block w-full px-2 py-1">
        <span className="flex items-baseline gap-2">
          <span className="min-w-0 grow truncate font-semibold" title={name}>
            {name}
          </span>
          <span className="shrink-0 figure text-[11px] text-soft">{figure}</span>
        </span>
        <span
          className={`block truncate ${warn ? 'text-warn' : 'text-soft'}`}
          title={warn ?? words}
        >
          {warn ?? words}
        </span>
      </span>
    </button>
  );
}

export function OwnCard({
  site,
  item,
  current,
  onChoose,
}: {
  site: Site;
  item: ShelfItem;
  current: boolean;
  onChoose(): void;
}) {
  const url = useSmallPicture(item.assetId);
  const used = slotsWith(site, item.assetId).length;
  const words = `${used ? `in ${used} ${used === 1 ? 'slot' : 'slots'}` : 'not used'}, ${shapeOf(item)}`;
  return (
    <Card
      name={item.name}
      figure={`${item.width} × ${item.height}`}
      words={words}
      warn={item.rightsChecked ? undefined : `! rights not checked, ${used ? 'used' : 'not used'}`}
      current={current}
      url={url}
      onChoose={onChoose}
    />
  );
}
