import type { Mark, Plan } from "../api/client";
import type { Look } from "../state/look";
import { traits } from "../state/spec";

/** A stretch of the finished edge with one kind of pleat: the whole edge, or a part of a mixed one. */
export interface Stretch {
  /** How its pleats lie or stand; plain cloth has no look. */
  lies: Lies;
  from: number;
  to: number;
  /** Where it lies on the flat strip. */
  flat: [number, number];
  /** How wide the plain ends of gathers are. */
  lead: number;
  tail: number;
  count: number;
  fullness: number;
  look: Look;
}

interface Middle {
  at: number;
  x: number;
  pleat: number;
}

/** A plan made ready for drawing: sorted arrays to search in, nothing that depends on the view. */
export interface Model {
  plan: Plan;
  markAt: Float64Array;
  /** What to write beside each mark: its place on the tape where there is one. */
  markText: string[];
  /** The finished place of each mark. */
  markX: Float64Array;
  /** The number of the pleat whose face a span is, by span. */
  faceOf: Map<number, number>;
  /** The index of each pleat's first mark. */
  firstMark: number[];
  /** Pleats with a line down their middle: its places, flat and finished. */
  middles: Middle[];
  /** The spans that end in a fold. */
  turns: Set<number>;
  frontFrom: Float64Array;
  backFrom: Float64Array;
  /** How many layers deep the edge drawing goes. */
  deepest: number;
  fingers: number;
  roles: Set<string>;
  /** How far past a place along the edge cloth belonging there can lie. */
  reach: number;
  stretches: Stretch[];
}

type Lies = "lying" | "pinched" | "packed" | "gathered" | "plain";
const lookOf = (kind: string): Lies => traits(kind)?.look ?? "plain";

const PLAIN: Look = { goblet: false, atFoot: false, rows: 2, stitched: false, lead: "", tail: "", name: "" };

function stretchesOf(plan: Plan, looks: Look[]): Stretch[] {
  if (plan.parts.length === 0)
    return [
      {
        lies: lookOf(plan.kind),
        from: 0,
        to: plan.finished.mm,
        flat: [0, plan.flat.mm],
        lead: plan.lead.mm,
        tail: plan.tail.mm,
        count: plan.count,
        fullness: plan.fullness.value,
        look: looks[0] ?? PLAIN,
      },
    ];
  return plan.parts.map((part, index) => ({
    lies: lookOf(part.kind),
    from: part.start.mm,
    to: part.start.mm + part.finished.mm,
    flat: [part.flat_start.mm, part.flat_start.mm + part.flat.mm],
    lead: lookOf(part.kind) === "gathered" ? part.lead.mm : 0,
    tail: 0,
    count: part.sizes?.count ?? 0,
    fullness: part.sizes?.fullness.value ?? 1,
    look: looks[index] ?? PLAIN,
  }));
}

export function model(plan: Plan, looks: Look[] = []): Model {
  const { marks, walk } = plan;
  const labels: Mark[] = plan.on_tape?.marks.length === marks.length ? plan.on_tape.marks : marks;
  const markX = new Float64Array(marks.length);
  const faceOf = new Map<number, number>();
  const firstMark: number[] = [];
  const middles: Middle[] = [];
  // A pleat with a line down its middle is numbered there: the faces beside it belong to its neighbours as well.
  const inverted = new Set(marks.filter((mark) => mark.kind === "centre").map((mark) => mark.pleat));
  let end = 0;
  marks.forEach((mark, index) => {
    while (end < walk.flat.length - 1 && (walk.flat[end] as number) < mark.at.mm) end += 1;
    markX[index] = walk.x[end] as number;
    if (marks[index - 1]?.pleat !== mark.pleat) firstMark.push(index);
    if (mark.kind === "centre") middles.push({ at: mark.at.mm, x: walk.x[end] as number, pleat: mark.pleat });
    if (mark.kind !== "outer" || inverted.has(mark.pleat)) return;
    for (const span of [end - 1, end])
      if (walk.spans[span]?.role === "face" && !faceOf.has(span)) {
        faceOf.set(span, mark.pleat);
        break;
      }
  });
  const fingerSpans = walk.spans.reduce((sum, span) => sum + (span.role === "finger" ? 1 : 0), 0);
  const pinched = plan.parts.length
    ? plan.parts.reduce((sum, part) => sum + (lookOf(part.kind) === "pinched" ? (part.sizes?.count ?? 0) : 0), 0)
    : plan.count;
  return {
    plan,
    markAt: Float64Array.from(marks, (mark) => mark.at.mm),
    markText: labels.map((mark) => mark.at.text.replace(/ [a-z]+$/, "")),
    markX,
    faceOf,
    firstMark,
    middles,
    turns: new Set(walk.folds.map((fold) => fold.after)),
    frontFrom: Float64Array.from(plan.front, (stretch) => stretch.from),
    backFrom: Float64Array.from(plan.back, (stretch) => stretch.from),
    deepest: walk.behind.reduce((most, layer) => Math.max(most, layer), 0),
    fingers: pinched ? Math.round(fingerSpans / pinched / 2) : 0,
    roles: new Set(walk.spans.map((span) => span.role)),
    reach: walk.spans.reduce((most, span) => (span.role === "under" ? Math.max(most, span.length.mm) : most), 0) * 3,
    stretches: stretchesOf(plan, looks),
  };
}
