import { useLayoutEffect, useRef, useState, type RefObject } from 'react';

export interface Room {
  readonly width: number;
  readonly height: number;
}

/** The room an element has on the screen, in pixels, so that what is drawn in it keeps the size of its letters. */
export function useRoom<E extends Element>(usual: Room): readonly [RefObject<E | null>, Room] {
  const element = useRef<E>(null);
  const [room, setRoom] = useState(usual);
  useLayoutEffect(() => {
    const of = element.current;
    if (!of || typeof ResizeObserver === 'undefined') return;
    const observer = new ResizeObserver(() => {
      const { width, height } = of.getBoundingClientRect();
      if (width > 0 && height > 0)
        setRoom((before) =>
          Math.abs(before.width - width) < 1 && Math.abs(before.height - height) < 1
            ? before
            : { width, height },
        );
    });
    observer.observe(of);
    return () => observer.disconnect();
  }, []);
  return [element, room];
}
