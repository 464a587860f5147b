'use client';

import { useEffect, type RefObject } from 'react';

/** Focuses what is no control, so that keys go on from there; that it could be is undone afterwards. */
export function focusPlain(element: HTMLElement): void {
  if (!element.hasAttribute('tabindex')) {
    element.tabIndex = -1;
    element.style.outline = 'none';
    element.addEventListener(
      'blur',
      () => {
        element.removeAttribute('tabindex');
        element.style.removeProperty('outline');
      },
      { once: true },
    );
  }
  element.focus({ preventScroll: true });
}

const isLost = (): boolean => document.activeElement === document.body;

/** It went away or cannot be used any more; what one merely clicked away from is neither. */
const isGone = (element: HTMLElement): boolean =>
  !element.isConnected || element.matches(':disabled');

/**
 * Focus does not fall to the body: on arriving it is on the screen itself; where what had it goes
 * away, on the nearest that is still there around it; and where a dialog closes, where it was before.
 */
export function useKeptFocus(screen: RefObject<HTMLElement | null>): void {
  useEffect(() => {
    const root = screen.current;
    if (!root) {
      return;
    }
    /** What had focus last and all that it lies in, from the inside out. */
    let chain: HTMLElement[] = [];
    const remember = (event: FocusEvent) => {
      chain = [];
      let at = event.target instanceof HTMLElement ? event.target : null;
      while (at && at !== document.body) {
        chain.push(at);
        at = at.parentElement;
      }
    };
    /** What had focus last of all, on the screen or in what lay over it. */
    let latest: EventTarget | null = null;
    const note = (event: FocusEvent) => {
      latest = event.target;
    };
    /** A dialog or a card that had focus has closed. */
    const isClosed = () => latest instanceof HTMLElement && !latest.isConnected;
    const keep = () => {
      const [last] = chain;
      if (!isLost() || !last || !(isGone(last) || isClosed())) {
        return;
      }
      const there = chain.find((element) => root.contains(element) && !isGone(element)) ?? root;
      there.focus({ preventScroll: true });
      if (isLost()) {
        focusPlain(there);
      }
    };
    const observer = new MutationObserver(keep);
    root.addEventListener('focusin', remember);
    observer.observe(root, {
      childList: true,
      subtree: true,
      attributes: true,
      attributeFilter: ['disabled'],
    });
    document.addEventListener('focusin', note);
    // What lies over the screen hangs on the body, and gives focus back only to a button of its own.
    observer.observe(document.body, { childList: true });
    if (isLost()) {
      focusPlain(root);
    }
    return () => {
      observer.disconnect();
      root.removeEventListener('focusin', remember);
      document.removeEventListener('focusin', note);
    };
  }, [screen]);
}
