/** Loads what is likely to be asked for next, once somebody turns to what asks for it. */
const ahead = (load: () => Promise<unknown>) => {
  // What cannot be loaded now is loaded when it is asked for, and said there.
  const begin = () => void load().catch(() => {});
  return { onPointerEnter: begin, onFocus: begin };
};

/** For what goes to a bench: the workers that draw and write take seconds to start. */
export const benchAhead = ahead(() => import('../hooks/tab/warmedBench'));

/** For what goes to a plan whose pictures are still to be measured. */
export const planAhead = ahead(() => import('../hooks/tab/warmedWriting'));
