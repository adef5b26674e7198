import { fireEvent } from '@testing-library/react';

/** Takes hold of an element with the pointer, moves it by so many pixels and lets go; none is a press. */
export function dragged(element: Element, right: number, down = 0): void {
  const at = (x: number, y: number) => ({ clientX: 100 + x, clientY: 100 + y, pointerId: 1 });
  Object.assign(element, {
    setPointerCapture: () => undefined,
    hasPointerCapture: () => false,
    releasePointerCapture: () => undefined,
  });
  fireEvent.pointerDown(element, { ...at(0, 0), buttons: 1 });
  if (right !== 0 || down !== 0) {
    fireEvent.pointerMove(element, { ...at(right / 2, down / 2), buttons: 1 });
    fireEvent.pointerMove(element, { ...at(right, down), buttons: 1 });
  }
  fireEvent.pointerUp(element, { ...at(right, down), buttons: 0 });
}
