/** What scrolls an element: itself, or the nearest around it that does. */
export function scrollerOf(element: HTMLElement | null): HTMLElement | null {
  for (let at = element; at; at = at.parentElement) {
    if (/auto|scroll/.test(getComputedStyle(at).overflowY)) {
      return at;
    }
  }
  return null;
}
