import { useEffect, useMemo, useRef, useState } from "react";
import { ask, type Plan, type Problem, Refused, type SectionSpec } from "../api/client";
import { Latest } from "./latest";

export interface Planned {
  /** The last good plan; it stays while what is typed cannot be read. */
  plan: Plan | null;
  /** What is wrong with what is typed now. */
  problems: Problem[];
  /** True while the plan shown is not that of what is typed now. */
  stale: boolean;
}

const UNREACHED: Problem = {
  code: "unreached",
  message: "The program that does the sums does not answer.",
  path: "",
  value: "",
  way_out: "Check that it is still running; what you typed is kept here.",
};

const AGAIN = 700;

/** The plan of a section, kept up to date while it is typed; `key` tells one section from another. */
export function usePlan(key: string, spec: SectionSpec | null): Planned {
  const [shown, setShown] = useState<{ key: string; planned: Planned }>({
    key,
    planned: { plan: null, problems: [], stale: true },
  });
  const newest = useRef<string | null>(null);
  const runner = useMemo(() => {
    const latest: Latest<{ key: string; spec: SectionSpec }, Plan> = new Latest<
      { key: string; spec: SectionSpec },
      Plan
    >(
      ({ spec }) => ask<Plan>("POST", "/plan", spec),
      ({ key }, plan) => setShown({ key, planned: { plan, problems: [], stale: false } }),
      ({ key, spec }, error) => {
        setShown((before) => {
          const problems = error instanceof Refused ? error.problems : [UNREACHED];
          // With too little pinned there is no edge to draw; otherwise the last good picture stays.
          const kept = before.key === key && problems[0]?.code !== "too_few";
          return { key, planned: { plan: kept ? before.planned.plan : null, problems, stale: true } };
        });
        if (error instanceof Refused) return;
        // A lost answer is asked for again, unless something newer has been typed since.
        window.setTimeout(() => {
          if (!latest.busy && newest.current === JSON.stringify(spec)) latest.offer({ key, spec });
        }, AGAIN);
      },
    );
    return latest;
  }, []);
  const written = spec ? JSON.stringify(spec) : null;
  useEffect(() => {
    newest.current = written;
    if (written) runner.offer({ key, spec: JSON.parse(written) as SectionSpec });
  }, [runner, key, written]);
  return shown.key === key ? shown.planned : { plan: null, problems: [], stale: true };
}
