type Bytes = Uint8Array<ArrayBuffer>;

/** A file of a frozen page. Style sheets name other files by their keys. */
export interface FrozenFile {
  /** What names it in the document and in style sheets: `frozen:` and a number. */
  readonly key: string;
  /** As it was called where it came from. */
  readonly name: string;
  /** Where it lies below what was dropped; its name where that is not known. */
  readonly path: string;
  readonly type: string;
  readonly bytes: Bytes;
  /** Of a picture, px; undefined where it has none of its own. */
  readonly size: { readonly width: number; readonly height: number } | undefined;
  /** Of a style sheet that came as a file of its own: byte by byte as it came. */
  readonly original?: Bytes;
}

/** Kinds of things that are not kept of a page. */
export type LeftKind =
  | 'script'
  | 'handler'
  | 'frame'
  | 'plug-in'
  | 'refresh'
  | 'elsewhere'
  | 'hint'
  | 'style'
  | 'drawing';

/** Something that was left out, with its address or what it was called. */
export interface LeftOut {
  readonly what: LeftKind;
  readonly name: string;
}

/**
 * A saved page as one document that asks for nothing and runs nothing. Every file it uses is among
 * `files` once, whatever names it had.
 */
export interface FrozenPage {
  readonly title: string;
  /** In the rendering mode of the page that was saved. */
  readonly html: string;
  /** Of one that came as a file of its own: byte by byte as it came. */
  readonly original?: Bytes;
  readonly files: readonly FrozenFile[];
  readonly left: readonly LeftOut[];
  /** Addresses of files that the page uses and that did not come with it. */
  readonly missing: readonly string[];
  /** It came as one file: the browser wrote its style sheets anew, with other lines. */
  readonly oneFile?: true;
}

/** A file's key wherever it stands in text. */
export const frozenKey = /frozen:\d+/g;

const named: Readonly<Record<LeftKind, readonly [string, string]>> = {
  script: ['script', 'scripts'],
  handler: ['script inside a tag', 'scripts inside tags'],
  frame: ['page inside the page', 'pages inside the page'],
  'plug-in': ['plug-in', 'plug-ins'],
  refresh: ['refresh', 'refreshes'],
  elsewhere: ['thing from elsewhere', 'things from elsewhere'],
  hint: ['hint of what to load', 'hints of what to load'],
  style: ['style too deep to read', 'styles too deep to read'],
  drawing: ['drawing too large to read', 'drawings too large to read'],
};

/** What was left out, in words: “3 scripts and 2 things from elsewhere”; empty where nothing was. */
export function leftWords(left: readonly LeftOut[]): string {
  const counted = (Object.keys(named) as LeftKind[]).flatMap((what) => {
    const count = left.filter((l) => l.what === what).length;
    return count > 0 ? [`${count} ${named[what][count === 1 ? 0 : 1]}`] : [];
  });
  return counted.length < 2
    ? counted.join('')
    : `${counted.slice(0, -1).join(', ')} and ${counted.at(-1)}`;
}
