import { useEffect, useMemo, useRef, useState } from "react";
import type { Answers } from "../api/addresses";
import { asked, type Problem, Refused } from "../api/client";
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
  written: string;
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
    written: "",
    answer: null,
    problems: [],
  });
  const newest = useRef<string | null>(null);
  const runner = useMemo(() => {
    const latest: Latest<Question, T> = new Latest<Question, T>(
      ({ written }) => asked(address, JSON.parse(written), query),
      (question, answer) => setShown({ ...question, answer, problems: [] }),
      (question, error) => {
        const refused = error instanceof Refused;
        setShown((before) => ({
          key: question.key,
          written: refused ? question.written : "",
          answer: before.key === question.key ? before.answer : null,
          problems: refused ? error.problems : [UNREACHED],
        }));
        if (refused) return;
        window.setTimeout(() => {
          if (!latest.busy && newest.current === question.written) latest.offer(question);
        }, AGAIN);
      },
    );
    return latest;
  }, [address, query]);
  const written = body === null ? null : JSON.stringify(body);
  useEffect(() => {
    newest.current = written;
    if (written !== null) runner.offer({ key, written });
    return () => {
      newest.current = null;
    };
  }, [runner, key, written]);
  if (shown.key !== key) return { answer: null, problems: [], busy: written !== null };
  return { answer: shown.answer, problems: shown.problems, busy: written !== null && written !== shown.written };
}
