import { type RefObject, useEffect, useState } from "react";
import { SHEET_WIDE, usePrinting } from "./use-printing";

/** How wide the element in `box` is, in pixels: `atFirst` until it is known, and never below `least`; as a sheet while it is printed. */
export function useWidth(box: RefObject<HTMLElement | null>, atFirst: number, least: number): number {
  const [width, setWidth] = useState(atFirst);
  useEffect(() => {
    if (!box.current) return;
    const watch = new ResizeObserver(([entry]) => entry && setWidth(Math.max(least, entry.contentRect.width)));
    watch.observe(box.current);
    return () => watch.disconnect();
  }, [box, least]);
  return usePrinting() ? Math.max(least, SHEET_WIDE) : width;
}
