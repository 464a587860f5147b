'use client';

import type { TitleBand } from '@/core/site/model/page';
import { NinePlaces, type NinePlace } from '../shared/NinePlaces';

type Place = Pick<TitleBand, 'align' | 'high'>;

const highs = ['top', 'middle', 'bottom'] as const;
const aligns = ['left', 'centre', 'right'] as const;

const placeAt = ({ column, row }: NinePlace): Place => ({
  align: aligns[column],
  high: highs[row],
});

const nameOf = ({ align, high }: Place): string => {
  if (high === 'middle') {
    return align === 'centre' ? 'Middle' : `Middle ${align}`;
  }
  return `${high === 'top' ? 'Top' : 'Bottom'} ${align}`;
};

/** Where in its band a title stands: a small band with nine places. */
export function TitlePlace({
  value,
  onChange,
}: {
  value: Place;
  onChange(place: Place, name: string): void;
}) {
  return (
    <NinePlaces
      label="Where the title stands"
      value={
        {
          column: aligns.indexOf(value.align),
          row: highs.indexOf(value.high),
        } as NinePlace
      }
      nameOf={(at) => nameOf(placeAt(at))}
      onChange={(at) => onChange(placeAt(at), nameOf(placeAt(at)))}
      className="rounded-sm"
      cell="h-[21px] w-8 border-hair px-1.5 py-1 not-[&:nth-child(3n)]:border-r nth-[n+4]:border-t hover:bg-sheet aria-checked:bg-act-wash"
    >
      {({ column, row }) => (
        <span
          aria-hidden
          className="h-[3px] w-3.5 bg-line group-hover:bg-soft group-aria-checked:bg-act"
          style={{
            alignSelf: ['flex-start', 'center', 'flex-end'][row],
            marginLeft: column === 0 ? 0 : 'auto',
            marginRight: column === 2 ? 0 : 'auto',
          }}
        />
      )}
    </NinePlaces>
  );
}
