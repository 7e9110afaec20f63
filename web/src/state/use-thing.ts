import { useMemo } from "react";
import type { Problem, Thing, ThingAnswer, Work } from "../api/client";
import { useAsked } from "./use-asked";

export interface ThingMade {
  /** The last good answer, its fields those of now; without one, what can be made without what is wrong. */
  made: ThingAnswer | null;
  /** What it was made from, where that is not what is typed now. */
  from: { thing: Thing; cloths: Work["cloths"] } | null;
  problems: Problem[];
  busy: boolean;
}

/** What the thing of a work comes to, kept up to date while it is measured; nothing of a free set of edges. */
export function useThing(work: Work): ThingMade {
  const asking = thingAsked(work);
  const { answer, answered, problems, busy } = useAsked("/thing", asking, work.key);
  // Its fields stand whatever is wrong in one of them.
  const without = useAsked(
    "/thing",
    asking && problems.length ? { ...asking, going_on: true } : null,
    `${work.key} without`,
  ).answer;
  return useMemo(() => {
    if (!work.thing) return { made: null, from: null, problems, busy };
    const made = problems.length && without ? (answer ? { ...answer, fields: without.fields } : without) : answer;
    return { made, from: answer && problems.length ? partsOf(answered as Asking) : null, problems, busy };
  }, [answer, answered, problems, busy, without, work.thing]);
}

type Asking = NonNullable<ReturnType<typeof thingAsked>>;

function partsOf({ cloths, edges: _, plans: __, ...thing }: Asking): { thing: Thing; cloths: Work["cloths"] } {
  return { thing, cloths };
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
