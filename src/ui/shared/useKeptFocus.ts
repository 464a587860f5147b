'use client';

import { useEffect, type RefObject } from 'react';

/** Focuses what is no control, so that keys go on from there; it is forgotten once focus moves on. */
function focusPlain(element: HTMLElement): void {
  const had = element.hasAttribute('tabindex');
  if (!had) {
    element.tabIndex = -1;
    element.addEventListener('blur', () => element.removeAttribute('tabindex'), { once: true });
  }
  element.style.outline = 'none';
  element.focus({ preventScroll: true });
}

/**
 * Focus never falls to the body: on arriving it is on the screen itself, and where what had it goes
 * away, on the nearest that is still there around it.
 */
export function useKeptFocus(screen: RefObject<HTMLElement | null>): void {
  useEffect(() => {
    const root = screen.current;
    if (!root) {
      return;
    }
    const isLost = () => document.activeElement === document.body;
    /** What has focus and all that it lies in, from the inside out. */
    let chain: HTMLElement[] = [];
    const remember = (event: FocusEvent) => {
      chain = [];
      let at = event.target instanceof HTMLElement ? event.target : null;
      while (at && at !== document.body) {
        chain.push(at);
        at = at.parentElement;
      }
    };
    const keep = () => {
      if (isLost()) {
        focusPlain(chain.find((element) => root.contains(element) && element.isConnected) ?? root);
      }
    };
    const observer = new MutationObserver(keep);
    root.addEventListener('focusin', remember);
    observer.observe(root, { childList: true, subtree: true });
    keep();
    return () => {
      observer.disconnect();
      root.removeEventListener('focusin', remember);
    };
  }, [screen]);
}
