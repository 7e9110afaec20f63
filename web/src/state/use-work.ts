import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { ask, Refused, type SectionSpec, type Work } from "../api/client";
import { keepUnsent, unsent, type Waiting } from "./unsent";

export type Saving = "saved" | "saving" | "unreached";

/** What became of something sent: done, refused by the program, or never answered. */
type Outcome = "done" | "refused" | "unreached";

const PAUSE = 400;
const AGAIN = 3000;
/** Changes to one field are one step to take back while no pause between them is longer, in ms. */
const RUN = 3000;
const PAGE = Math.random().toString(36).slice(2, 10);

/** The work with its pieces as changes left them. */
function withChanges(work: Work, changes: Waiting[]): Work {
  return changes.reduce(withChange, work);
}

function withChange(work: Work, { piece, body, seam }: Waiting): Work {
  const sections = work.sections.map((section) => {
    if (piece) return section.key === piece ? { ...section, spec: body.spec } : section;
    return { ...section, spec: { ...section.spec, allowance: { ...section.spec.allowance, seam: seam ?? null } } };
  });
  return { ...work, sections };
}

/**
 * One work, saved as it is typed. Changes are sent one after another, each naming the revision before it;
 * `conflict` holds the other version where the work was changed elsewhere.
 */
export function useWork(first: Work) {
  const client = useQueryClient();
  const [left] = useState(() => unsent(first.key));
  const [work, setWork] = useState(() => withChanges(first, left?.changes ?? []));
  const [saving, setSaving] = useState<Saving>(left ? "saving" : "saved");
  const [conflict, setConflict] = useState<Work | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const revision = useRef(left?.revision ?? first.revision);
  /** In the order in which they were made: each holds the whole of its piece. */
  const waiting = useRef<Waiting[]>(left?.changes ?? []);
  const sending = useRef<Waiting | null>(null);
  const unreached = useRef(false);
  /** How many acts, such as an undo, are still to be answered. */
  const acts = useRef(0);
  const timer = useRef<number | undefined>(undefined);
  const chain = useRef<Promise<unknown>>(Promise.resolve());
  const wake = useRef(() => {});
  const run = useRef({ place: "", at: 0, number: 0 });
  const address = `/works/${first.key}`;

  const took = useCallback(
    (answer: Work) => {
      revision.current = answer.revision;
      client.setQueryData(["work", answer.key], answer);
      setSaving(waiting.current.length || acts.current ? "saving" : "saved");
      setTrouble(null);
      unreached.current = false;
      if (!waiting.current.length) keepUnsent(answer.key, null);
      // What is still being typed is newer than the answer. Looked at now: by the time React asks, it may be on its way.
      const typed = new Set(waiting.current.map(({ piece }) => piece));
      setWork((mine) => {
        // A change to the whole work is made again to what was answered.
        const whole = waiting.current.filter(({ piece }) => !piece);
        const sections = answer.sections.map((section) =>
          typed.has(section.key) ? (mine.sections.find((one) => one.key === section.key) ?? section) : section,
        );
        return withChanges({ ...answer, sections }, whole);
      });
    },
    [client],
  );

  const failed = useCallback((error: unknown): Outcome => {
    const refused = error instanceof Refused && error.status < 500;
    unreached.current = !refused;
    if (!refused) setSaving("unreached");
    else if (error.theirs) setConflict(error.theirs);
    else setTrouble(`${error.message}: ${error.problems[0]?.way_out ?? ""}`);
    return refused ? "refused" : "unreached";
  }, []);

  /** Until it is worth trying again: after a while, or as soon as there is more to send. */
  const again = useCallback(
    () =>
      new Promise<void>((done) => {
        wake.current = done;
        window.setTimeout(done, AGAIN);
      }),
    [],
  );

  /** Whatever is sent goes one after another, so that each names the revision that the one before it made. */
  const queued = useCallback(<T>(task: () => Promise<T>): Promise<T> => {
    const done = chain.current.then(task);
    chain.current = done.catch(() => undefined);
    return done;
  }, []);

  /** Send one change; where nobody answers, or the work was changed elsewhere, it waits again as the first. */
  const send = useCallback(
    async (change: Waiting): Promise<Outcome> => {
      sending.current = change;
      try {
        const whole = { seam: change.seam ?? null, run: change.body.run, revision: revision.current };
        const body = change.piece ? { ...change.body, revision: revision.current } : whole;
        // So that it goes out while the page is left; the browser takes so much and no more that way.
        const keepalive = JSON.stringify(body).length < 60_000;
        const [method, tail] = change.piece ? ["PUT", `/sections/${change.piece}`] : ["POST", "/seam"];
        took(await ask<Work>(method, `${address}${tail}`, body, { keepalive }));
        return "done";
      } catch (error) {
        const outcome = failed(error);
        const elsewhere = error instanceof Refused && error.theirs;
        if (outcome === "unreached" || elsewhere) waiting.current.unshift(change);
        return outcome;
      } finally {
        sending.current = null;
      }
    },
    [address, took, failed],
  );

  /** Send all that waits, again and again while nobody answers; false where it was refused. */
  const drain = useCallback(async (): Promise<boolean> => {
    for (let change = waiting.current.shift(); change; change = waiting.current.shift()) {
      const outcome = await send(change);
      if (outcome === "refused") return false;
      if (outcome === "unreached") await again();
    }
    return true;
  }, [send, again]);

  const flush = useCallback((): Promise<boolean> => {
    window.clearTimeout(timer.current);
    wake.current();
    return queued(drain);
  }, [queued, drain]);

  const later = useCallback(
    (change: Waiting) => {
      const last = waiting.current.at(-1);
      const goesOn = last?.piece === change.piece && last.body.run === change.body.run;
      waiting.current = [...(goesOn ? waiting.current.slice(0, -1) : waiting.current), change];
      setSaving("saving");
      window.clearTimeout(timer.current);
      timer.current = window.setTimeout(() => void flush(), PAUSE);
    },
    [flush],
  );

  useEffect(() => {
    const leave = () => {
      // There may be time for one more change alone: the last, which holds what those before it say.
      const pieces = waiting.current.map(({ piece }) => piece);
      waiting.current = waiting.current.filter(({ piece }, at) => pieces.lastIndexOf(piece) === at);
      // Behind one that is not answered there is none: what waits is kept here for the next time.
      const changes = [...(sending.current ? [sending.current] : []), ...waiting.current];
      if (sending.current || unreached.current) keepUnsent(first.key, { revision: revision.current, changes });
      void flush();
    };
    if (waiting.current.length) void flush();
    window.addEventListener("pagehide", leave);
    return () => {
      window.removeEventListener("pagehide", leave);
      leave();
    };
  }, [flush, first.key]);

  const act = useCallback(
    (method: string, tail: string, body: Record<string, unknown> = {}): Promise<Work | null> => {
      window.clearTimeout(timer.current);
      acts.current += 1;
      setSaving("saving");
      return queued(async () => {
        while (await drain()) {
          try {
            const query = method === "DELETE" ? `?revision=${revision.current}` : "";
            const sent = method === "DELETE" ? undefined : { ...body, revision: revision.current };
            const answer = await ask<Work>(method, `${address}${tail}${query}`, sent);
            acts.current -= 1;
            took(answer);
            return answer;
          } catch (error) {
            if (failed(error) === "refused") break;
            await again();
          }
        }
        acts.current -= 1;
        setSaving(waiting.current.length || acts.current ? "saving" : "saved");
        return null;
      });
    },
    [address, queued, drain, took, failed, again],
  );

  return useMemo(
    () => ({
      work,
      saving,
      conflict,
      trouble,
      act,
      /** Change a section's facts at once here, and soon on disk. `field` says which was typed. */
      edit(key: string, spec: SectionSpec, field: string) {
        const [place, at, last] = [`${key} ${field}`, performance.now(), run.current];
        const goesOn = last.place === place && at - last.at < RUN;
        run.current = { place, at, number: goesOn ? last.number : last.number + 1 };
        const change = { piece: key, body: { spec, field, run: `${PAGE}.${run.current.number}` } };
        setWork((mine) => withChanges(mine, [change]));
        later(change);
      },
      /** Another seam allowance for the whole work, at once here and soon on disk; empty, the usual one. */
      seam(text: string) {
        const [at, last] = [performance.now(), run.current];
        const goesOn = last.place === "seam" && at - last.at < RUN;
        run.current = { place: "seam", at, number: goesOn ? last.number : last.number + 1 };
        const body = { spec: {} as SectionSpec, field: "", run: `${PAGE}.${run.current.number}` };
        const change: Waiting = { piece: "", body, seam: text.trim() ? text : null };
        setWork((mine) => withChanges(mine, [change]));
        later(change);
      },
      /** The whole work in another unit; what is typed before the answer has the old one still, and is taken along. */
      async toUnit(unit: "cm" | "in") {
        while ((await act("POST", "/unit", { unit })) && waiting.current.length);
      },
      /** Rename a section. */
      rename(key: string, name: string) {
        void act("PUT", `/sections/${key}`, { name });
      },
      /** Change the work's own words. */
      words(words: { name?: string; purpose?: string }) {
        void act("PATCH", "", words);
      },
      /** Settle a conflict: keep what is here, or take what is there. */
      settle(keepMine: boolean) {
        if (!conflict) return;
        revision.current = conflict.revision;
        setConflict(null);
        if (keepMine) void flush();
        else {
          waiting.current = [];
          took(conflict);
        }
      },
    }),
    [work, saving, conflict, trouble, act, later, flush, took],
  );
}
