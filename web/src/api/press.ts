/** Longest that a press holds things still, in ms: a list that opens under one swallows the release. */
const LONGEST = 700;

let pressed = false;
let waiting: (() => void)[] = [];
let timer: number | undefined;

function release(): void {
  window.clearTimeout(timer);
  // The click follows its release within the same turn: what waits comes after it.
  timer = window.setTimeout(() => {
    pressed = false;
    const due = waiting;
    waiting = [];
    for (const go of due) go();
  });
}

document.addEventListener(
  "pointerdown",
  (event) => {
    if (!(event.target instanceof Element) || !event.target.closest("button, a, label, summary, [role]")) return;
    // The cloth is dragged with answers arriving all the while.
    if (event.target.closest("[data-dragged]")) return;
    pressed = true;
    window.clearTimeout(timer);
    timer = window.setTimeout(release, LONGEST);
  },
  true,
);
for (const ends of ["pointerup", "pointercancel"]) document.addEventListener(ends, release, true);

/** Resolves when nothing is being pressed: an answer that came in between would move a button from under the finger. */
export function letGo(): Promise<void> {
  return pressed ? new Promise((go) => waiting.push(go)) : Promise.resolve();
}
