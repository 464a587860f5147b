/**
 * One of a thing for as long as the tab lives, made when it is first asked for and never on the
 * server. Each screen loads only the parts that it asks for.
 */
export function once<T>(make: () => T): () => T {
  let made: { readonly it: T } | undefined;
  return () => (made ??= { it: make() }).it;
}
