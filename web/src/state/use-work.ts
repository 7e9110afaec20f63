import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { ask, Refused, type SectionSpec, type Work } from "../api/client";

/** A change that waits to be saved: where it goes, and what it says but for the revision. */
interface Waiting {
  method: "PUT" | "PATCH";
  address: string;
  body: Record<string, unknown>;
}

export type Saving = "saved" | "saving" | "unreached";

/** What became of something sent: done, refused by the program, or never answered. */
type Outcome = "done" | "refused" | "unreached";

const PAUSE = 400;
const AGAIN = 3000;

/**
 * One work, saved as it is typed. Changes are sent one after another, each naming the revision before it;
 * `conflict` holds the other version where the work was changed elsewhere.
 */
export function useWork(first: Work) {
  const client = useQueryClient();
  const [work, setWork] = useState(first);
  const [saving, setSaving] = useState<Saving>("saved");
  const [conflict, setConflict] = useState<Work | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const revision = useRef(first.revision);
  const waiting = useRef(new Map<string, Waiting>());
  const timer = useRef<number | undefined>(undefined);
  const chain = useRef<Promise<unknown>>(Promise.resolve());
  const wake = useRef(() => {});

  const took = useCallback(
    (answer: Work) => {
      revision.current = answer.revision;
      client.setQueryData(["work", answer.key], answer);
      setSaving(waiting.current.size ? "saving" : "saved");
      setTrouble(null);
      // What is still being typed is newer than the answer. Looked at now: by the time React asks, it may be on its way.
      const typed = new Set(waiting.current.keys());
      setWork((mine) => {
        const sections = answer.sections.map((section) =>
          typed.has(section.key) ? (mine.sections.find((one) => one.key === section.key) ?? section) : section,
        );
        return { ...answer, sections };
      });
    },
    [client],
  );

  const failed = useCallback((error: unknown): Outcome => {
    if (error instanceof Refused && error.status === 409 && error.theirs) setConflict(error.theirs);
    else if (error instanceof Refused) setTrouble(`${error.message}: ${error.problems[0]?.way_out ?? ""}`);
    else setSaving("unreached");
    return error instanceof Refused ? "refused" : "unreached";
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

  /** Send one change; where that fails it waits again, unless a newer one for the same place does. */
  const send = useCallback(
    async (place: string, change: Waiting): Promise<Outcome> => {
      try {
        const body = { ...change.body, revision: revision.current };
        // So that it goes out while the page is left; the browser takes so much and no more that way.
        const keepalive = JSON.stringify(body).length < 60_000;
        took(await ask<Work>(change.method, change.address, body, { keepalive }));
        return "done";
      } catch (error) {
        if (!waiting.current.has(place)) waiting.current.set(place, change);
        return failed(error);
      }
    },
    [took, failed],
  );

  /** Send all that waits, again and again while nobody answers; false where it was refused. */
  const drain = useCallback(async (): Promise<boolean> => {
    while (waiting.current.size) {
      const [place, change] = [...waiting.current][0] as [string, Waiting];
      waiting.current.delete(place);
      const outcome = await send(place, change);
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
    (place: string, change: Waiting) => {
      waiting.current.set(place, change);
      setSaving("saving");
      window.clearTimeout(timer.current);
      timer.current = window.setTimeout(() => void flush(), PAUSE);
    },
    [flush],
  );

  useEffect(() => {
    const leave = () => void flush();
    window.addEventListener("pagehide", leave);
    return () => {
      window.removeEventListener("pagehide", leave);
      leave();
    };
  }, [flush]);

  const address = `/works/${work.key}`;
  const act = useCallback(
    (method: string, tail: string, body: Record<string, unknown> = {}): Promise<Work | null> => {
      window.clearTimeout(timer.current);
      return queued(async () => {
        while (await drain()) {
          try {
            const query = method === "DELETE" ? `?revision=${revision.current}` : "";
            const sent = method === "DELETE" ? undefined : { ...body, revision: revision.current };
            const answer = await ask<Work>(method, `${address}${tail}${query}`, sent);
            took(answer);
            return answer;
          } catch (error) {
            if (failed(error) === "refused") return null;
            await again();
          }
        }
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
        setWork((mine) => ({
          ...mine,
          sections: mine.sections.map((section) => (section.key === key ? { ...section, spec } : section)),
        }));
        const before = waiting.current.get(key);
        if (before && before.body.field !== field) {
          // Another field is another step: the one before it goes out now, as it was.
          waiting.current.delete(key);
          void queued(() => send(key, before));
        }
        later(key, { method: "PUT", address: `${address}/sections/${key}`, body: { spec, field } });
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
          waiting.current.clear();
          took(conflict);
        }
      },
    }),
    [work, saving, conflict, trouble, act, address, later, flush, took, queued, send],
  );
}
