/** What part of the ribbon is in sight: two fractions of its whole length. A little past either end may show. */
export interface View {
  from: number;
  to: number;
}

const MARGIN = 0.012;
export const WHOLE: View = { from: -MARGIN, to: 1 + MARGIN };

function kept(view: View): View {
  const width = Math.min(view.to - view.from, WHOLE.to - WHOLE.from);
  const from = Math.min(Math.max(view.from, WHOLE.from), WHOLE.to - width);
  return { from, to: from + width };
}

/** The view zoomed by `factor` about the place `at` (0 to 1 across the picture); `least` is the narrowest view. */
export function zoomed(view: View, factor: number, at: number, least: number): View {
  const width = Math.max((view.to - view.from) / factor, least);
  const fixed = view.from + (view.to - view.from) * at;
  return kept({ from: fixed - width * at, to: fixed + width * (1 - at) });
}

/** The view moved along by a part of its own width. */
export function panned(view: View, by: number): View {
  const width = view.to - view.from;
  return kept({ from: view.from + by * width, to: view.to + by * width });
}

/** A mapping from millimetres on a track of `length` mm to pixels across `width`. */
export function scale(view: View, length: number, width: number): (mm: number) => number {
  const per = width / ((view.to - view.from) * length);
  const from = view.from * length;
  return (mm) => (mm - from) * per;
}

/** The indices [first, end) of the sorted `places` that lie in [low, high], with one more on each side. */
export function inSight(places: ArrayLike<number>, low: number, high: number): [number, number] {
  const search = (wanted: number) => {
    let [a, b] = [0, places.length];
    while (a < b) {
      const middle = (a + b) >> 1;
      if ((places[middle] as number) < wanted) a = middle + 1;
      else b = middle;
    }
    return a;
  };
  return [Math.max(0, search(low) - 1), Math.min(places.length, search(high) + 1)];
}
