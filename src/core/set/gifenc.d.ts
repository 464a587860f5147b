declare module 'gifenc' {
  interface Frame {
    readonly palette: readonly (readonly [number, number, number])[];
    readonly transparent?: boolean;
    readonly transparentIndex?: number;
  }
  export function GIFEncoder(): {
    writeFrame(index: Uint8Array, width: number, height: number, frame: Frame): void;
    finish(): void;
    bytes(): Uint8Array;
  };
}
