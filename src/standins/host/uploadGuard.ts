import { LRUCache } from 'lru-cache';
import { HostError } from './hostError';

/*
 * What is decided of an upload before the host looks into it: who sends it, how many are at it, how
 * much and for how long.
 */

/** Bounds of the host's door. */
export interface UploadGuardLimits {
  /** Of one upload. */
  readonly bytes: number;
  /** Of all uploads that are being read, or wait to be looked into. */
  readonly allBytes: number;
  /** From the first byte of an upload to its last, ms. */
  readonly longest: number;
  /** Uploads of one sender in so many ms. */
  readonly uploads: number;
  readonly within: number;
}

/** Undefined for an origin that is none, such as `null`. */
function hostOf(origin: string): string | undefined {
  try {
    return new URL(origin).host;
  } catch {
    return undefined;
  }
}

/**
 * Only pages of the same origin may change what the host has: browsers say where a request is from
 * (Fetch Metadata, `Sec-Fetch-Site`; Fetch, `Origin`). What is no browser says neither.
 * @throws HostError
 */
export function checkOrigin(headers: Headers): void {
  const site = headers.get('sec-fetch-site');
  const origin = headers.get('origin');
  const host = headers.get('x-forwarded-host') ?? headers.get('host');
  const isOther = site !== null && site !== 'same-origin' && site !== 'none';
  if (isOther || (origin !== null && hostOf(origin) !== host)) {
    throw new HostError('Expected a request from this site, found one from elsewhere.', 403);
  }
}

/** The address that an upload came from: the nearest that the server knows of. */
const senderOf = (headers: Headers): string =>
  headers.get('x-forwarded-for')?.split(',').at(-1)!.trim() ?? '';

const lengthOf = (parts: readonly Uint8Array[]): number =>
  parts.reduce((sum, part) => sum + part.length, 0);

function joined(parts: readonly Uint8Array[]): Uint8Array {
  const whole = new Uint8Array(lengthOf(parts));
  let at = 0;
  for (const part of parts) {
    whole.set(part, at);
    at += part.length;
  }
  return whole;
}

const megabytes = (bytes: number): string => `${Math.round(bytes / 1e6)} MB`;

/**
 * Reads uploads side by side, so that one who sends slowly holds up nobody, and has them looked into
 * one after another. Who would be too much for the memory is asked to come again.
 */
export class UploadGuard {
  private held = 0;
  private last: Promise<unknown> = Promise.resolve();

  /** When uploads of a sender began, the newest last. */
  private readonly begun = new LRUCache<string, number[]>({ max: 10_000 });

  constructor(
    private readonly limits: UploadGuardLimits,
    private readonly now: () => number,
  ) {}

  /**
   * Reads an upload and has it looked into.
   * @param headers of the request
   * @param body read only as far as it may be
   * @throws HostError where it is from elsewhere, one too many, too large or too slow
   */
  async pass<T>(
    headers: Headers,
    body: ReadableStream<Uint8Array> | null,
    look: (bytes: Uint8Array) => Promise<T>,
  ): Promise<T> {
    checkOrigin(headers);
    this.count(senderOf(headers));
    const said = Number(headers.get('content-length') ?? 0);
    // Before anything is read.
    if (said > this.limits.bytes) {
      throw this.tooMuch(megabytes(said));
    }
    const parts: Uint8Array[] = [];
    try {
      await this.read(body, parts);
      const turn = this.last.then(() => look(joined(parts)));
      this.last = turn.catch(() => {});
      return await turn;
    } finally {
      this.release(parts);
    }
  }

  /** @throws HostError where the sender has sent too many of late */
  private count(sender: string): void {
    const { uploads, within } = this.limits;
    const since = this.now() - within;
    const times = (this.begun.get(sender) ?? []).filter((at) => at > since);
    if (times.length >= uploads) {
      throw new HostError(
        `This host takes at most ${uploads} uploads in ${within / 1000} seconds. Try again in a moment.`,
        429,
      );
    }
    this.begun.set(sender, [...times, this.now()]);
  }

  private release(parts: Uint8Array[]): void {
    this.held -= lengthOf(parts);
    parts.length = 0;
  }

  /** Counts what comes, not what was said of it. */
  private async read(body: ReadableStream<Uint8Array> | null, parts: Uint8Array[]): Promise<void> {
    const { bytes: most, allBytes, longest } = this.limits;
    const reader = body?.getReader();
    let late = false;
    const timer = setTimeout(() => {
      late = true;
      void reader?.cancel();
    }, longest);
    try {
      for (let part = await reader?.read(); part && !part.done; part = await reader!.read()) {
        parts.push(part.value);
        this.held += part.value.length;
        if (lengthOf(parts) > most) {
          throw this.tooMuch('more');
        }
        if (this.held > allBytes) {
          throw new HostError('The host is busy with other uploads. Try again in a moment.', 503);
        }
      }
    } catch (error) {
      // At once: others that are being read have this room already.
      this.release(parts);
      void reader?.cancel();
      throw error;
    } finally {
      clearTimeout(timer);
    }
    if (late) {
      throw new HostError(
        `Expected an upload within ${longest / 1000} seconds, found a slower one.`,
        408,
      );
    }
  }

  private tooMuch(found: string): HostError {
    return new HostError(
      `This host takes at most ${megabytes(this.limits.bytes)} at once, found ${found}.`,
      413,
    );
  }
}
