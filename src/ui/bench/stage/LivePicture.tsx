'use client';

import { useEffect, useRef, useState } from 'react';
import type { Drawing } from '@/core/compose/compose';
import { drawingOf } from '@/core/compose/drawing';
import { fileSize, overlapOf } from '@/core/frame/overlap';
import type { Rect } from '@/core/raster/raster';
import { backPhoto } from '@/core/readings/cover';
import type { Picture } from '@/core/site/model/picture';
import type { Site } from '@/core/site/model/site';
import type { Slot } from '@/core/site/model/slot';
import { asFiled, pictureOf, slotOf } from '@/core/site/picture';
import { useDifference, useHeldFile } from '../../hooks/useHeldFile';
import { type View, theEngine } from '../../hooks/tab/engine';
import type { LivePagePicture } from '../../hooks/usePageFrame';
import { useThumb } from '../../hooks/useThumb';
import { isAsSaved } from '../../page/isAsSaved';
import { notify } from '../../shared/notices';
import { type Showing, useDrawn, useEditing, useFiled, useShowing } from '../useBench';

/** Name under which each repaint is measured, from the edit to the pixels on the canvas. */
export const repaintMeasure = 'soyez repaint';

function drawingToShow(slot: Slot, picture: Picture, showing: Showing): Drawing {
  const drawing = drawingOf(slot, picture);
  if (showing !== 'before') {
    return drawing;
  }
  const photo = backPhoto(picture);
  return { ...drawing, layers: photo ? [{ ...photo, opacity: 1, blend: 'normal' }] : [] };
}

function currentDrawing(site: Site, slotId: string, showing: Showing): Drawing | undefined {
  const slot = slotOf(site, slotId);
  return slot && drawingToShow(slot, pictureOf(site, slot), showing);
}

/** The part of the picture that is on the screen, with a little around it, px of the picture. */
function partInSight(canvas: HTMLCanvasElement): Rect | undefined {
  const scroller = canvas.closest('main');
  if (!scroller) {
    return undefined;
  }
  const c = canvas.getBoundingClientRect();
  const m = scroller.getBoundingClientRect();
  const k = canvas.width / c.width;
  const around = 16;
  const x = Math.floor((Math.max(c.left, m.left) - c.left) * k) - around;
  const y = Math.floor((Math.max(c.top, m.top) - c.top) * k) - around;
  return {
    x,
    y,
    width: Math.ceil((Math.min(c.right, m.right) - c.left) * k) + around - x,
    height: Math.ceil((Math.min(c.bottom, m.bottom) - c.top) * k) + around - y,
  };
}

/** Where the picture is painted in place of here. */
export type PaintedInPage = Pick<LivePagePicture, 'draw' | 'look'>;

/**
 * The picture itself. Edits go from the session straight to the worker, so a drag does not wait for
 * React.
 * @param page paints it in the owner's own page; what is here is not seen then
 */
export function LivePicture({
  rect,
  clip,
  page,
}: {
  rect: Rect;
  clip: Rect;
  page?: PaintedInPage | 'awaited';
}) {
  const { session, site, slot, picture } = useEditing();
  const { showing, held } = useShowing();
  const { drawn } = useDrawn();
  const { encodedFile } = useFiled();
  const canvas = useRef<HTMLCanvasElement>(null);
  const fileCanvas = useRef<HTMLCanvasElement>(null);
  const view = useRef<View>(undefined);
  const since = useRef<number>(undefined);
  const [ready, setReady] = useState(false);
  const painted = useRef<PaintedInPage>(undefined);
  const thumb = useThumb(site, slot, false);
  const slotId = slot.id;
  const size = fileSize(slot, overlapOf(slot));

  useEffect(() => {
    let boxesKey = '';
    const opened = theEngine().view({
      onFrame(frame, settled) {
        const element = canvas.current;
        if (!element) {
          return;
        }
        if (element.width !== frame.width || element.height !== frame.height) {
          element.width = frame.width;
          element.height = frame.height;
        }
        const { x, y, width, height } = frame.changed;
        if (width > 0 && height > 0) {
          element.getContext('2d')!.putImageData(new ImageData(frame.pixels, width, height), x, y);
          painted.current?.draw(frame);
        }
        if (since.current !== undefined) {
          performance.measure(repaintMeasure, {
            start: since.current,
            end: performance.now(),
            detail: { workerMs: frame.ms },
          });
          since.current = undefined;
        }
        const key = JSON.stringify(frame.boxes);
        if (key !== boxesKey) {
          boxesKey = key;
          drawn.setState({ boxes: frame.boxes });
        }
        if (settled) {
          setReady(true);
          element.dataset.settled = 'true';
        }
      },
      onFailure: (message) => notify('bad', message),
    });
    view.current = opened;
    return () => opened.close();
  }, [drawn]);

  useEffect(() => {
    const show = (s: Site) => {
      const drawing = currentDrawing(s, slotId, showing);
      since.current ??= performance.now();
      if (canvas.current) {
        canvas.current.dataset.settled = 'false';
      }
      if (drawing) {
        view.current?.show(drawing, canvas.current ? partInSight(canvas.current) : undefined);
      }
    };
    show(session.state.getState().site);
    return session.state.subscribe((state, before) => {
      if (state.site !== before.site) {
        show(state.site);
      }
    });
  }, [session, slotId, showing]);

  const file = useHeldFile(held) ?? encodedFile.file?.whole ?? encodedFile.file?.decoded;
  const lost = useDifference(
    showing === 'difference' ? file : undefined,
    site,
    slot,
    asFiled(picture),
  );
  const decoded = { file, difference: lost, picture: undefined, before: undefined }[showing];
  useEffect(() => {
    const element = fileCanvas.current;
    if (!element || !decoded) {
      return;
    }
    element.width = decoded.width;
    element.height = decoded.height;
    element
      .getContext('2d')!
      .putImageData(new ImageData(decoded.data, decoded.width, decoded.height), 0, 0);
  }, [decoded]);

  const laid = page === 'awaited' ? undefined : page;
  useEffect(() => {
    painted.current = laid;
    const element = canvas.current;
    if (laid && element && element.width > 0 && element.height > 0) {
      // Everything that was drawn before the page was there.
      const { width, height } = element;
      const { data } = element.getContext('2d')!.getImageData(0, 0, width, height);
      laid.draw({ width, height, changed: { x: 0, y: 0, width, height }, pixels: data });
    }
  }, [laid]);
  const asSaved = isAsSaved(site, slot);
  useEffect(() => {
    if (laid) {
      laid.look(decoded ?? (ready && !asSaved && showing !== 'before' ? 'drawn' : 'own'));
    }
  }, [laid, decoded, ready, asSaved, showing]);

  const place = {
    position: 'absolute' as const,
    left: rect.x - clip.x,
    top: rect.y - clip.y,
    width: rect.width,
    height: rect.height,
  };
  return (
    <div
      className="absolute overflow-hidden"
      style={{
        left: clip.x,
        top: clip.y,
        width: clip.width,
        height: clip.height,
        opacity: page ? 0 : undefined,
      }}
    >
      <canvas
        ref={canvas}
        role="img"
        aria-label={`The picture in ${slot.name}`}
        data-showing={showing}
        data-ready={ready}
        width={size.width}
        height={size.height}
        style={{
          ...place,
          visibility: decoded ? 'hidden' : undefined,
          backgroundImage: !ready && thumb ? `url(${thumb})` : undefined,
          backgroundSize: '100% 100%',
        }}
      />
      {decoded && (
        <canvas
          ref={fileCanvas}
          role="img"
          aria-label={
            showing === 'file'
              ? `The written file in ${slot.name}`
              : `What the file of ${slot.name} has lost`
          }
          style={place}
        />
      )}
    </div>
  );
}
