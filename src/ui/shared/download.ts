import { revokeUrl } from './revokeUrl';

/** Hands bytes or text to the browser as a file to save. */
export function download(
  name: string,
  content: Uint8Array<ArrayBuffer> | string,
  type: string,
): void {
  const url = URL.createObjectURL(new Blob([content], { type }));
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  revokeUrl(url);
}
