const types: Readonly<Record<string, string>> = {
  html: 'text/html',
  htm: 'text/html',
  css: 'text/css',
  txt: 'text/plain',
  js: 'text/javascript',
  json: 'application/json',
  xml: 'application/xml',
  jpg: 'image/jpeg',
  jpeg: 'image/jpeg',
  png: 'image/png',
  gif: 'image/gif',
  webp: 'image/webp',
  avif: 'image/avif',
  svg: 'image/svg+xml',
  ico: 'image/vnd.microsoft.icon',
  woff2: 'font/woff2',
  woff: 'font/woff',
  ttf: 'font/ttf',
  otf: 'font/otf',
  zip: 'application/zip',
};

/** The usual ending of a media type; undefined where none is known. */
export const endingOf = (type: string): string | undefined =>
  Object.keys(types).find((ending) => types[ending] === type);

/** Media type of a file by its ending (IANA's registry, those that themes have). */
export const fileType = (path: string): string =>
  types[/\.([a-z0-9]+)$/i.exec(path)?.[1].toLowerCase() ?? ''] ?? 'application/octet-stream';
