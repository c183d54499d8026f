/** Drawings of a chart as files that look the same outside the page: no variables, no style sheets. */

const PAINTS = ['fill', 'stroke'] as const;
const STYLES = ['font-family', 'font-size', 'font-weight'] as const;

/** Colours of the page put in for their variables, and the type that the page gives. */
function settle(from: Element, into: Element): void {
  const style = getComputedStyle(from);
  for (const paint of PAINTS) if (into.getAttribute(paint)?.includes('var(')) into.setAttribute(paint, style[paint]);
  if (from.tagName === 'text') {
    for (const name of STYLES) into.setAttribute(name, style.getPropertyValue(name));
    into.setAttribute('fill', style.fill);
  }
  into.removeAttribute('class');
  into.removeAttribute('style');
  [...from.children].forEach((child, k) => {
    const copy = into.children[k];
    if (copy) settle(child, copy);
  });
}

/** All drawings inside an element, one under the other, on the page's paper. */
export function pictureOf(body: HTMLElement, title: string): { svg: string; width: number; height: number } {
  const drawings = [...body.querySelectorAll<SVGSVGElement>('svg.recharts-surface')].filter(
    (drawing) => drawing.clientWidth > 40,
  );
  const made = document.createElementNS('http://www.w3.org/2000/svg', 'svg');
  let [width, height] = [0, 0];
  for (const drawing of drawings) {
    const copy = drawing.cloneNode(true) as SVGSVGElement;
    settle(drawing, copy);
    const { width: wide, height: high } = drawing.getBoundingClientRect();
    copy.setAttribute('x', '0');
    copy.setAttribute('y', String(height));
    copy.setAttribute('width', String(wide));
    copy.setAttribute('height', String(high));
    made.append(copy);
    width = Math.max(width, wide);
    height += high;
  }
  made.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
  made.setAttribute('width', String(width));
  made.setAttribute('height', String(height));
  made.setAttribute('viewBox', `0 0 ${width} ${height}`);
  const paper = document.createElementNS('http://www.w3.org/2000/svg', 'rect');
  paper.setAttribute('width', '100%');
  paper.setAttribute('height', '100%');
  paper.setAttribute('fill', getComputedStyle(body).getPropertyValue('--panel').trim() || 'white');
  const name = document.createElementNS('http://www.w3.org/2000/svg', 'title');
  name.textContent = title;
  made.prepend(name, paper);
  return { svg: new XMLSerializer().serializeToString(made), width, height };
}

/** A drawing as a PNG at twice its size; rejects where the browser can't paint it. */
export async function pngOf({ svg, width, height }: { svg: string; width: number; height: number }): Promise<Blob> {
  const url = URL.createObjectURL(new Blob([svg], { type: 'image/svg+xml' }));
  try {
    const image = new Image();
    image.src = url;
    await image.decode();
    const canvas = document.createElement('canvas');
    canvas.width = Math.ceil(2 * width);
    canvas.height = Math.ceil(2 * height);
    canvas.getContext('2d')?.drawImage(image, 0, 0, canvas.width, canvas.height);
    return await new Promise((resolve, reject) =>
      canvas.toBlob((blob) => (blob ? resolve(blob) : reject(new Error('the picture was not painted')))),
    );
  } finally {
    URL.revokeObjectURL(url);
  }
}
