import { useLayoutEffect, useRef, useState, type RefObject } from 'react';

/** Whether what is in a box is wider than the box, so that some of it is hidden. */
export function useOverflow(): readonly [RefObject<HTMLDivElement | null>, boolean] {
  const box = useRef<HTMLDivElement>(null);
  const [hides, setHides] = useState(false);
  useLayoutEffect(() => {
    const of = box.current;
    if (!of || typeof ResizeObserver === 'undefined') return;
    const observer = new ResizeObserver(() => setHides(of.scrollWidth > of.clientWidth + 1));
    observer.observe(of);
    if (of.firstElementChild) observer.observe(of.firstElementChild);
    return () => observer.disconnect();
  }, []);
  return [box, hides];
}
