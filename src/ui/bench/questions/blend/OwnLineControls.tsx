'use client';

import { Pencil } from 'lucide-react';
import { smoother } from '@/core/divider/ownLine';
import { wordsOf } from '@/core/refusal';
import { editLayer } from '@/core/site/edit';
import type { LinePoint, ProfileLayer } from '@/core/site/model/blendLayers';
import { outlineOf } from '../../../hooks/outlineOf';
import { Button } from '../../../shared/Button';
import { FilePick } from '../../../shared/FilePick';
import { notify } from '../../../shared/notices';
import { useEditing, useSelecting } from '../../useBench';

/** A line of one's own: drawn, taken from a picture, smoothed. */
export function OwnLineControls({ profile }: { profile: ProfileLayer }) {
  const { picture, commit } = useEditing();
  const { tool, setTool, select } = useSelecting();
  const drawing = tool?.kind === 'line';
  const set = (label: string, points: readonly LinePoint[]) =>
    commit(label, editLayer<ProfileLayer>(picture.id, profile.id, { points }));
  const fromPicture = async (file: File) => {
    try {
      set(`The outline of ${file.name}`, await outlineOf(file));
    } catch (error) {
      notify('bad', wordsOf(error));
    }
  };
  return (
    <div role="group" aria-label="Own line" className="flex flex-wrap items-center gap-1.5">
      <Button
        aria-pressed={drawing}
        disabled={profile.locked}
        onClick={() => {
          if (drawing) {
            setTool(undefined);
          } else {
            select(profile.id);
            setTool({ kind: 'line', layerId: profile.id });
          }
        }}
      >
        <Pencil size={13} aria-hidden />
        Draw it
      </Button>
      <FilePick
        label="The outline of a picture"
        accept="image/*"
        disabled={profile.locked}
        onFile={(file) => void fromPicture(file)}
      >
        Outline of a picture…
      </FilePick>
      <Button
        disabled={profile.locked || profile.points.length < 3}
        onClick={() => set('A smoother line', smoother(profile.points))}
      >
        Smoother
      </Button>
    </div>
  );
}
