import type { Quantity } from "../state/spec";
import type { Model } from "./model";
import { inSight } from "./view";

/** Something on the picture that can be taken hold of: which quantity it sets, and the fixed end it is measured from. */
export interface Handle {
  quantity: Quantity;
  track: "flat" | "front";
  fixed: number;
}

const REACH = 9;

/** The handle under a place on the flat track: an outer fold, which sets the depth from its inner fold. */
export function flatHandle(model: Model, mm: number, perMm: number): Handle | null {
  const { marks } = model.plan;
  if (!model.plan.depth) return null;
  const [from, to] = inSight(model.markAt, mm - REACH / perMm, mm + REACH / perMm);
  for (let i = from; i < to; i += 1) {
    if (marks[i]?.kind !== "outer" || Math.abs((model.markAt[i] as number) - mm) * perMm > REACH) continue;
    const inner = [i + 1, i - 1].find((n) => marks[n]?.kind === "inner" && marks[n]?.pleat === marks[i]?.pleat);
    if (inner !== undefined) return { quantity: "depth", track: "flat", fixed: model.markAt[inner] as number };
  }
  return null;
}

/** The handle under a place on the front view: the end of the edge, or a fold, which sets the spacing. */
export function frontHandle(model: Model, mm: number, perMm: number): Handle | null {
  const { plan } = model;
  if (Math.abs(plan.finished.mm - mm) * perMm <= REACH) return { quantity: "finished", track: "front", fixed: 0 };
  if (!plan.spacing) return null;
  for (let pleat = 1; pleat < model.firstMark.length; pleat += 1) {
    const x = model.markX[model.firstMark[pleat] as number] as number;
    if (Math.abs(x - mm) * perMm <= REACH)
      return {
        quantity: "spacing",
        track: "front",
        fixed: model.markX[model.firstMark[pleat - 1] as number] as number,
      };
  }
  return null;
}
