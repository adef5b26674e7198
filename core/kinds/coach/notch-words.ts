import { formatQuantity } from '../../quantity/format';
import type { Notch } from './fit';

const mm = (figure: number): string => formatQuantity(figure, 'millimetre', { significant: 3 });

/** "notches 0.5 mm deep in both edges, at 38, 116 and 194 mm". */
export function notchWords(notches: readonly Notch[]): string {
  const [first] = notches;
  const places = [...new Set(notches.map((n) => Math.round(n.placeMillimetres)))];
  const at =
    places.length > 1
      ? `${places.slice(0, -1).join(', ')} and ${places[places.length - 1]}`
      : String(places[0]);
  const depth = mm(Math.max(...notches.map((n) => n.depthMillimetres)));
  if (first.into === 'board') {
    return `notches ${depth} deep and ${mm(first.lengthMillimetres)} long in both edges, at ${at} mm`;
  }
  const kinds = [...new Set(notches.map((n) => n.into))].map((k) => (k === 'corridor wall' ? k : `${k}s`));
  const wide = first.widthMillimetres === null ? '' : ` and ${mm(first.widthMillimetres)} wide`;
  return `notches up to ${depth} deep${wide} in ${kinds.join(' and ')}, at ${at} mm`;
}
