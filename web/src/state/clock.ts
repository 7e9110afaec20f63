import { useSyncExternalStore } from "react";

/** A step that is being timed, since when; and what was timed and is not yet written down. */
interface Clock {
  running: { step: string; since: number } | null;
  timed: { step: string; minutes: number }[];
}
const NONE: Clock = { running: null, timed: [] };
const heard = new Set<() => void>();
const place = (work: string) => `clock/${work}`;

function read(work: string): Clock {
  try {
    return { ...NONE, ...JSON.parse(localStorage.getItem(place(work)) ?? "{}") };
  } catch {
    return NONE;
  }
}

function write(work: string, clock: Clock): void {
  try {
    localStorage.setItem(place(work), JSON.stringify(clock));
  } catch {
    // A browser that keeps nothing times nothing: the minutes are typed.
  }
  for (const one of heard) one();
}

/** Begin to time a step; one that was timed until now is written down first. */
export function startClock(work: string, step: string, now = Date.now()): void {
  const clock = stopped(read(work), now);
  write(work, { ...clock, running: { step, since: now } });
}

/** End what is timed. */
export function stopClock(work: string, now = Date.now()): void {
  write(work, stopped(read(work), now));
}

/** What was timed and is not yet written down, taken away from here. */
export function takeTimed(work: string): Clock["timed"] {
  const clock = read(work);
  if (clock.timed.length) write(work, { ...clock, timed: [] });
  return clock.timed;
}

function stopped(clock: Clock, now: number): Clock {
  if (!clock.running) return clock;
  // A minute at the least: what was begun was done.
  const minutes = Math.max(1, Math.round((now - clock.running.since) / 60_000));
  return { running: null, timed: [...clock.timed, { step: clock.running.step, minutes }] };
}

function hear(then: () => void): () => void {
  heard.add(then);
  window.addEventListener("storage", then);
  return () => {
    heard.delete(then);
    window.removeEventListener("storage", then);
  };
}

/** The step of a work that is being timed, "" for none; the same in every window. */
export function useRunning(work: string): string {
  return useSyncExternalStore(hear, () => read(work).running?.step ?? "");
}

/** How many minutes are waiting to be written down. */
export function useTimed(work: string): number {
  return useSyncExternalStore(hear, () => read(work).timed.length);
}

/** Minutes added to what is written of a step already: to bare minutes or hours; beside other words, so that neither is lost. */
export function withMinutes(written: string, minutes: number): string {
  const before = written.trim();
  const found = before.match(/^(?:(\d+)\s*h)?\s*(\d+)?(?:\s*min)?$/);
  if (!found) return `${before} + ${minutes}`;
  return String(Number(found[1] ?? 0) * 60 + Number(found[2] ?? 0) + minutes);
}
