/** How far long work has come. */
export function Progress({
  label,
  done,
  of = 1,
  className = '',
}: {
  label: string;
  done: number;
  of?: number;
  className?: string;
}) {
  return (
    <progress
      aria-label={label}
      className={`h-1.5 appearance-none overflow-hidden rounded-sm [&::-moz-progress-bar]:bg-act [&::-webkit-progress-bar]:bg-line [&::-webkit-progress-value]:bg-act ${className}`}
      value={done}
      max={Math.max(1, of)}
    />
  );
}
