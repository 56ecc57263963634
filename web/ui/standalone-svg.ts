/** A drawing on the page as a file of its own: colours that the page's theme gives are written out. */
export function standalone(drawing: SVGSVGElement): string {
  const copy = drawing.cloneNode(true) as SVGSVGElement;
  const theme = getComputedStyle(document.documentElement);
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
  copy.setAttribute('viewBox', `0 0 ${drawing.clientWidth} ${drawing.clientHeight}`);
  copy.removeAttribute('style');
  copy.querySelectorAll('[role=slider]').forEach((handle) => handle.remove());
  return copy.outerHTML.replaceAll(/var\((--[\w-]+)\)/g, (_match, name: string) => theme.getPropertyValue(name).trim() || '#16302B');
}
