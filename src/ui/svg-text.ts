const KEPT = [
  'fill',
  'fill-opacity',
  'stroke',
  'stroke-width',
  'stroke-dasharray',
  'stroke-linejoin',
  'stroke-linecap',
  'opacity',
  'font-family',
  'font-size',
  'font-weight',
  'letter-spacing',
  'text-anchor',
  'dominant-baseline',
] as const;

/** A drawing on the screen as an SVG file by itself: what its classes give is written into each element, the ground behind it. */
export function svgText(
  drawing: SVGSVGElement,
  title: string,
  behind: string = getComputedStyle(document.body).backgroundColor,
): string {
  const copy = drawing.cloneNode(true) as SVGSVGElement;
  const from = [drawing, ...drawing.querySelectorAll('*')];
  const to = [copy, ...copy.querySelectorAll('*')];
  from.forEach((element, i) => {
    const style = getComputedStyle(element);
    const target = to[i]!;
    for (const name of KEPT) target.setAttribute(name, style.getPropertyValue(name));
    for (const name of ['class', 'style', 'tabindex', 'role', 'aria-label', 'aria-pressed'])
      target.removeAttribute(name);
  });
  const { x, y, width, height } = drawing.viewBox.baseVal;
  const ground = document.createElementNS('http://www.w3.org/2000/svg', 'rect');
  for (const [name, value] of Object.entries({ x, y, width, height })) ground.setAttribute(name, String(value));
  ground.setAttribute('fill', behind);
  copy.insertBefore(ground, copy.firstChild);
  const name = document.createElementNS('http://www.w3.org/2000/svg', 'title');
  name.textContent = title;
  copy.insertBefore(name, copy.firstChild);
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
  copy.setAttribute('width', String(width));
  copy.setAttribute('height', String(height));
  return `<?xml version="1.0" encoding="UTF-8"?>\n${new XMLSerializer().serializeToString(copy)}\n`;
}
