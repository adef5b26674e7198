import { saveFile } from '../storage/files';

/** What a drawing gets from the page's styles; written into it, so that it looks the same elsewhere. */
const WRITTEN = [
  'fill',
  'fill-opacity',
  'stroke',
  'stroke-width',
  'stroke-dasharray',
  'stroke-linecap',
  'stroke-linejoin',
  'opacity',
  'font-family',
  'font-size',
  'font-weight',
  'text-anchor',
  'display',
  'visibility',
] as const;

/** A drawing of the page as an SVG file of its own: as large as it is shown, in its own colours and letters. */
export function standalone(svg: SVGSVGElement): string {
  const copy = svg.cloneNode(true) as SVGSVGElement;
  const [own, copied] = [svg, copy].map((s) => [s, ...s.querySelectorAll('*')]);
  own.forEach((element, i) => {
    const style = getComputedStyle(element);
    for (const name of WRITTEN) {
      const value = style.getPropertyValue(name);
      if (value !== '') copied[i].setAttribute(name, value);
    }
    copied[i].removeAttribute('class');
    copied[i].removeAttribute('style');
  });
  const { width, height } = svg.getBoundingClientRect();
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
  if (width > 0 && height > 0) {
    copy.setAttribute('width', String(Math.round(width)));
    copy.setAttribute('height', String(Math.round(height)));
  }
  return new XMLSerializer().serializeToString(copy);
}

/** What is narrower is a sign beside a word. */
const LEAST_WIDTH = 100;

/** Hands the drawings within an element to the person, a file each. @returns how many there were */
export function saveDrawings(within: Element, name: string): number {
  const drawings = [...within.querySelectorAll<SVGSVGElement>('svg')].filter(
    (s) => s.getBoundingClientRect().width >= LEAST_WIDTH,
  );
  drawings.forEach((svg, i) =>
    saveFile(`${name}${drawings.length > 1 ? `-${i + 1}` : ''}.svg`, standalone(svg), 'image/svg+xml'),
  );
  return drawings.length;
}
