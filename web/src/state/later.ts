import { type ComponentType, createElement, lazy, useState } from "react";

const PAUSE = 2000;

// biome-ignore lint/suspicious/noExplicitAny: whatever the component takes
type Any = ComponentType<any>;

/** A component that comes in a chunk of its own. */
export type Later = Any & {
  /** Fetch it, and what it brings with it. */
  ready: () => Promise<void>;
};

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
export function later<Module extends Record<Name, Any>, Name extends string>(
  name: Name,
  load: () => Promise<Module>,
): Module[Name] & Later {
  type Shown = Module[Name];
  let found: Promise<{ default: Shown }> | null = null;
  let here: Shown | null = null;
  const once = () => {
    found ??= fetched(load).then((module) => {
      here = module[name];
      return { default: here };
    });
    return found;
  };
  waiting.push(once);
  const Lazy = lazy(once);
  // What is here already is shown at once: behind a fallback React keeps it back for a third of a second.
  // biome-ignore lint/correctness/noComponentHookFactories: one for each chunk, made when the page begins
  const Known = (props: Record<string, unknown>) => createElement(useState<Any>(() => here ?? Lazy)[0], props);
  const ready = async () => {
    const known = waiting.length;
    await once();
    await Promise.all(waiting.slice(known).map((each) => each()));
  };
  return Object.assign(Known, { ready }) as unknown as Shown & Later;
}

/** Fetch what is to come, one after another, so that each screen is here before it is wanted. */
export async function fetchAhead(): Promise<void> {
  for (const load of waiting) await load();
}
