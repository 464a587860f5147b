/** An id that nothing else has. */
export const newId = (): string => crypto.randomUUID();
