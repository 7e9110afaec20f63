import type { Mark, Plan } from "../api/client";

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
  /** The spans that end in a fold. */
  turns: Set<number>;
  frontFrom: Float64Array;
  /** How many layers deep the edge drawing goes. */
  deepest: number;
  fingers: number;
}

export function model(plan: Plan): Model {
  const { marks, walk } = plan;
  const labels: Mark[] = plan.on_tape?.marks.length === marks.length ? plan.on_tape.marks : marks;
  const markX = new Float64Array(marks.length);
  const faceOf = new Map<number, number>();
  const firstMark: number[] = [];
  let end = 0;
  marks.forEach((mark, index) => {
    while (end < walk.flat.length - 1 && (walk.flat[end] as number) < mark.at.mm) end += 1;
    markX[index] = walk.x[end] as number;
    if (marks[index - 1]?.pleat !== mark.pleat) firstMark.push(index);
    if (mark.kind !== "outer") return;
    for (const span of [end - 1, end])
      if (walk.spans[span]?.role === "face" && !faceOf.has(span)) {
        faceOf.set(span, mark.pleat);
        break;
      }
  });
  const fingerSpans = walk.spans.reduce((sum, span) => sum + (span.role === "finger" ? 1 : 0), 0);
  return {
    plan,
    markAt: Float64Array.from(marks, (mark) => mark.at.mm),
    markText: labels.map((mark) => mark.at.text.replace(/ [a-z]+$/, "")),
    markX,
    faceOf,
    firstMark,
    turns: new Set(walk.folds.map((fold) => fold.after)),
    frontFrom: Float64Array.from(plan.front, (stretch) => stretch.from),
    deepest: walk.behind.reduce((most, layer) => Math.max(most, layer), 0),
    fingers: plan.count ? Math.round(fingerSpans / plan.count / 2) : 0,
  };
}
