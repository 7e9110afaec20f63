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
  const { answer, problems, busy } = useAsked("/thing", thingAsked(work), work.key);
  return { made: work.thing ? answer : null, problems, busy };
}

/** What is asked about the thing of a work: what it is, its cloths, and what the sewist says of its edges. */
export function thingAsked<Section extends { spec: { edge?: string | null } }>(
  work: Pick<Work, "thing" | "cloths"> & { sections: Section[] },
) {
  const edges = Object.fromEntries(
    work.sections.flatMap(({ spec }) => (spec.edge ? [[spec.edge, spec as Section["spec"]] as const] : [])),
  );
  return work.thing ? { ...work.thing, cloths: work.cloths, edges, plans: false } : null;
}
