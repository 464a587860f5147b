'use client';

import { editSlot } from '@/core/site/edit';
import type { Attachment, BackgroundSize, Length, Repeat, Slot } from '@/core/site/model/slot';
import { NinePlaces, type NinePlace } from '../../shared/NinePlaces';
import { Choose } from '../../shared/Choose';
import { CommitField } from '../../shared/CommitField';
import { Group } from '../../shared/Group';
import { Row } from '../../shared/Row';
import { Switch } from '../../shared/Switch';
import { useEditing } from '../useBench';

const repeats: readonly { value: Repeat; label: string }[] = [
  { value: 'no-repeat', label: 'not repeated' },
  { value: 'repeat', label: 'both ways' },
  { value: 'repeat-x', label: 'sideways' },
  { value: 'repeat-y', label: 'downwards' },
];

const sizeChoices = [
  { value: 'auto', label: 'its own size' },
  { value: 'cover', label: 'cover' },
  { value: 'contain', label: 'contain' },
  { value: 'lengths', label: 'px or percent' },
] as const;
type SizeChoice = (typeof sizeChoices)[number]['value'];

const sizeFor: Record<SizeChoice, BackgroundSize> = {
  auto: { x: 'auto', y: 'auto' },
  cover: 'cover',
  contain: 'contain',
  lengths: { x: { value: 100, unit: '%' }, y: 'auto' },
};
const choiceOf = ({ size }: Slot): SizeChoice => {
  if (typeof size === 'string') {
    return size;
  }
  if (size.x === 'auto' && size.y === 'auto') {
    return 'auto';
  }
  return 'lengths';
};

const shown = (length: Length | 'auto'): string =>
  length === 'auto' ? length : `${length.value}${length.unit}`;

/** Reads `50%`, `20px`, or a plain number as px. */
function readLength(text: string): Length | undefined {
  const match = /^(-?\d+(?:\.\d+)?)\s*(px|%)?$/.exec(text.trim());
  return match ? { value: Number(match[1]), unit: match[2] === '%' ? '%' : 'px' } : undefined;
}

/** How a background behaves on the page, in the words of CSS. */
export function Behaviour() {
  const { slot, commit } = useEditing();
  const set = (label: string, part: Partial<Slot>) =>
    commit(
      label,
      editSlot(slot.id, (s) => {
        Object.assign(s, part);
      }),
    );
  const place = (axis: 'x' | 'y') => (text: string) => {
    const length = readLength(text);
    if (!length) {
      return `Expected px or a percentage, found “${text}”.`;
    }
    set(`Position ${axis} ${shown(length)}`, { position: { ...slot.position, [axis]: length } });
  };
  const lengths = typeof slot.size === 'string' ? undefined : slot.size;
  const resize = (axis: 'x' | 'y') => (text: string) => {
    const length = /^\s*auto\s*$/i.test(text) ? 'auto' : readLength(text);
    if (!length || (length !== 'auto' && length.value <= 0)) {
      return `Expected px, a percentage or auto, found “${text}”.`;
    }
    if (lengths) {
      set(`Size ${axis} ${shown(length)}`, { size: { ...lengths, [axis]: length } });
    }
  };
  return (
    <Group title="In the words of CSS" className="grow">
      <Row label="Repeat">
        <Choose<Repeat>
          label="Repeat"
          className="w-36"
          value={slot.repeat}
          choices={repeats}
          onChange={(repeat) => set(`Repeat: ${repeat}`, { repeat })}
        />
      </Row>
      <Row label="Position">
        <PositionGrid
          slot={slot}
          onChange={(x, y) =>
            set(`Position ${x}% ${y}%`, {
              position: { x: { value: x, unit: '%' }, y: { value: y, unit: '%' } },
            })
          }
        />
        <CommitField
          label="Position x"
          className="w-[72px]"
          value={shown(slot.position.x)}
          onCommit={place('x')}
        />
        <CommitField
          label="Position y"
          className="w-[72px]"
          value={shown(slot.position.y)}
          onCommit={place('y')}
        />
      </Row>
      <Row label="Size">
        <Choose<SizeChoice>
          label="Size on the page"
          className="w-36"
          value={choiceOf(slot)}
          choices={sizeChoices}
          onChange={(choice) => set(`Size: ${choice}`, { size: sizeFor[choice] })}
        />
        {lengths && choiceOf(slot) === 'lengths' && (
          <>
            <CommitField
              label="Width on the page"
              className="w-[72px]"
              value={shown(lengths.x)}
              onCommit={resize('x')}
            />
            <CommitField
              label="Height on the page"
              className="w-[72px]"
              value={shown(lengths.y)}
              onCommit={resize('y')}
            />
          </>
        )}
      </Row>
      <Row label="Attachment">
        <Switch<Attachment>
          label="Attachment"
          value={slot.attachment}
          choices={[
            { value: 'scroll', label: 'scroll' },
            { value: 'fixed', label: 'fixed' },
          ]}
          onChange={(attachment) => set(`Attachment: ${attachment}`, { attachment })}
        />
      </Row>
    </Group>
  );
}

const shares = [0, 50, 100] as const;
const columns = ['left', 'centre', 'right'] as const;
const rows = ['top', 'middle', 'bottom'] as const;

/** The nine positions as a small picture of the area. */
function PositionGrid({ slot, onChange }: { slot: Slot; onChange(x: number, y: number): void }) {
  const { x, y } = slot.position;
  const column = x.unit === '%' ? shares.findIndex((share) => share === x.value) : -1;
  const row = y.unit === '%' ? shares.findIndex((share) => share === y.value) : -1;
  return (
    <NinePlaces
      label="Position"
      value={column < 0 || row < 0 ? undefined : ({ column, row } as NinePlace)}
      nameOf={(at) => `${rows[at.row]} ${columns[at.column]}`}
      onChange={(at) => onChange(shares[at.column], shares[at.row])}
      className="w-[42px]"
      cell="h-[11px] border border-hair hover:bg-act-wash focus-visible:relative aria-checked:bg-act"
    />
  );
}
