import { edgePath, fingersPath, wavePath } from "./edge";
import type { Model } from "./model";
import { inSight } from "./view";

const GAP = 12;

/** How tall the edge drawing is. */
export function edgeHeight(model: Model): number {
  return model.plan.kind === "pinch" ? 44 : Math.min(4, Math.max(2, model.deepest)) * GAP + 14;
}

/** The folded strip seen from above, layers pulled a little apart. */
export function EdgeTrack(props: { model: Model; px: (mm: number) => number; low: number; high: number }) {
  const { model, px, low, high } = props;
  const { kind, walk, finished, count } = model.plan;
  const line = { fill: "none", stroke: "var(--cloth-line)", strokeWidth: 3.2, strokeLinejoin: "round" as const };
  const [a, b] = [px(Math.max(0, low)), px(Math.min(finished.mm, high))];
  if (kind === "gather") {
    const waves = Math.max(4, Math.min(160, Math.round((b - a) / 13)));
    return <path transform="translate(0 20)" d={wavePath(a, b, waves, 14)} {...line} />;
  }
  if (kind === "cartridge") {
    const seen = Math.max(2, Math.min(260, Math.round((count * (b - a)) / (px(finished.mm) - px(0)))));
    return <path transform="translate(0 22)" d={wavePath(a, b, seen, 34)} {...line} />;
  }
  if (kind === "pinch") {
    const [from, to] = inSight(model.markAt, -1, Number.POSITIVE_INFINITY);
    let fingers = "";
    const each = (px(finished.mm) - px(0)) / Math.max(1, count);
    for (let i = from; i < to; i += 1) {
      const mark = model.plan.marks[i];
      const x = px(model.markX[i] as number);
      if (mark?.kind !== "sew" || model.plan.marks[i - 1]?.pleat === mark.pleat || x < -40 || x > b + 40) continue;
      fingers += fingersPath(x, model.fingers, Math.min(32, each * 0.5));
    }
    return (
      <g transform="translate(0 38)">
        <path d={`M${a.toFixed(1)} 0H${b.toFixed(1)}`} {...line} />
        <path d={fingers} {...line} strokeWidth={2.4} />
      </g>
    );
  }
  // Spans are in order along the cloth, and so very nearly along the edge: a pleat's depth past the view is enough.
  const around = model.plan.depth ? model.plan.depth.mm * 3 : 0;
  const ends = range(walk.x, low - around, high + around);
  if (ends[1] - ends[0] > 3000) {
    return <path d={`M${a.toFixed(1)} ${GAP}H${b.toFixed(1)}`} {...line} strokeWidth={GAP * 1.6} opacity={0.7} />;
  }
  const gap = GAP * Math.min(1, 4 / Math.max(1, model.deepest));
  return <path transform="translate(0 7)" d={edgePath(walk, model.turns, ends, px, gap)} {...line} />;
}

/** The spans [first, end) that come near [low, high]. */
function range(x: number[], low: number, high: number): [number, number] {
  let [first, end] = [0, x.length - 1];
  while (first < end && (x[first] as number) < low && (x[first + 1] as number) < low) first += 1;
  while (end > first && (x[end] as number) > high && (x[end - 1] as number) > high) end -= 1;
  return [first, end];
}
