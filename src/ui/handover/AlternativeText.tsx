'use client';

import { editPicture, type Edit } from '@/core/site/edit';
import type { Picture } from '@/core/site/model/picture';
import type { Slot } from '@/core/site/model/slot';
import { CommitField } from '../shared/CommitField';

/** What is read out in the picture's place, or the decision that nothing is. */
export function AlternativeText({
  slot,
  picture,
  commit,
}: {
  slot: Slot;
  picture: Picture;
  commit(label: string, edit: Edit): void;
}) {
  const id = `alt-${slot.id}`;
  return (
    <div className="flex flex-col gap-1">
      <label htmlFor={id} className={!picture.alt.trim() && !picture.decorative ? 'text-warn' : ''}>
        Alternative text
      </label>
      <CommitField
        id={id}
        words
        label="Alternative text"
        className="w-full"
        value={picture.decorative ? '' : picture.alt}
        onCommit={(text) => {
          commit(
            'Alternative text',
            editPicture(picture.id, (p) => {
              p.alt = text;
              if (text.trim()) {
                p.decorative = false;
              }
            }),
          );
          return undefined;
        }}
      />
      <label className="flex items-center gap-2">
        <input
          type="checkbox"
          className="accent-act"
          checked={picture.decorative}
          onChange={() =>
            commit(
              picture.decorative ? 'It says something' : 'It only decorates',
              editPicture(picture.id, (p) => {
                p.decorative = !p.decorative;
              }),
            )
          }
        />
        It only decorates
      </label>
    </div>
  );
}
