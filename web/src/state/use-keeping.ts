import { useState } from "react";
import { ask, type Problem, Refused } from "../api/client";
import { useDraft } from "./use-draft";

export const UNREACHED: Problem = {
  code: "unreached",
  message: "the program does not answer",
  path: "",
  value: "",
  way_out: "what you typed stays here; press Keep again",
};

export interface Keeping {
  /** Where it is kept: one is added there, or changed at its key below. */
  address: string;
  /** What it is called. */
  what: string;
  /** How one is now that was changed elsewhere, and what to say of it; null where it is gone. */
  fresh: (key: string) => Promise<{ revision: number; says: string } | null>;
  onKept: () => void;
  onClose: () => void;
}

/**
 * A row as it is typed, on its way to be kept: here until the program has it.  Where it was changed elsewhere meanwhile
 * that is told, and the next Keep puts what was typed in its place.
 */
export function useKeeping<D extends { key: string | null; revision: number }>(
  name: string,
  draft: D,
  { address, what, fresh, onKept, onClose }: Keeping,
) {
  const { now, type, clear } = useDraft<D>(name, draft);
  const [problems, setProblems] = useState<Problem[]>([]);
  const keep = async (body: object) => {
    try {
      if (now.key) await ask("PUT", `${address}/${now.key}`, { ...body, revision: now.revision });
      else await ask("POST", address, body);
      onKept();
      clear();
      onClose();
    } catch (error) {
      const found = error instanceof Refused ? error.problems : [UNREACHED];
      const theirs = found[0]?.code === "stale" && now.key ? await fresh(now.key) : null;
      if (theirs) {
        type({ ...now, revision: theirs.revision });
        setProblems([
          {
            code: "stale",
            message: `this ${what} was changed elsewhere in the meantime: it is now ${theirs.says}`,
            path: "",
            value: "",
            way_out: "press Keep again to keep what you typed in its place",
          },
        ]);
      } else setProblems(found);
    }
  };
  const leave = () => {
    clear();
    onClose();
  };
  return { now, type, problems, keep, leave };
}
