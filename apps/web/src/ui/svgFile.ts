/** What of a drawing's look comes from style sheets, and has to stand in the file itself. */
const LOOK = [
  'fill',
  'stroke',
  'stroke-width',
  'stroke-dasharray',
  'stroke-linejoin',
  'stroke-linecap',
  'opacity',
  'font-family',
  'font-size',
  'font-weight',
  'font-stretch',
  'text-anchor',
  'dominant-baseline',
] as const;

/**
 * A drawing on the page as the text of an SVG file that stands alone: text stays text, in fonts that any browser has.
 * @param unit what one step of the drawing is in the file; in mm a drawing in millimetres prints full size
 */
export function svgFile(drawing: SVGSVGElement, title: string, unit: 'px' | 'mm' = 'px'): string {
  const copy = drawing.cloneNode(true);
  if (!(copy instanceof SVGSVGElement)) return '';
  const [from, to] = [drawing.querySelectorAll('*'), copy.querySelectorAll('*')];
  from.forEach((element, i) => inline(element, to[i]));
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
  copy.removeAttribute('class');
  copy.removeAttribute('style');
  const { width, height } = drawing.viewBox.baseVal;
  copy.setAttribute('width', `${width}${unit}`);
  copy.setAttribute('height', `${height}${unit}`);
  const name = document.createElementNS('http://www.w3.org/2000/svg', 'title');
  name.textContent = title;
  copy.prepend(name);
  return `<?xml version="1.0" encoding="UTF-8"?>\n${new XMLSerializer().serializeToString(copy)}\n`;
}

function inline(from: Element, to: Element | undefined): void {
  if (!(to instanceof SVGElement)) return;
  const style = getComputedStyle(from);
  for (const name of LOOK) {
    const value = style.getPropertyValue(name);
    if (value !== '') to.style.setProperty(name, value);
  }
  // What stood there as a reference into the style sheet is now written out.
  for (const { name, value } of [...to.attributes]) if (name !== 'style' && value.includes('var(')) to.removeAttribute(name);
  for (const name of ['class', 'tabindex', 'role', 'aria-label', 'aria-pressed']) to.removeAttribute(name);
}
