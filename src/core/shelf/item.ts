import type { ShelfItem } from '../site/model/shelf';

/** A picture newly on the shelf; what is not known of it is left empty. */
export const shelfItem = (
  part: Pick<ShelfItem, 'assetId' | 'name' | 'width' | 'height' | 'format' | 'bytes'> &
    Partial<ShelfItem>,
): ShelfItem => ({
  maker: '',
  source: '',
  licence: '',
  date: '',
  rightsChecked: false,
  subject: '',
  ...part,
});
