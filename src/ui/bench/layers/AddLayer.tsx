'use client';

import { DropdownMenu } from 'radix-ui';
import { useRef } from 'react';
import { flushSync } from 'react-dom';
import { newWash } from '@/core/layers/fill';
import { shapeTitles } from '@/core/layers/shape';
import { addLayer } from '@/core/site/edit';
import type { ShapeName } from '@/core/site/model/objectLayers';
import { Button } from '../../shared/Button';
import { MenuContent } from '../../shared/MenuContent';
import { addOnTop, addText } from '../addOnTop';
import { newId } from '../../shared/newId';
import { shapeFor, themeDark } from '@/core/layers/fitting';
import { FileButton } from '../FileButton';
import { useActing, useLaying } from '../useBench';

export const menuItem = 'cursor-pointer px-3 py-1 outline-none data-[highlighted]:bg-act-wash';

/** The menu of what can be added in front of everything. */
export function AddLayer() {
  const bench = useActing();
  const { picture, slot, site } = bench;
  const { lay } = useLaying();
  const files = useRef<HTMLInputElement>(null);
  const wantsText = useRef(false);
  const addWash = () => {
    const wash = newWash(newId(), themeDark(site));
    bench.commit('Add a wash', addLayer(picture.id, wash));
    bench.select(wash.id);
    bench.ask(3);
  };
  return (
    <>
      <FileButton
        ref={files}
        onFiles={(list) => {
          if (picture.layers.length) {
            bench.ask(4);
          }
          void lay(list);
        }}
      />
      <DropdownMenu.Root>
        <DropdownMenu.Trigger asChild>
          <Button>+ Add</Button>
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <MenuContent
            className="min-w-32"
            onCloseAutoFocus={(event) => {
              if (wantsText.current) {
                // Its words have the next key, which the menu would keep, or give back to its button.
                wantsText.current = false;
                event.preventDefault();
                flushSync(() => void addText(bench));
              }
            }}
          >
            <DropdownMenu.Item onSelect={() => files.current?.click()} className={menuItem}>
              Photo
            </DropdownMenu.Item>
            <DropdownMenu.Item onSelect={addWash} className={menuItem}>
              Wash
            </DropdownMenu.Item>
            <DropdownMenu.Item
              onSelect={() => {
                wantsText.current = true;
              }}
              className={menuItem}
            >
              Text
            </DropdownMenu.Item>
            {(Object.keys(shapeTitles) as ShapeName[]).map((shape) => (
              <DropdownMenu.Item
                key={shape}
                onSelect={() => addOnTop(bench, shapeFor(site, slot, shape, newId()))}
                className={menuItem}
              >
                {shapeTitles[shape]}
              </DropdownMenu.Item>
            ))}
          </MenuContent>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
    </>
  );
}
