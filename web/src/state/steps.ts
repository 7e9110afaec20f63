import type { Plan, Problem, SectionSpec, ThingAnswer, Work } from "../api/client";
import { counted } from "./figure";

export type Step = "measure" | "pleat" | "cloth" | "cut" | "mark" | "check" | "log";
export const STEPS: [Step, string][] = [
  ["measure", "Measure"],
  ["pleat", "Pleat"],
  ["cloth", "Cloth"],
  ["cut", "Cut"],
  ["mark", "Mark"],
  ["check", "Check"],
  ["log", "Log"],
];

/** What each step says of itself in a word: what it has, or what it still lacks. */
export function saysOfSteps(
  work: Work,
  made: ThingAnswer | null,
  plan: Plan | null,
  problems: Problem[],
  spec: SectionSpec | null,
): Record<string, string> {
  const lack = made?.lacks.find((one) => !one.field.startsWith("cloths."));
  const checks = made?.checks.length ?? 0;
  const cloth = spec ? spec.cloth : work.cloths.face;
  const wide = cloth?.usable ?? cloth?.width;
  return {
    measure: work.thing ? (lack ? `lacks ${lack.says.split(",")[0]}` : made ? "measured" : "") : "",
    pleat: problems.length
      ? problems[0]?.code === "too_few"
        ? "lacks a pin"
        : "cannot be yet"
      : plan && plan.count > 0
        ? `${counted(plan.count)} ${plan.spacing ? `of ${plan.spacing.text}` : plan.count === 1 ? "pleat" : "pleats"}`
        : "",
    cloth: wide ? (cloth?.price ? "" : "lacks a price") : "lacks its width",
    // What is cut as a shape of its own has no drop.
    cut: !spec || spec.cutting?.shaped || spec.cutting?.drop?.finished ? "" : "lacks the drop",
    mark: "",
    check: checks ? "not measured" : "",
    log: "",
  };
}
