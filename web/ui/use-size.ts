import { useCallback, useRef, useState } from 'react';

/** The size of an element in CSS pixels, as it changes; of whichever element `ref` is at now, also where that went and came again. */
export function useSize<T extends HTMLElement>() {
  const element = useRef<T | null>(null);
  const [size, setSize] = useState({ width: 0, height: 0 });
  const ref = useCallback((mounted: T) => {
    element.current = mounted;
    const measure = (): void => setSize({ width: mounted.clientWidth, height: mounted.clientHeight });
    measure();
    const observer = new ResizeObserver(measure);
    observer.observe(mounted);
    return () => {
      observer.disconnect();
      element.current = null;
    };
  }, []);
  /** The element that is measured, while it is there. */
  const find = useCallback(() => element.current, []);
  return { ref, find, ...size };
}
