'use client';

import { newId } from '../../../shared/newId';
import {
  Circle,
  ImagePlus,
  Minus,
  RectangleHorizontal,
  StretchHorizontal,
  Type,
} from 'lucide-react';
import { useRef } from 'react';
import { shapeTitles } from '@/core/layers/shape';
import type { ShapeName } from '@/core/site/model/objectLayers';
import { Button } from '../../../shared/Button';
import { Group } from '../../../shared/Group';
import { addOnTop, addText } from '../../addOnTop';
import { shapeFor } from '@/core/layers/fitting';
import { FileButton } from '../../FileButton';
import { PhotoStrip } from '../../layers/PhotoStrip';
import { useActing, useLaying } from '../../useBench';

const icons: Readonly<Record<ShapeName, typeof Circle>> = {
  rectangle: RectangleHorizontal,
  ellipse: Circle,
  line: Minus,
  band: StretchHorizontal,
};

/** What can be put on top, while nothing is selected. */
export function AddPanel() {
  const bench = useActing();
  const { site, slot } = bench;
  const { lay, putOnTop } = useLaying();
  const files = useRef<HTMLInputElement>(null);
  return (
    <Group title="On top">
      <FileButton ref={files} onFiles={(list) => void lay(list)} />
      <div className="flex flex-wrap gap-1 [&_button]:px-2">
        <Button onClick={() => void addText(bench)}>
          <Type size={14} aria-hidden />
          Text
        </Button>
        <Button onClick={() => files.current?.click()}>
          <ImagePlus size={14} aria-hidden />
          Photo, logo
        </Button>
        {(Object.keys(shapeTitles) as ShapeName[]).map((shape) => {
          const Icon = icons[shape];
          return (
            <Button
              key={shape}
              onClick={() => addOnTop(bench, shapeFor(site, slot, shape, newId()))}
            >
              <Icon size={14} aria-hidden />
              {shapeTitles[shape]}
            </Button>
          );
        })}
      </div>
      <h4 className="mt-1 caption">From the shelf</h4>
      {site.shelf.length === 0 && <p className="text-soft">Nothing lies on the shelf yet.</p>}
      <PhotoStrip
        items={site.shelf.toReversed()}
        width={70}
        height={44}
        nameOf={(item) => `Put ${item.name} on top, ${item.width} by ${item.height} px`}
        onChoose={putOnTop}
      />
      <p className="text-soft">
        Click on the picture to select; click again for what lies behind. Shift takes several.
      </p>
    </Group>
  );
}
