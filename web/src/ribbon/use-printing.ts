import { useSyncExternalStore } from "react";

/** How wide what is drawn may be on a sheet of A4 or Letter, in pixels of the screen. */
export const SHEET_WIDE = 690;

let printing = false;
const listeners = new Set<() => void>();

function became(now: boolean): void {
  printing = now;
  for (const listener of listeners) listener();
}
window.addEventListener("beforeprint", () => became(true));
window.addEventListener("afterprint", () => became(false));

/** Whether the page is being printed: then all of what is drawn stands there, as wide as a sheet. */
export function usePrinting(): boolean {
  return useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => printing,
  );
}
