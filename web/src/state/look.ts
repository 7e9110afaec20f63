import type { SectionSpec } from "../api/client";
import { isParted } from "./spec";

/** What a stretch of pleats looks like beyond its folds: how pinch pleats are dressed, rows of stitches, stitching down. */
export interface Look {
  goblet: boolean;
  atFoot: boolean;
  rows: number;
  stitched: boolean;
  /** What lies flat at its start and at its end: a return, an overlap. */
  lead: string;
  tail: string;
  /** What a part of a mixed edge is called: a pocket, a placket. */
  name: string;
}

/** The look of an edge, or of each part of a mixed one. */
export function looks(spec: SectionSpec): Look[] {
  const of = (row: Pick<SectionSpec, "goblet" | "pinched_at" | "rows" | "stops" | "kind" | "lead" | "tail">): Look => ({
    goblet: row.goblet ?? false,
    atFoot: row.pinched_at === "foot",
    rows: row.rows ?? 2,
    stitched: Boolean(row.stops),
    lead: row.lead?.name ?? "",
    tail: row.tail?.name ?? "",
    name: "",
  });
  if (!isParted(spec.kind)) return [of(spec)];
  return (spec.parts ?? []).map((part) => ({ ...of(part as SectionSpec), name: part.name ?? "" }));
}
