import type { Plan, Problem, SectionSpec } from "../api/client";
import { useAsked } from "./use-asked";

export interface Planned {
  /** The last good plan; it stays while what is typed cannot be read. */
  plan: Plan | null;
  /** The section that it is of, where that is not what is typed now. */
  from: SectionSpec | null;
  /** What is wrong with what is typed now. */
  problems: Problem[];
  /** True while the plan shown is not that of what is typed, and cannot be. */
  stale: boolean;
  /** True until what is typed has been answered. */
  busy: boolean;
}

/** The plan of a section, kept up to date while it is typed; `key` tells one section from another. */
export function usePlan(key: string, spec: SectionSpec | null): Planned {
  const { answer, answered, problems, busy } = useAsked("/plan", spec, key);
  // With too little pinned there is no edge to draw; otherwise the last good picture stays.
  const plan = problems[0]?.code === "too_few" ? null : answer;
  const from = plan && problems.length ? (answered as SectionSpec) : null;
  return { plan, from, problems, stale: problems.length > 0 || plan === null, busy };
}
