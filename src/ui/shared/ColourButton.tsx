'use client';

import type { ComponentProps } from 'react';
import { Button } from './Button';

/** Does something with a colour: a patch of it, its name, and a figure where there is one. */
export function ColourButton({
  colour,
  name,
  figure,
  ...rest
}: Omit<ComponentProps<typeof Button>, 'children'> & {
  colour: string;
  name: string;
  figure?: string;
}) {
  return (
    <Button {...rest}>
      <span aria-hidden className="h-3.5 w-3.5 border border-line" style={{ background: colour }} />
      {name} {figure !== undefined && <span className="figure">{figure}</span>}
    </Button>
  );
}
