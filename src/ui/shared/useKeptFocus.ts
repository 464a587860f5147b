'use client';

import { useEffect, type RefObject } from 'react';

/** Focuses what is no control, so that keys go on from there; that it could be is undone afterwards. */
function focusPlain(element: HTMLElement): void {
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
 * Focus does not fall to the body: on arriving it is on the screen itself, and where what had it
 * goes away, on the nearest that is still there around it.
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
    const keep = () => {
      const [last] = chain;
      if (isLost() && last && isGone(last)) {
        focusPlain(chain.find((element) => root.contains(element) && !isGone(element)) ?? root);
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
    if (isLost()) {
      focusPlain(root);
    }
    return () => {
      observer.disconnect();
      root.removeEventListener('focusin', remember);
    };
  }, [screen]);
}
