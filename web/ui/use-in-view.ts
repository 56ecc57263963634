import { useCallback, useState } from 'react';

/** How far beyond what is seen a thing is still drawn, so that it stands when it is scrolled to. */
const MARGIN = '800px 0px';

/** Whether an element is in view, or nearly; and how high it was when it was last seen, px. `isFirst`: drawn at once, before anything is known. */
export function useInView<T extends HTMLElement>(isFirst: boolean) {
  const [seen, setSeen] = useState({ isInView: isFirst, height: 0 });
  const ref = useCallback((element: T) => {
    const observer = new IntersectionObserver(
      ([entry]) => {
        const { isIntersecting, boundingClientRect } = entry!;
        setSeen((before) =>
          before.isInView === isIntersecting
            ? before
            : { isInView: isIntersecting, height: isIntersecting ? before.height : boundingClientRect.height },
        );
      },
      { rootMargin: MARGIN },
    );
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return { ref, ...seen };
}
