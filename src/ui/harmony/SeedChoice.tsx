'use client';

import type { Hex } from '@/core/site/model/hex';
import type { ShelfItem } from '@/core/site/model/shelf';
import type { ThemeColour } from '@/core/site/model/theme';
import type { Seed } from '../hooks/useHarmonies';
import { useSmallPicture } from '../hooks/useSmallPicture';
import { ColourField } from '../shared/ColourField';
import { Hint } from '../shared/Button';
import { FilePick } from '../shared/FilePick';

/** Photographs that are offered, at most. */
const fewPhotos = 5;

/** Those of many px are photographs rather than tiles and marks; the chosen one is among them. */
function offered(photos: readonly ShelfItem[], chosen: string | undefined): ShelfItem[] {
  const px = ({ assetId, width, height }: ShelfItem): number =>
    assetId === chosen ? Infinity : width * height;
  const few = [...photos].sort((a, b) => px(b) - px(a)).slice(0, fewPhotos);
  // In the order of the shelf, so that none changes its place when it is chosen.
  return photos.filter((item) => few.includes(item));
}

/** A photograph or a colour, for others to go with. */
export function SeedChoice({
  seed,
  lead,
  theme,
  photos,
  onSeed,
  onPhoto,
}: {
  seed: Seed;
  /** The colour they go with: of a photograph the one it speaks of, once it is known. */
  lead: Hex | undefined;
  theme: readonly ThemeColour[];
  photos: readonly ShelfItem[];
  onSeed(seed: Seed): void;
  onPhoto(file: File): void;
}) {
  return (
    <>
      <div className="flex items-center gap-1.5">
        {offered(photos, 'assetId' in seed ? seed.assetId : undefined).map((item) => (
          <Photo
            key={item.assetId}
            item={item}
            chosen={'assetId' in seed && seed.assetId === item.assetId}
            onChoose={() => onSeed({ assetId: item.assetId, size: item })}
          />
        ))}
        <FilePick label="A photograph…" accept="image/*" onFile={onPhoto} />
      </div>
      <ColourField
        compact
        label="Colour that others go with"
        value={lead ?? '#ffffff'}
        theme={theme.slice(0, 6)}
        onPreview={(hex) => onSeed({ colour: hex })}
        onCommit={(hex) => onSeed({ colour: hex })}
      />
    </>
  );
}

function Photo({ item, chosen, onChoose }: { item: ShelfItem; chosen: boolean; onChoose(): void }) {
  const url = useSmallPicture(item.assetId);
  return (
    <Hint text={item.name}>
      <button
        type="button"
        aria-label={`Colours of ${item.name}`}
        aria-pressed={chosen}
        onClick={onChoose}
        className="h-9 w-[46px] shrink-0 border border-line bg-board bg-cover bg-center hover:border-soft aria-pressed:outline-2 aria-pressed:outline-act"
        style={{ backgroundImage: url && `url(${url})` }}
      />
    </Hint>
  );
}
