import type { Cloth, KeptSpec, Thing } from "../api/client";
import { newName } from "../api/named";
import { forgetHere, keepHere, keptHere } from "./kept-here";

export type LogName = "notes" | "faults" | "hours" | "cost" | "finished";

/** A change that waits to be saved, in the order in which it was made. `id` names it, so that it is made once. */
export type Item = { id: string; run: string } & (
  | { what: "piece"; piece: string; spec: KeptSpec; field: string }
  | { what: "cloth"; role: string; spec: Cloth | null; field: string }
  | { what: "seam"; seam: string | null }
  | { what: "thing"; thing: Thing; field: string }
  | { what: "log"; name: LogName; value: string | boolean }
  | { what: "act"; method: string; tail: string; body: Record<string, unknown> }
);

/** What a page has not saved: the revision of each part that a change was made to, `rest` of all others. */
export interface Unsent {
  rest: number;
  seen: Record<string, number>;
  items: Item[];
  /** When it was last written down, in ms; not known of what earlier versions left. */
  at?: number;
}

const prefix = (work: string) => `unsent/${work}/`;

/** Where one opened work keeps what is unsent; `free` lets another window take it over. */
export interface UnsentPlace {
  keep: (left: Unsent | null) => void;
  free: () => void;
}

/** A place of its own for a work that is opened here; a browser that is killed frees it. */
export function placeFor(work: string): UnsentPlace {
  const key = `${prefix(work)}${newName()}`;
  let free = () => {};
  const held = new Promise<void>((done) => {
    free = done;
  });
  void navigator.locks?.request(key, () => held);
  return {
    keep: (left) => void (left?.items.length ? keepHere(key, { ...left, at: Date.now() }) : forgetHere(key)),
    free,
  };
}

/**
 * Take over what windows that are gone left unsent of a work. What a window that is still open, or just closing,
 * leaves is handed to `late` when it is free.
 */
export async function takeOver(
  work: string,
  late: (left: Unsent) => void,
  until: AbortSignal,
): Promise<[string, Unsent][]> {
  const rows = await keptHere<Unsent>(prefix(work));
  const held = new Set(((await navigator.locks?.query())?.held ?? []).map((lock) => lock.name));
  for (const [key] of rows.filter(([key]) => held.has(key))) {
    navigator.locks
      .request(key, { signal: until }, async () => {
        const still = (await keptHere<Unsent>(key))[0]?.[1];
        if (still) late(still);
        await forgetHere(key);
      })
      .catch(() => undefined); // this page was left first
  }
  // The oldest first: what was typed last stands.
  return rows.filter(([key]) => !held.has(key)).sort(([, one], [, other]) => (one.at ?? 0) - (other.at ?? 0));
}
