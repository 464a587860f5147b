/** Calls once after so many ms. @returns how to call it off */
export function later(ms: number, call: () => void): () => void {
  const timer = setTimeout(call, ms);
  return () => clearTimeout(timer);
}
