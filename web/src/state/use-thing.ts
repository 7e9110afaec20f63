import type { Problem, ThingAnswer, Work } from "../api/client";
import { useAsked } from "./use-asked";

export interface ThingMade {
  /** The last good answer; it stays while a measure cannot be read. */
  made: ThingAnswer | null;
  problems: Problem[];
  busy: boolean;
}

/** What the thing of a work comes to, kept up to date while it is measured; nothing of a free set of edges. */
export function useThing(work: Work): ThingMade {
  const { thing, cloths } = work;
  const edges = Object.fromEntries(
    work.sections.flatMap(({ spec }) => (spec.edge ? [[spec.edge, spec] as const] : [])),
  );
  const { answer, problems, busy } = useAsked(
    "/thing",
    thing ? { ...thing, cloths, edges, plans: false } : null,
    work.key,
  );
  return { made: thing ? answer : null, problems, busy };
}
