'use client';

import { useEffect, useEffectEvent, useRef, type ComponentProps } from 'react';

/**
 * The browser's own field for a colour.
 * @param onChoose called with #rrggbb in lower case (HTML, section 2.4.6) once the browser's dialog
 *   is closed; React's own `onChange` answers to every colour that is passed over in it
 */
export function NativeColourInput({
  onChoose,
  ...props
}: Omit<ComponentProps<'input'>, 'type' | 'ref' | 'onChange'> & { onChoose(hex: string): void }) {
  const input = useRef<HTMLInputElement>(null);
  const choose = useEffectEvent(onChoose);
  useEffect(() => {
    const element = input.current!;
    const chosen = () => choose(element.value);
    element.addEventListener('change', chosen);
    return () => element.removeEventListener('change', chosen);
  }, []);
  return <input {...props} ref={input} type="color" />;
}
