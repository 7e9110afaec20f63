import { Colours } from "./colours";
import { edgePath, fingersPath, wavePath } from "./edge";
import type { Model } from "./model";
import { inSight } from "./view";

const GAP = 12;
const MANY = 480;
const LINE = { fill: "none", stroke: "var(--cloth-line)", strokeWidth: 3.2, strokeLinejoin: "round" as const };

/** How far above the front of the edge what stands out from it reaches. */
function standing({ roles }: Model): number {
  if (roles.has("finger")) return 38;
  return roles.has("upright") || roles.has("gathered") ? 20 : 7;
}

/** How tall the edge drawing is. */
export function edgeHeight(model: Model): number {
  const lying = model.stretches.some((one) => one.lies === "lying");
  return standing(model) + (lying ? Math.min(4, Math.max(2, model.deepest)) * GAP + 7 : standing(model) > 30 ? 6 : 18);
}

/** The folded strip seen from above: what lies along the edge by its layers, what stands out from it as it stands. */
export function EdgeTrack(props: { model: Model; px: (mm: number) => number; low: number; high: number }) {
  const { model, px, low, high } = props;
  const { walk, stripes } = model.plan;
  // Spans are in order along the cloth, and so very nearly along the edge: a little past the view is enough.
  const [first, end] = range(walk.x, low - model.reach, high + model.reach);
  if (end - first > MANY) {
    const [a, b] = [px(Math.max(0, low)), px(Math.min(model.plan.finished.mm, high))];
    return <path d={`M${a.toFixed(1)} ${GAP}H${b.toFixed(1)}`} {...LINE} strokeWidth={GAP * 1.6} opacity={0.7} />;
  }
  const gap = GAP * Math.min(1, 4 / Math.max(1, model.deepest));
  const each = ((px(model.plan.finished.mm) - px(0)) / Math.max(1, model.plan.count)) * 0.5;
  let lying = "";
  let upright = "";
  let fingers = "";
  for (let span = first; span < end; ) {
    const role = walk.spans[span]?.role;
    let stop = span + 1;
    const same = (next: number) => standsAs(walk.spans[next]?.role) === standsAs(role);
    while (stop < end && same(stop)) stop += 1;
    const [a, b] = [px(walk.x[span] as number), px(walk.x[stop] as number)];
    if (role === "finger") fingers += fingersPath(a, Math.round((stop - span) / 2), Math.min(32, each));
    else if (role === "gathered") upright += wavePath(a, b, Math.max(2, Math.min(160, Math.round((b - a) / 13))), 14);
    // Three spans to a cartridge pleat; many in a small space run together.
    else if (role === "upright")
      upright += wavePath(a, b, Math.max(1, Math.min(260, Math.round((stop - span) / 3))), 34);
    // Between pinch pleats the cloth lies flat on the edge, whatever stands beside it.
    else lying += edgePath(walk, model.turns, [span, stop], px, folded(model, span, stop) ? gap : 0);
    span = stop;
  }
  return (
    <g transform={`translate(0 ${standing(model)})`} data-testid="folded">
      <path d={lying} {...LINE} />
      {stripes && (
        <Colours
          seen={stripes.spans}
          px={px}
          low={low - model.reach}
          high={high + model.reach}
          top={(one) => (walk.behind[(one as { span?: number }).span ?? 0] ?? 0) * gap - 2.4}
          height={4.8}
        />
      )}
      <path d={upright} {...LINE} />
      <path d={fingers} {...LINE} strokeWidth={2.4} />
    </g>
  );
}

function folded(model: Model, first: number, end: number): boolean {
  for (let span = first; span < end - 1; span += 1) if (model.turns.has(span)) return true;
  return false;
}

function standsAs(role: string | undefined): string {
  return role === "finger" || role === "gathered" || role === "upright" ? role : "lying";
}

/** The spans [first, end) that come near [low, high]; `x` rises along the cloth but for the folds' own depth. */
function range(x: number[], low: number, high: number): [number, number] {
  const last = x.length - 1;
  const [from] = inSight(x, low, low);
  const [, to] = inSight(x, high, high);
  let [first, end] = [Math.min(from, last), Math.min(to, last)];
  // A search in what rises only by and large lands near: walk on to where it is sure.
  while (first > 0 && (x[first] as number) > low) first -= 1;
  while (end < last && (x[end] as number) < high) end += 1;
  return [first, end];
}
