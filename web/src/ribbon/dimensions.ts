import { many } from "../state/figure";
import type { Quantity } from "../state/spec";
import type { Model } from "./model";

/** A stretch of one track that a quantity measures, in millimetres, and what to write on it. */
export interface Dimension {
  track: "flat" | "front";
  from: number;
  to: number;
  label: string;
}

function ofPleat(model: Model, pleat: number) {
  const { marks } = model.plan;
  const first = model.firstMark[pleat - 1];
  if (first === undefined) return null;
  const end = model.firstMark[pleat] ?? marks.length;
  const named = (kind: string) => {
    const found: number[] = [];
    for (let i = first; i < end; i += 1) if (marks[i]?.kind === kind) found.push(i);
    return found;
  };
  return { first, end, named };
}

/** The pleat nearest to the middle of what is in sight: the one to measure on. */
export function middlePleat(model: Model, low: number, high: number): number {
  const { marks } = model.plan;
  let best = 1;
  let distance = Number.POSITIVE_INFINITY;
  model.firstMark.forEach((index, pleat) => {
    const away = Math.abs((marks[index]?.at.mm ?? 0) - (low + high) / 2);
    if (away < distance) [best, distance] = [pleat + 1, away];
  });
  return best;
}

/** Where on the ribbon a quantity can be seen, measured on one pleat. */
export function dimension(model: Model, quantity: Quantity, pleat: number): Dimension[] {
  const { plan } = model;
  const whole = {
    flat: { track: "flat" as const, from: 0, to: plan.flat.mm, label: `${plan.flat.text} flat` },
    finished: { track: "front" as const, from: 0, to: plan.finished.mm, label: `${plan.finished.text} finished` },
  };
  if (quantity === "flat") return [whole.flat];
  if (quantity === "finished") return [whole.finished];
  if (quantity === "fullness") return [whole.flat, whole.finished];
  if (quantity === "count")
    return [{ ...whole.finished, label: `${many(plan.count, "pleat")}, ${many(plan.spaces, "space")}` }];
  const [here, next] = [ofPleat(model, pleat), ofPleat(model, pleat + 1)];
  if (!here) return [];
  const at = (index: number | undefined) => model.markAt[index ?? -1] ?? 0;
  const x = (index: number | undefined) => model.markX[index ?? -1] ?? 0;
  const text = plan[quantity]?.text ?? "";
  const show = (track: "flat" | "front", from: number, to: number): Dimension[] =>
    from === to ? [] : [{ track, from: Math.min(from, to), to: Math.max(from, to), label: text }];
  const [outer, inner] = [here.named("outer"), here.named("inner")];
  if (quantity === "depth" && inner.length > 0) return show("flat", at(outer[0]), at(inner[0]));
  if (quantity === "per_pleat") return show("flat", at(here.first), at(here.end - 1));
  if (quantity === "box" || quantity === "opening") return show("front", x(outer[0]), x(outer[1]));
  const beyond = next ?? ofPleat(model, pleat - 1);
  if (!beyond) return [];
  if (quantity === "gap") return next ? show("front", x(outer[1]), x(next.named("outer")[0])) : [];
  if (quantity === "spacing") return show("front", x(here.first), x(beyond.first));
  return [];
}
