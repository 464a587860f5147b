import type { Harmony } from '@/core/harmony/harmony';

/** A small page in the colours of a harmony. */
export function HarmonyFace({ harmony }: { harmony: Harmony }) {
  const { colours, onBar, onAccent } = harmony;
  const line = (y: number, width: number, colour: string, x = 24, height = 3) => (
    <rect x={x} y={y} width={width} height={height} fill={colour} />
  );
  return (
    <svg aria-hidden viewBox="0 0 120 84" className="block w-full border border-black/15">
      <rect width={120} height={84} fill={colours.page} />
      <rect width={120} height={15} fill={colours.bar} />
      {line(6, 22, onBar, 18)}
      {line(6, 10, onBar, 76)}
      {line(6, 10, onBar, 92)}
      <rect x={18} y={15} width={84} height={69} fill={colours.content} />
      {line(24, 46, colours.text, 24, 5)}
      {line(35, 70, colours.text)}
      {line(42, 28, colours.text)}
      {line(42, 22, colours.link, 55)}
      <rect x={55} y={46} width={22} height={1} fill={colours.link} />
      {line(49, 62, colours.text)}
      <rect x={24} y={60} width={36} height={14} fill={colours.accent} />
      {line(66, 20, onAccent, 32, 2)}
    </svg>
  );
}
