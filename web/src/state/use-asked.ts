import { useEffect, useMemo, useRef, useState } from "react";
import type { Answers } from "../api/addresses";
import { asked, type Problem, Refused } from "../api/client";
import { inOrder } from "./in-order";
import { forgetHere, keepHere, keptHere } from "./kept-here";
import { Latest } from "./latest";

export interface Asked<T> {
  /** The last good answer; it stays while what is asked cannot be answered. */
  answer: T | null;
  /** What that was asked with. */
  answered: unknown;
  /** What is wrong with what was last asked. */
  problems: Problem[];
  /** True until what is asked now has been answered, well or not. */
  busy: boolean;
}

/** Under what the browser keeps the last question of an address that could be answered, while a newer one cannot be. */
const goodName = (address: string, key: string) => `good/${address}/${key}`;
/** Those that are kept now, as far as this page knows. */
const goodKept = new Set<string>();

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
const NONE: Problem[] = [];

/**
 * What an address answers to a body, kept up to date while the body changes: one on its way, the newest wins, and
 * one that is lost is asked for again. `key` tells one thing asked about from another: no answer is kept across.
 * While what is asked is refused the last good answer stays, also when the page is left and opened again: what was
 * asked for it is kept in the browser for so long.
 */
export function useAsked<A extends keyof Answers>(
  address: A,
  body: unknown | null,
  key = "",
  query = "",
): Asked<Answers[A]> {
  type T = Answers[A];
  const [shown, setShown] = useState<Question & { answer: T | null; answered: unknown; problems: Problem[] }>({
    key,
    body: null,
    asking: "",
    answer: null,
    answered: null,
    problems: [],
  });
  const newest = useRef<string | null>(null);
  const good = useRef<Question | null>(null);
  const runner = useMemo(() => {
    const latest: Latest<Question, T> = new Latest<Question, T>(
      ({ body }) => asked(address, body, query),
      (question, answer) => {
        good.current = question;
        setShown({ ...question, answer, answered: question.body, problems: [] });
        const name = goodName(address, question.key);
        if (goodKept.delete(name)) void forgetHere(name);
      },
      (question, error) => {
        if (error instanceof Refused) void refused(question, error.problems);
        else unreached(question);
      },
    );
    function unreached(question: Question): void {
      setShown((before) => ({
        ...question,
        asking: "",
        answer: before.key === question.key ? before.answer : null,
        answered: before.answered,
        problems: [UNREACHED],
      }));
      window.setTimeout(() => {
        if (!latest.busy && newest.current === question.asking) latest.offer(question);
      }, AGAIN);
    }
    async function refused(question: Question, problems: Problem[]): Promise<void> {
      const known = good.current?.key === question.key;
      const found = known || !question.key ? null : await lastGood(question.key);
      if (found && newest.current !== question.asking) return; // something newer is asked
      if (known && question.key) {
        goodKept.add(goodName(address, question.key));
        void keepHere(goodName(address, question.key), good.current?.body);
      }
      setShown((before) => {
        const own = before.key === question.key ? before : { answer: null, answered: null };
        return {
          ...question,
          answer: own.answer ?? found?.answer ?? null,
          answered: own.answered ?? found?.body,
          problems,
        };
      });
      if (found) good.current = { key: question.key, body: found.body, asking: "" };
    }
    /** What was last answered before this page was opened, asked once more; null where nothing is known of it. */
    async function lastGood(of: string): Promise<{ body: unknown; answer: T } | null> {
      const name = goodName(address, of);
      const body = (await keptHere<unknown>(name)).find(([kept]) => kept === name)?.[1];
      if (!body) return null;
      goodKept.add(name);
      const answer = await asked(address, body, query).catch(() => null);
      return answer === null ? null : { body, answer };
    }
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
  if (shown.key !== key) return { answer: null, answered: null, problems: NONE, busy: asking !== null };
  const { answer, answered } = shown;
  // Where nothing is asked nothing is wrong.
  const problems = asking === null ? NONE : shown.problems;
  return { answer, answered, problems, busy: asking !== null && asking !== shown.asking };
}
