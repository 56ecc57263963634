/** A drawing on the page as a file of its own: colours that the page's theme gives are written out. */
export function standalone(drawing: SVGSVGElement): string {
  const copy = drawing.cloneNode(true) as SVGSVGElement;
  const theme = getComputedStyle(document.documentElement);
  if (!copy.hasAttribute('viewBox')) copy.setAttribute('viewBox', `0 0 ${drawing.clientWidth} ${drawing.clientHeight}`);
  // Drawn in a room of its own, it is as large as it was here; what it drew in its own measure keeps that.
  copy.setAttribute('width', String(drawing.clientWidth));
  copy.setAttribute('height', String(drawing.clientHeight));
  copy.querySelectorAll('[role=slider]').forEach((handle) => handle.remove());
  // What makes it a control of the page is no part of the drawing.
  for (const element of [copy, ...copy.querySelectorAll('*')])
    for (const name of ['style', 'role', 'tabindex', 'aria-hidden', 'class']) element.removeAttribute(name);
  copy.querySelectorAll('[aria-label]').forEach((element) => element.removeAttribute('aria-label'));
  // As XML: what a page may write, such as named spaces, a drawing file may not.
  return new XMLSerializer()
    .serializeToString(copy)
    .replaceAll(/var\((--[\w-]+)\)/g, (_match, name: string) => theme.getPropertyValue(name).trim() || '#16302B');
}
