/** Text for HTML content and attribute values. */
export const escapeHtml = (text: string): string =>
  text.replace(
    /[&<>"]/g,
    (c) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[c] ?? c,
  );

/**
 * Text as a CSS string, quotes included, by the rules of CSSOM for serializing a string; `<` is
 * escaped too, so that it cannot end a style element.
 */
export const cssString = (text: string): string =>
  `"${text.replaceAll('\0', '\ufffd').replace(/[\u0001-\u001f\u007f<"\\]/g, escapedInCss)}"`;

const escapedInCss = (sign: string): string =>
  sign === '"' || sign === '\\' ? `\\${sign}` : `\\${sign.codePointAt(0)!.toString(16)} `;

/** A path below an archive's root as an address relative to it (RFC 3986), for HTML and CSS. */
export const addressOf = (path: string): string =>
  path.split('/').map(encodeURIComponent).join('/');
