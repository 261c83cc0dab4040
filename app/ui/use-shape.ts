import { useEffect, useState, type RefObject } from "react";

/** Steps in which a shape is told, so that a picture is not drawn anew for every pixel. */
const STEP = 0.1;
const [NARROWEST, WIDEST] = [0.4, 3];

/** The shape of an element as it is laid out, width over height; `first` until it is known. */
export function useShape(of: RefObject<HTMLElement | null>, first: number): number {
  const [shape, setShape] = useState(first);
  useEffect(() => {
    const element = of.current;
    if (!element) return;
    const watch = new ResizeObserver(([entry]) => {
      const { width, height } = entry!.contentRect;
      if (width === 0 || height === 0) return;
      setShape(Math.min(WIDEST, Math.max(NARROWEST, Math.round(width / height / STEP) * STEP)));
    });
    watch.observe(element);
    return () => watch.disconnect();
  }, [of]);
  return shape;
}
