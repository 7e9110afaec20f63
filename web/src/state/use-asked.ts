import { useEffect, useMemo, useState } from "react";
import { ask, type Problem, Refused } from "../api/client";
import { Latest } from "./latest";

export interface Asked<T> {
  /** The last good answer. */
  answer: T | null;
  problems: Problem[];
}

/** What an address answers to a body, kept up to date while the body changes: one on its way, the newest wins. */
export function useAsked<T>(address: string, body: unknown | null): Asked<T> {
  const [shown, setShown] = useState<Asked<T>>({ answer: null, problems: [] });
  const runner = useMemo(
    () =>
      new Latest<unknown, T>(
        (sent) => ask<T>("POST", address, sent),
        (_, answer) => setShown({ answer, problems: [] }),
        (_, error) => {
          const problems = error instanceof Refused ? error.problems : [UNREACHED];
          setShown((before) => ({ answer: before.answer, problems }));
        },
      ),
    [address],
  );
  const written = body === null ? null : JSON.stringify(body);
  useEffect(() => {
    if (written !== null) runner.offer(JSON.parse(written));
  }, [runner, written]);
  return shown;
}

const UNREACHED: Problem = {
  code: "unreached",
  message: "The program that does the sums does not answer.",
  path: "",
  value: "",
  way_out: "Check that it is still running; what you typed is kept here.",
};
