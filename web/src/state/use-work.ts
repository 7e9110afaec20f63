import { useEffect, useState, useSyncExternalStore } from "react";
import { ask, type Work } from "../api/client";
import { forgetHere } from "./kept-here";
import { Saving, type World } from "./saving";
import { placeFor, takeOver, type Unsent } from "./unsent";

const WORLD: World = {
  ask: (method, address, body, options) => ask<Work>(method, address, body, options),
  now: () => performance.now(),
  later: (task, ms) => {
    const timer = window.setTimeout(task, ms);
    return () => window.clearTimeout(timer);
  },
};

/** A work as it was fetched, and what windows that are gone left unsent of it. */
export interface Opened {
  work: Work;
  left: [string, Unsent][];
  /** Hears of what a window that is only now closing left. */
  late: { heard: (left: Unsent) => void };
  leave: AbortController;
}

/** Works whose screen was just left, until what was typed there has been sent. */
const leaving = new Map<string, Promise<unknown>>();

/** Fetch a work, with what was typed into it and not saved. */
export async function open(name: string, signal: AbortSignal): Promise<Opened> {
  const [late, leave] = [{ heard: (_: Unsent) => {} }, new AbortController()];
  await leaving.get(name);
  const work = await ask<Work>("GET", `/works/${name}`, undefined, { signal });
  const left = await takeOver(work.key, (found) => late.heard(found), leave.signal);
  return { work, left, late, leave };
}

/** One work, kept as it is typed, for as long as its screen is there. */
export function useWork({ work, left, late, leave }: Opened) {
  const [saving] = useState(() => {
    const unsent = left.map(([, one]) => one);
    const made = new Saving(work, unsent, WORLD, placeFor(work.key));
    late.heard = (found) => made.takeOver(found);
    for (const [key] of left) void forgetHere(key); // it is kept under this window's own name by now
    return made;
  });
  const shown = useSyncExternalStore(saving.subscribe, saving.snapshot);
  useEffect(() => {
    const flush = () => void saving.flush();
    saving.enter();
    window.addEventListener("pagehide", flush);
    return () => {
      window.removeEventListener("pagehide", flush);
      leave.abort();
      const left = saving.leave().finally(() => leaving.delete(work.key));
      leaving.set(work.key, left);
    };
  }, [saving, leave, work.key]);
  return { ...shown, saver: saving };
}
