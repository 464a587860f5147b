'use client';

import { versionsOf } from '@/core/site/versions';
import { Button } from '../../shared/Button';
import { useEditing } from '../useBench';

/** Opens the versions of the picture; says which is worked on where there are several. */
export function VersionsButton({ onOpen }: { onOpen(): void }) {
  const { slot } = useEditing();
  const versions = versionsOf(slot);
  const at = versions.findIndex((v) => v.pictureId === slot.pictureId);
  return (
    <Button className="max-w-[150px] min-w-0" onClick={onOpen} title={versions[at].name}>
      <span className="truncate">
        {versions.length > 1 ? `${versions[at].name} of ${versions.length}` : 'Versions'}
      </span>
    </Button>
  );
}
