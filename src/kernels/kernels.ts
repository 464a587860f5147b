import { toByteArray } from 'base64-js';
import type { LikenessCalls } from './likenessCalls';
import { kernelModule } from './module';

/*
 * Loops over pixels as a WebAssembly module, four values at a time. Rasters stay where they are: a
 * kernel works on rows that are copied in and out, so that its memory stays small and nothing of it
 * is to be given back.
 */

/** The little of WebAssembly's interface that is needed; the core knows no browser. */
declare const WebAssembly: {
  validate(bytes: Uint8Array): boolean;
  Module: new (bytes: Uint8Array) => object;
  Instance: new (module: object, imports: object) => { readonly exports: Record<string, unknown> };
};

interface WasmMemory {
  readonly buffer: ArrayBuffer;
  grow(pages: number): number;
}

/** The functions of the folder `assembly`; what they take is said there. Addresses are bytes. */
export interface KernelCalls extends LikenessCalls {
  freeFrom(): number;
  filterRow(
    row: number,
    pixels: number,
    linear: number,
    line: number,
    starts: number,
    weights: number,
    taps: number,
    count: number,
    out: number,
  ): void;
  mixRows(
    rows: number,
    weights: number,
    taps: number,
    count: number,
    levels: number,
    out: number,
  ): void;
  blendNormal(
    target: number,
    source: number,
    pixels: number,
    alphas: number,
    by: number,
    opacity: number,
  ): void;
  blendByTable(
    target: number,
    source: number,
    pixels: number,
    alphas: number,
    by: number,
    table: number,
    opacity: number,
  ): void;
  blendTogether(
    target: number,
    source: number,
    pixels: number,
    mode: number,
    opacity: number,
  ): void;
  blurPlane(
    data: number,
    width: number,
    height: number,
    n: number,
    along: boolean,
    line: number,
    other: number,
    passes: number,
    radius: number,
    end: number,
    scale: number,
    weights: number,
  ): void;
  coverRow(cover: number, colour: number, pixels: number, row: number): void;
  meanOfFour(from: number, width: number, rows: number, out: number): void;
}

type Values =
  Uint8Array | Uint8ClampedArray | Int32Array | Float32Array | Float64Array | Uint16Array;

const page = 65536;
const aligned = (bytes: number): number => (bytes + 15) & ~15;

/** The kernels and the memory they work in. */
export class Kernels {
  private readonly tables = new Map<string, number>();
  private top: number;
  /** All of the memory; anew after it grew. */
  bytes: Uint8Array;

  constructor(
    readonly call: KernelCalls,
    private readonly memory: WasmMemory,
  ) {
    this.top = aligned(call.freeFrom());
    this.bytes = new Uint8Array(memory.buffer);
  }

  /** Address of a table that stays. Asked for before the room of a call. */
  table(name: string, make: () => Values): number {
    const known = this.tables.get(name);
    if (known !== undefined) {
      return known;
    }
    const values = make();
    const at = this.top;
    this.top = aligned(at + values.byteLength);
    this.reach(this.top);
    this.put(at, values);
    this.tables.set(name, at);
    return at;
  }

  /** Addresses of rooms of so many bytes, which last until this is asked again. */
  rooms(...sizes: readonly number[]): number[] {
    let next = this.top;
    const found = sizes.map((size) => {
      const at = next;
      next = aligned(at + size);
      return at;
    });
    this.reach(next);
    return found;
  }

  /** Copies values in. */
  put(at: number, values: Values): void {
    this.bytes.set(
      values.BYTES_PER_ELEMENT === 1
        ? (values as Uint8Array)
        : new Uint8Array(values.buffer, values.byteOffset, values.byteLength),
      at,
    );
  }

  floats(at: number, count: number): Float32Array {
    return new Float32Array(this.memory.buffer, at, count);
  }

  ints(at: number, count: number): Int32Array {
    return new Int32Array(this.memory.buffer, at, count);
  }

  private reach(end: number): void {
    const missing = end - this.memory.buffer.byteLength;
    if (missing > 0) {
      this.memory.grow(Math.ceil(missing / page));
      this.bytes = new Uint8Array(this.memory.buffer);
    }
  }
}

function start(): Kernels | undefined {
  try {
    const bytes = toByteArray(kernelModule);
    // Nothing of a module that needs more than the browser has is valid.
    if (!WebAssembly.validate(bytes)) {
      return undefined;
    }
    const { exports } = new WebAssembly.Instance(new WebAssembly.Module(bytes), {});
    const { memory, ...calls } = exports as { memory: WasmMemory };
    return new Kernels(calls as unknown as KernelCalls, memory);
  } catch {
    // Where code may not be compiled, the loops in TypeScript do the same.
    return undefined;
  }
}

let started: { readonly kernels: Kernels | undefined } | undefined;

/** The kernels of this thread; undefined where it cannot have them. */
export function kernels(): Kernels | undefined {
  started ??= { kernels: start() };
  return started.kernels;
}

/** Does something without the kernels. For tests, which hold them against their twins. */
export function withoutKernels<T>(work: () => T): T {
  const before = started;
  started = { kernels: undefined };
  try {
    return work();
  } finally {
    started = before;
  }
}
