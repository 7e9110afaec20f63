import { createStore, del, entries, set, type UseStore } from "idb-keyval";

/**
 * What this browser keeps until the program has it, or until it is no longer wanted: one row a key. Whether it keeps
 * anything at all is told to whoever listens.
 */
let store: UseStore | null = null;
let nothing = false;
const listeners = new Set<() => void>();

function opened(): UseStore {
  store ??= createStore("young-ribbon", "kept-here");
  return store;
}

function said(keepsNothing: boolean): void {
  if (nothing === keepsNothing) return;
  nothing = keepsNothing;
  for (const listener of listeners) listener();
}

async function tried<T>(task: () => Promise<T>, otherwise: T): Promise<T> {
  try {
    const done = await task();
    said(false);
    return done;
  } catch {
    store = null; // it may be opened again when there is room
    said(true);
    return otherwise;
  }
}

/**
 * A word written at once, for a page that is gone the next moment: the rows of the browser's database are kept a few
 * moments later, and then outlive a browser that is killed, which this does not.
 */
const FIRST = "young-ribbon/";
type First = { stamp: number; value: unknown } | { stamp: number; gone: true };
let stamps = Date.now();

function writeFirst(key: string, word: { value: unknown } | { gone: true }): number {
  stamps += 1;
  try {
    localStorage.setItem(FIRST + key, JSON.stringify({ stamp: stamps, ...word }));
  } catch {
    // It is full or forbidden: then it is kept a moment later, or said not to be.
  }
  return stamps;
}

function readFirst(key: string): First | null {
  try {
    return JSON.parse(localStorage.getItem(FIRST + key) ?? "null");
  } catch {
    return null;
  }
}

function doneWith(key: string, stamp: number): void {
  if (!nothing && readFirst(key)?.stamp === stamp) localStorage.removeItem(FIRST + key);
}

function firstKeys(prefix: string): string[] {
  try {
    return Object.keys(localStorage)
      .filter((key) => key.startsWith(FIRST + prefix))
      .map((key) => key.slice(FIRST.length));
  } catch {
    return [];
  }
}

/** Keep a value under a key; calls are carried out in their order. */
export async function keepHere(key: string, value: unknown): Promise<void> {
  const stamp = writeFirst(key, { value });
  await tried(() => set(key, value, opened()), undefined);
  doneWith(key, stamp);
}

/** Let go of what is kept under a key. */
export async function forgetHere(key: string): Promise<void> {
  const stamp = writeFirst(key, { gone: true });
  await tried(() => del(key, opened()), undefined);
  doneWith(key, stamp);
}

/** Everything whose key begins so. */
export async function keptHere<T>(prefix: string): Promise<[string, T][]> {
  const rows = new Map(await tried(() => entries<string, T>(opened()), []));
  for (const key of firstKeys(prefix)) {
    const first = readFirst(key);
    if (first && "gone" in first) {
      rows.delete(key);
      void forgetHere(key); // the page was gone before that was done
    }
    if (first && "value" in first) rows.set(key, first.value as T);
  }
  return [...rows].filter(([key]) => key.startsWith(prefix));
}

/** Whether this browser keeps nothing, because it is told not to or is full. */
export function keepsNothing(): boolean {
  return nothing;
}

/** Be told when that changes. */
export function onKeeping(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}
