import type { Plan, Problem, SectionSpec } from "../api/client";
import { type Part, rowOf } from "./spec";

/** A part of a mixed edge as an edge of its own, for the pins to show. */
export function partSpec(spec: SectionSpec, index: number): SectionSpec | null {
  const part = spec.parts?.[index];
  if (!part || part.kind === "plain") return null;
  const { share: _, width: __, ...row } = part;
  return { ...row, kind: part.kind, unit: spec.unit, tape: spec.tape, habit: spec.habit } as SectionSpec;
}

/** The spec with one of its parts changed as that edge was. */
export function withPart(spec: SectionSpec, index: number, edge: SectionSpec): SectionSpec {
  const parts = (spec.parts ?? []).map((part, i) =>
    i === index ? ({ ...rowOf(edge), share: part.share, width: part.width } as Part) : part,
  );
  return { ...spec, parts };
}

/** What the pins show of one part's plan. */
export function partPlan(plan: Plan | null, index: number): Plan | null {
  const part = plan?.parts[index];
  if (!plan || !part?.sizes) return null;
  return {
    ...plan,
    ...part.sizes,
    kind: part.kind as Plan["kind"],
    finished: part.finished,
    flat: part.flat,
    lead: part.lead,
  };
}

/** The problems of one part, as that edge would have them. */
export function partProblems(problems: Problem[], index: number): Problem[] {
  const prefix = `parts.${index}.`;
  return problems
    .filter((one) => one.path.startsWith(prefix))
    .map((one) => ({ ...one, path: one.path.slice(prefix.length) }));
}
