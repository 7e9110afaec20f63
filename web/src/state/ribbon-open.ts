const PLACE = "young-ribbon.ribbon";

/** Whether the ribbon was last left open on the steps that fold it away, in this browser. */
export function ribbonOpen(): boolean {
  try {
    return localStorage.getItem(PLACE) === "open";
  } catch {
    return false; // a browser that keeps nothing folds it
  }
}

/** Keep whether it is left open. */
export function leaveRibbon(open: boolean): void {
  try {
    localStorage.setItem(PLACE, open ? "open" : "folded");
  } catch {
    // then it is folded again next time
  }
}
