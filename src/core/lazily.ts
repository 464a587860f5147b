/** One of a thing, made when it is first asked for. */
export function lazily<T>(make: () => T): () => T {
  let made: { readonly it: T } | undefined;
  return () => (made ??= { it: make() }).it;
}
