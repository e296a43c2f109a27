import { useEffect, useState, type RefObject } from 'react';

/** What is so near to the part of a list that is in sight counts as in sight: it comes there with the next turn of the wheel. */
const NEAR_PX = 200;

/** Whether an element is in sight in what scrolls around it, which is marked `data-scroll`; undefined until the browser has looked. */
export function useInSight(element: RefObject<Element | null>): boolean | undefined {
  const [isInSight, setInSight] = useState<boolean>();
  useEffect(() => {
    const { current } = element;
    if (current === null) return;
    const observer = new IntersectionObserver((entries) => setInSight(entries.at(-1)?.isIntersecting === true), {
      root: current.closest('[data-scroll]'),
      rootMargin: `${NEAR_PX}px 0px`,
    });
    observer.observe(current);
    return () => observer.disconnect();
  }, [element]);
  return isInSight;
}
