/** Takes a page that is laid out and not looked at. */
export function hiddenHost(): HTMLElement {
  const host = document.createElement('div');
  host.inert = true;
  host.style.cssText =
    'position:absolute;left:0;top:0;width:0;height:0;overflow:hidden;visibility:hidden';
  document.body.append(host);
  return host;
}
