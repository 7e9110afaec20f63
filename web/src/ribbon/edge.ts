import type { Plan } from "../api/client";

/**
 * The path of the folded strip seen from above, for the spans [first, end): along each span at the height of
 * its layer, round each fold, and gently from one height to another where cloth goes on behind what covers it.
 */
export function edgePath(
  walk: Plan["walk"],
  turns: Set<number>,
  [first, end]: [number, number],
  px: (mm: number) => number,
  gap: number,
): string {
  const height = (span: number) => (walk.behind[span] ?? 0) * gap;
  let path = `M${px(walk.x[first] as number).toFixed(1)} ${height(first).toFixed(1)}`;
  for (let span = first; span < end; span += 1) {
    const [x0, x1] = [px(walk.x[span] as number), px(walk.x[span + 1] as number)];
    const y = height(span);
    const last = span === end - 1;
    const next = last ? y : height(span + 1);
    const way = Math.sign(x1 - x0) || 1;
    const room = Math.abs(x1 - x0);
    if (!last && turns.has(span)) {
      // Where the same height comes next (both ends past the strip's front), the turn still shows as a small bow.
      const radius = Math.min(Math.abs(next - y) / 2 || gap / 2, room / 2);
      const stop = x1 - way * radius;
      path += `L${stop.toFixed(1)} ${y.toFixed(1)}`;
      path += `C${(x1 + way * radius * 0.4).toFixed(1)} ${y.toFixed(1)} ${(x1 + way * radius * 0.4).toFixed(1)} ${next.toFixed(1)} ${stop.toFixed(1)} ${next.toFixed(1)}`;
    } else if (!last && next !== y) {
      const ease = Math.min(10, room / 2);
      path += `L${(x1 - way * ease).toFixed(1)} ${y.toFixed(1)}`;
      path += `C${x1.toFixed(1)} ${y.toFixed(1)} ${x1.toFixed(1)} ${next.toFixed(1)} ${(x1 + way * ease).toFixed(1)} ${next.toFixed(1)}`;
    } else path += `L${x1.toFixed(1)} ${y.toFixed(1)}`;
  }
  return path;
}

/** A standing concertina for one pinch pleat: its fingers as loops on the sew line at `x`. */
export function fingersPath(x: number, fingers: number, height: number): string {
  const spread = Math.min(9, height / 2);
  let path = "";
  for (let finger = 0; finger < fingers; finger += 1) {
    const lean = (finger - (fingers - 1) / 2) * spread * 1.6;
    const [tip, half] = [x + lean, spread * 0.62];
    path += `M${x.toFixed(1)} 0C${(x + lean * 0.2 - half).toFixed(1)} ${(-height * 0.5).toFixed(1)} ${(tip - half).toFixed(1)} ${(-height).toFixed(1)} ${tip.toFixed(1)} ${(-height).toFixed(1)}`;
    path += `C${(tip + half).toFixed(1)} ${(-height).toFixed(1)} ${(x + lean * 0.2 + half).toFixed(1)} ${(-height * 0.5).toFixed(1)} ${x.toFixed(1)} 0`;
  }
  return path;
}

/** A wave from `x0` to `x1` about height 0, `waves` of them. */
export function wavePath(x0: number, x1: number, waves: number, height: number): string {
  const step = (x1 - x0) / (waves * 2);
  let path = `M${x0.toFixed(1)} 0`;
  for (let half = 0; half < waves * 2; half += 1) {
    const side = half % 2 ? height : -height;
    path += `q${(step / 2).toFixed(2)} ${side.toFixed(1)} ${step.toFixed(2)} 0`;
  }
  return path;
}
