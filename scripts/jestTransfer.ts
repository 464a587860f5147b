/**
 * Node 20 has no `ArrayBuffer.prototype.transfer`; with this one what was let go of is gone in tests
 * as it is in browsers, so that using it later fails.
 */
interface Transferring {
  transfer?(length?: number): ArrayBuffer;
}

function transfer(this: ArrayBuffer, length = this.byteLength): ArrayBuffer {
  const all: ArrayBuffer = structuredClone(this, { transfer: [this] });
  const out = new ArrayBuffer(length);
  new Uint8Array(out).set(new Uint8Array(all, 0, Math.min(length, all.byteLength)));
  return out;
}

// Jest's sandbox has buffers of its own beside those of Node.
for (const buffer of [new ArrayBuffer(1), new Uint8ClampedArray(1).buffer]) {
  (Object.getPrototypeOf(buffer) as Transferring).transfer ??= transfer;
}
