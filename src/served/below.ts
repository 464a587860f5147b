/**
 * An address below a path that the application is served at; its start has no slash at its end then.
 * @param base `/tools/soyez`; nothing where it has a host of its own
 */
export const below = (base: string, address: string): string =>
  base + (base && /^\/(?:\?|$)/.test(address) ? address.slice(1) : address);
