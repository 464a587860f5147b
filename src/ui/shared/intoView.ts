/** Ref callbacks that bring an element into view when it appears. One each, never made anew. */
export const intoViewNearest = (element: Element | null) =>
  element?.scrollIntoView({ block: 'nearest' });

export const intoViewCentre = (element: Element | null) =>
  element?.scrollIntoView({ block: 'center' });
