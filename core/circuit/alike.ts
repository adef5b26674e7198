import { timesDiode, timesTransistor } from '../part/area';
import type { Element } from './netlist';

/**
 * So many copies of an element side by side, as one. Copies of a circuit that hang on the same two
 * conductors and begin alike have the same volts at every like node, whatever is not linear in them;
 * so one copy whose branches carry the current of all of them tells them all, exactly
 * (conductances, charges, saturation currents and limits times the count; resistances over it).
 * @param count of copies, 1 or more
 * @throws RangeError for a current source
 */
export function timesAlike(element: Element, count: number): Element {
  if (count === 1) return element;
  switch (element.kind) {
    case 'resistor':
      return { ...element, ohms: element.ohms / count };
    case 'capacitor':
      return { ...element, farads: element.farads * count };
    case 'inductor': {
      const { initialAmps } = element;
      const begins = initialAmps === undefined ? {} : { initialAmps: initialAmps * count };
      return { ...element, henries: element.henries / count, ...begins };
    }
    case 'voltage':
      return element;
    case 'limiter':
      return { ...element, limitAmps: element.limitAmps * count };
    case 'switch':
      return { ...element, onOhms: element.onOhms / count, offOhms: element.offOhms / count };
    case 'diode':
      return { ...element, model: timesDiode(element.model, count) };
    case 'transistor':
      return { ...element, model: timesTransistor(element.model, count) };
    case 'regulator':
      return { ...element, alike: count * (element.alike ?? 1) };
    case 'current':
      throw new RangeError(`${element.id}: a current source is not folded`);
  }
}
