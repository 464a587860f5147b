/** An address that is the same inside and outside of quotes, in markup and in style sheets. */
export const addressOfPath = (path: string): string =>
  path
    .split('/')
    .map((part) => encodeURIComponent(part).replace(/[!'()*]/g, hex))
    .join('/');

const hex = (sign: string): string => `%${sign.charCodeAt(0).toString(16).toUpperCase()}`;

/** The address of a file for what lies in another place below the same root. */
export function relativeAddress(from: string, to: string): string {
  const folders = from.split('/').slice(0, -1);
  const parts = to.split('/');
  let same = 0;
  while (same < folders.length && same < parts.length - 1 && folders[same] === parts[same]) {
    same++;
  }
  return addressOfPath([...folders.slice(same).map(() => '..'), ...parts.slice(same)].join('/'));
}
