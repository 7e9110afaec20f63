import { type ComponentType, lazy } from "react";

const PAUSE = 2000;

/** A module of the page once it is there; asked for again as long as the program does not answer. */
async function fetched<Module>(load: () => Promise<Module>): Promise<Module> {
  for (;;) {
    try {
      return await load();
    } catch {
      await new Promise((done) => setTimeout(done, PAUSE));
    }
  }
}

const waiting: (() => Promise<unknown>)[] = [];

/** A component that comes in a chunk of its own, when it is first shown or once the page has nothing else to do. */
// biome-ignore lint/suspicious/noExplicitAny: whatever the component takes
export function later<Name extends string, Shown extends ComponentType<any>>(
  name: Name,
  load: () => Promise<Record<Name, Shown>>,
) {
  let found: Promise<{ default: Shown }> | null = null;
  const once = () => {
    found ??= fetched(load).then((module) => ({ default: module[name] }));
    return found;
  };
  waiting.push(once);
  return lazy(once);
}

/** Fetch what is to come, one after another, so that each screen is here before it is wanted. */
export async function fetchAhead(): Promise<void> {
  for (const load of waiting) await load();
}
