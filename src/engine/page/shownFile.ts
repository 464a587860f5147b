import { addressIn, forLayer } from '@/core/ownPage/survey';
import { commaParts } from '@/core/theme/commaParts';
import type { OwnPlace } from '@/core/site/model/ownPage';
import { rectOf, viewOf } from './rect';

/** What a place of a page shows, and how. */
export interface ShownFile {
  /** Address of the file; empty where it shows none. */
  readonly address: string;
  /** How its background lies, as the browser computed it; empty for all else. */
  readonly laid: string;
}

const addressOf = (value: string): string => addressIn(value) ?? '';

const notLaid = (address: string): ShownFile => ({ address, laid: '' });

/** What a place shows as its page is laid out now; undefined where its element is not shown. */
export function shownIn(
  element: Element,
  { as, pseudo, layer }: Pick<OwnPlace, 'as' | 'pseudo' | 'layer'>,
): ShownFile | undefined {
  const view = viewOf(element.ownerDocument);
  if (!rectOf(element, view)) {
    return undefined;
  }
  if (element instanceof view.HTMLImageElement && as === 'image') {
    return notLaid(element.currentSrc || element.src);
  }
  if (element instanceof view.HTMLVideoElement && as === 'poster') {
    return notLaid(element.poster);
  }
  const style = view.getComputedStyle(element, pseudo || null);
  switch (as) {
    case 'background': {
      const image = commaParts(style.backgroundImage)[layer] ?? 'none';
      const { backgroundRepeat, backgroundPosition, backgroundSize, backgroundAttachment } = style;
      const lists = [backgroundRepeat, backgroundPosition, backgroundSize, backgroundAttachment];
      return { address: addressOf(image), laid: lists.map((l) => forLayer(l, layer)).join(', ') };
    }
    case 'border':
      return notLaid(addressOf(style.borderImageSource));
    case 'list mark':
      return notLaid(addressOf(style.listStyleImage));
    default:
      return notLaid(addressOf(style.content));
  }
}
