import { frozenKey, type FrozenPage } from '@/core/ownPage/frozen';
import { MainThreadTurns } from '../yieldToMain';
import { noteOpening, onceItStands } from './openings';
import { RuledPictures } from './ruledPictures';

/**
 * What the document in the frame may load: nothing but what it brings. Scripts cannot run, though
 * the frame may have them run, since a canvas in a frame without shows its fallback.
 */
const policy = [
  "default-src 'none'",
  "script-src 'none'",
  'img-src blob: data:',
  "style-src 'unsafe-inline' blob: data:",
  'font-src blob: data:',
  "form-action 'none'",
].join('; ');

/** Time for pictures and fonts to be there, ms; one that cannot be read keeps nobody waiting. */
export const patience = 4000;

export const within = (ms: number, work: Promise<unknown>): Promise<unknown> =>
  Promise.race([work, new Promise((resolve) => setTimeout(resolve, ms))]);

/** What a page's files are in a frame. */
type Addressed = Pick<FrameDocument, 'addresses' | 'sheets'>;

const forgotten = (addresses: Iterable<string>): void => {
  for (const address of addresses) {
    URL.revokeObjectURL(address);
  }
};

/** Of many files in pieces, so that the screen goes on. Style sheets come after what they name. */
async function addressed({ files }: Pick<FrozenPage, 'files'>): Promise<Addressed> {
  const addresses = new Map<string, string>();
  const sheets: string[] = [];
  const decoder = new TextDecoder();
  const breath = new MainThreadTurns(16);
  for (const { key, type, bytes } of files) {
    let blob: Blob;
    if (type === 'text/css') {
      const text = namedFiles(decoder.decode(bytes), addresses);
      sheets.push(text);
      blob = new Blob([text], { type: 'text/css;charset=utf-8' });
    } else {
      blob = new Blob([bytes], { type });
    }
    addresses.set(key, URL.createObjectURL(blob));
    await breath.yieldToMain();
  }
  return { addresses, sheets };
}

/** A text of a page with the addresses of its files where it has their keys. */
export const namedFiles = (text: string, addresses: ReadonlyMap<string, string>): string =>
  text.replace(frozenKey, (key) => addresses.get(key) ?? key);

/**
 * The document with its policy before everything else that is in it: a page out of a site file may
 * be anybody's, and have no head, or one inside a comment.
 */
function guarded(html: string): string {
  const doctype = /^\s*<!doctype[^>]*>/i.exec(html)?.[0] ?? '';
  const guard = `<meta http-equiv="Content-Security-Policy" content="${policy}">`;
  return doctype + guard + html.slice(doctype.length);
}

/** The page was given up, or its place went, before it was open. */
export class PageTaken extends Error {
  constructor() {
    super('The page was taken away while it was opened.');
  }
}

/** A page in a frame, with all its files there. */
export interface FrameDocument {
  readonly element: HTMLIFrameElement;
  readonly document: Document;
  /** Of the page's files, by their keys. */
  readonly addresses: ReadonlyMap<string, string>;
  /** Texts of its style sheets, with these addresses. */
  readonly sheets: readonly string[];
  /** Takes the frame out of its place, and its files with it. */
  close(): void;
}

/** The element that a page is shown in; nothing is in it yet. */
function emptyFrame(owner: Document, title: string): HTMLIFrameElement {
  const element = owner.createElement('iframe');
  element.setAttribute('sandbox', 'allow-same-origin allow-scripts');
  element.setAttribute('title', title || 'The page');
  // Bars for scrolling would take width from the page.
  element.setAttribute('scrolling', 'no');
  element.style.cssText = 'display:block;border:0;width:1280px;height:800px';
  return element;
}

/**
 * Puts a frozen page into a place and waits for all that it shows.
 * @param place that the frame is put into
 * @param signal gives it up
 * @throws PageTaken where it is given up, or its place goes
 * @throws PageTroubled where it ended the tab that laid it out last
 */
export async function openFrameDocument(
  place: HTMLElement,
  page: FrozenPage,
  signal?: AbortSignal,
): Promise<FrameDocument> {
  const noted = await noteOpening(page);
  const { addresses, sheets } = await addressed(page);
  if (signal?.aborted || !place.isConnected) {
    noted();
    forgotten(addresses.values());
    throw new PageTaken();
  }
  const html = guarded(namedFiles(page.html, addresses));
  // Not by `srcdoc`: such documents are never in quirks mode, and old pages are.
  const address = URL.createObjectURL(new Blob([html], { type: 'text/html;charset=utf-8' }));
  const element = emptyFrame(place.ownerDocument, page.title);
  let ruled: RuledPictures | undefined;
  const close = () => {
    noted();
    element.remove();
    ruled?.letGo();
    forgotten([...addresses.values(), address]);
  };
  // A frame that is taken out never says that it is loaded.
  const given = new Promise<void>((resolve) => signal?.addEventListener('abort', () => resolve()));
  const loaded = new Promise<void>((resolve) => element.addEventListener('load', () => resolve()));
  element.src = address;
  place.append(element);
  await Promise.race([loaded, given]);
  const document = element.contentDocument;
  if (document && !signal?.aborted) {
    // Nothing leads away: links and forms are only looked at.
    for (const event of ['click', 'auxclick', 'submit'] as const) {
      document.addEventListener(event, (e) => e.preventDefault(), true);
    }
    ruled = new RuledPictures(document, sheets);
    const all = [
      document.fonts.ready,
      ruled.load(),
      ...[...document.images].map((image) => image.decode().catch(() => {})),
    ];
    await Promise.race([within(patience, Promise.all(all)), given]);
  }
  // A document whose frame has gone has no view any more.
  if (!document?.defaultView || signal?.aborted) {
    close();
    throw new PageTaken();
  }
  onceItStands(noted);
  return { element, document, addresses, sheets, close };
}
