/** What browsers have and jsdom does not, as far as panels need it to be rendered. */
import { TextDecoder, TextEncoder } from 'node:util';

/** Answers once for each element that is observed, as browsers do, with the size it is said to have. */
class Observer implements ResizeObserver {
  constructor(private readonly answer: ResizeObserverCallback) {}

  observe(): void {
    observersBegun.count++;
    queueMicrotask(() => this.answer([], this));
  }

  unobserve(): void {}

  disconnect(): void {}
}

/** How often an element began to be observed since the test file began. */
export const observersBegun = { count: 0 };

Object.assign(globalThis, { TextDecoder, TextEncoder });
globalThis.ResizeObserver = Observer;
globalThis.structuredClone ??= (value: unknown) => JSON.parse(JSON.stringify(value));
Element.prototype.scrollIntoView = () => {};
Element.prototype.hasPointerCapture = () => false;
Object.defineProperty(HTMLElement.prototype, 'clientWidth', { get: () => 800 });
Object.defineProperty(HTMLElement.prototype, 'clientHeight', { get: () => 300 });
HTMLCanvasElement.prototype.getContext = () => null;
