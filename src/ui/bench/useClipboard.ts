'use client';

import { useEffect, useRef } from 'react';
import { layerActions } from './layerActions';
import { copyLayers, layersType, pasteLayers } from './layerClipboard';
import type { Acting } from './useBench';

const inField = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && target.closest('input, textarea, [contenteditable]') !== null;

/**
 * Ctrl+C, X and V of layers on the bench. Fields keep theirs, and so does text that is marked on the
 * page.
 */
export function useClipboard(bench: Acting): void {
  const now = useRef(bench);
  useEffect(() => {
    now.current = bench;
  });
  useEffect(() => {
    const copy = (event: ClipboardEvent) => {
      if (inField(event.target) || String(window.getSelection() ?? '') !== '') {
        return;
      }
      const copied = copyLayers(now.current);
      if (copied === undefined) {
        return;
      }
      event.preventDefault();
      event.clipboardData?.setData(layersType, copied);
      event.clipboardData?.setData(
        'text/plain',
        now.current.selection.flatMap((l) => (l.kind === 'text' ? [l.words] : [])).join('\n'),
      );
      if (event.type === 'cut') {
        layerActions.remove(now.current, now.current.selection);
      }
    };
    const paste = (event: ClipboardEvent) => {
      if (inField(event.target)) {
        return;
      }
      if (event.clipboardData?.types.includes(layersType)) {
        event.preventDefault();
        pasteLayers(now.current);
      }
    };
    window.addEventListener('copy', copy);
    window.addEventListener('cut', copy);
    window.addEventListener('paste', paste);
    return () => {
      window.removeEventListener('copy', copy);
      window.removeEventListener('cut', copy);
      window.removeEventListener('paste', paste);
    };
  }, []);
}
