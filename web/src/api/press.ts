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

const TYPED = "input:not([type=checkbox]):not([type=radio]), textarea";
const PRESSED = "button, a, label, summary, [role=button], [role=radio], [role=menuitem], [role=tab]";
let left: { field: HTMLElement; for: HTMLElement } | null = null;

/*
 * A field that is left folds its hint away: it is left with the release, not with the press, so that what is pressed
 * stands where it stood until it has been pressed.
 */
document.addEventListener(
  "mousedown",
  (event) => {
    left = null;
    const field = document.activeElement;
    if (!(event.target instanceof Element) || !(field instanceof HTMLElement) || !field.matches(TYPED)) return;
    const pressed = event.target.closest<HTMLElement>(PRESSED);
    if (!pressed || pressed.contains(field) || event.target.closest("input, select, textarea, [data-dragged]")) return;
    event.preventDefault();
    left = { field, for: pressed };
  },
  true,
);
document.addEventListener("click", () => {
  if (left && document.activeElement === left.field) {
    left.for.focus({ preventScroll: true });
    if (document.activeElement === left.field) left.field.blur();
  }
  left = null;
});

/** Resolves when nothing is being pressed: an answer that came in between would move a button from under the finger. */
export function letGo(): Promise<void> {
  return pressed ? new Promise((go) => waiting.push(go)) : Promise.resolve();
}
