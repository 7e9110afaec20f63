import { useEffect, useMemo, useRef, useState } from "react";
import type { Answers } from "../api/addresses";
import { asked, type Problem, Refused } from "../api/client";
import { inOrder } from "./in-order";
import { Latest } from "./latest";

export interface Asked<T> {
  /** The last good answer; it stays while what is asked cannot be answered. */
  answer: T | null;
  /** What is wrong with what was last asked. */
  problems: Problem[];
  /** True until what is asked now has been answered, well or not. */
  busy: boolean;
}

interface Question {
  key: string;
  body: unknown;
  /** What is asked: the same for a body that was kept meanwhile, and came back in another order. */
  asking: string;
}

const UNREACHED: Problem = {
  code: "unreached",
  message: "The program that does the sums does not answer.",
  path: "",
  value: "",
  way_out: "Check that it is still running; what you typed is kept here.",
};

const AGAIN = 700;

/**
 * What an address answers to a body, kept up to date while the body changes: one on its way, the newest wins, and
 * one that is lost is asked for again. `key` tells one thing asked about from another: no answer is kept across.
 */
export function useAsked<A extends keyof Answers>(
  address: A,
  body: unknown | null,
  key = "",
  query = "",
): Asked<Answers[A]> {
  type T = Answers[A];
  const [shown, setShown] = useState<Question & { answer: T | null; problems: Problem[] }>({
    key,
    body: null,
    asking: "",
    answer: null,
    problems: [],
  });
  const newest = useRef<string | null>(null);
  const runner = useMemo(() => {
    const latest: Latest<Question, T> = new Latest<Question, T>(
      ({ body }) => asked(address, body, query),
      (question, answer) => setShown({ ...question, answer, problems: [] }),
      (question, error) => {
        const refused = error instanceof Refused;
        setShown((before) => ({
          ...question,
          asking: refused ? question.asking : "",
          answer: before.key === question.key ? before.answer : null,
          problems: refused ? error.problems : [UNREACHED],
        }));
        if (refused) return;
        window.setTimeout(() => {
          if (!latest.busy && newest.current === question.asking) latest.offer(question);
        }, AGAIN);
      },
    );
    return latest;
  }, [address, query]);
  const asking = body === null ? null : inOrder(body);
  // biome-ignore lint/correctness/useExhaustiveDependencies: what is asked says all that the body does
  useEffect(() => {
    newest.current = asking;
    if (asking !== null) runner.offer({ key, body, asking });
    return () => {
      newest.current = null;
    };
  }, [runner, key, asking]);
  if (shown.key !== key) return { answer: null, problems: [], busy: asking !== null };
  return { answer: shown.answer, problems: shown.problems, busy: asking !== null && asking !== shown.asking };
}
