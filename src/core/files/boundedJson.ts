/** JSON was refused; the message is the rest of “expected …, found …”. */
export class JsonError extends Error {
  constructor(
    readonly expected: string,
    readonly found: string,
  ) {
    super(`Expected ${expected}, found ${found}.`);
  }
}

export interface JsonLimits {
  /** Characters. */
  readonly length: number;
  /** Lists and objects inside each other. */
  readonly depth: number;
  /** Members of lists and objects, all together. */
  readonly members: number;
}

const quote = 0x22;
const backslash = 0x5c;
const comma = 0x2c;
/** `[` and `{`, `]` and `}`: each pair differs in one bit. */
const isOpening = (code: number): boolean => (code | 0x20) === 0x7b;
const isClosing = (code: number): boolean => (code | 0x20) === 0x7d;

/** Where a string ends that begins there. */
function endOfString(text: string, at: number): number {
  let end = at + 1;
  while (end < text.length && text.charCodeAt(end) !== quote) {
    end += text.charCodeAt(end) === backslash ? 2 : 1;
  }
  return end;
}

/**
 * Reads JSON that is neither too long, too deep nor too much; that is counted before anything is
 * made of it, since what is too deep ends whoever goes through it.
 * @param what it is, in words
 * @throws JsonError
 */
export function boundedJson(text: string, what: string, limits: JsonLimits): unknown {
  if (text.length > limits.length) {
    throw new JsonError(
      `${what} of at most ${limits.length / 1e6} MB`,
      `${(text.length / 1e6).toFixed(1)} MB`,
    );
  }
  let depth = 0;
  let members = 0;
  for (let at = 0; at < text.length; at++) {
    const code = text.charCodeAt(at);
    if (code === quote) {
      at = endOfString(text, at);
    } else if (code === comma) {
      members++;
    } else if (isOpening(code)) {
      depth++;
      members++;
    } else if (isClosing(code)) {
      depth--;
    }
    if (depth > limits.depth) {
      throw new JsonError(`${what} at most ${limits.depth} deep`, 'more');
    }
    if (members > limits.members) {
      throw new JsonError(`${what} of at most ${limits.members} values`, 'more');
    }
  }
  try {
    return JSON.parse(text);
  } catch {
    throw new JsonError(`${what} to be JSON`, 'something else');
  }
}
