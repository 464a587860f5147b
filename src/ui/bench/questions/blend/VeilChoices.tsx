'use client';

import type { Veil } from '@/core/legibility/report';
import { colourName } from '@/core/readings/say';
import type { Hex } from '@/core/site/model/hex';
import { Hint } from '../../../shared/Button';
import { ColourButton } from '../../../shared/ColourButton';
import { useEditing } from '../../useBench';

/** Veils of several colours, each at the least strength with which words read. */
export function VeilChoices({
  veils,
  wanted,
  onVeil,
}: {
  veils: readonly Veil[];
  wanted: number;
  /** @param label as the step is called */
  onVeil(veil: Veil, label: string): void;
}) {
  const { site } = useEditing();
  return (
    <ul aria-label="Least veil of each colour" className="flex flex-wrap gap-1.5">
      {veils.slice(0, 7).map((veil) => {
        const name = colourName(site, veil.colour);
        return (
          <li key={veil.colour}>
            <Hint
              text={`The least strength of ${name} that reaches ${wanted}:1 at every px behind the words`}
            >
              <ColourButton
                colour={veil.colour}
                name={name}
                figure={`${veil.percent}%`}
                aria-label={`Veil: ${name} ${veil.percent}%`}
                onClick={() => onVeil(veil, `Veil of ${name} at ${veil.percent}%`)}
              />
            </Hint>
          </li>
        );
      })}
    </ul>
  );
}

/** Colours in which words would read as things are. */
export function InkChoices({
  inks,
  what,
  onInk,
}: {
  inks: readonly Hex[];
  /** What is set in it: `Words`. */
  what: string;
  /** @param label as the step is called */
  onInk(ink: Hex, label: string): void;
}) {
  const { site } = useEditing();
  return (
    <span className="flex flex-wrap gap-1">
      {inks.map((ink) => {
        const label = `${what} in ${colourName(site, ink)}`;
        return (
          <ColourButton
            key={ink}
            colour={ink}
            name={colourName(site, ink)}
            aria-label={label}
            onClick={() => onInk(ink, label)}
          />
        );
      })}
    </span>
  );
}
