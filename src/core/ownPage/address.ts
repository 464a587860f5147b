/** An address without the part of a file that it points to. */
export const withoutFragment = (address: string): string => address.split('#', 1)[0];
