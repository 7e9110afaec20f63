import type { Ways } from "../api/client";
import { same } from "./in-order";

/** Ways as they are typed, and as they were kept when the typing began. */
export interface WaysDraft {
  base: Ways;
  now: Ways;
}

/** One way that was changed here and elsewhere, by its name (`choices.lining`), as it is there. */
export interface Clash {
  name: string;
  theirs: string;
}

type Flat = Record<string, unknown>;

function flat({ choices, ...rest }: Ways): Flat {
  const chosen = Object.entries(choices ?? {}).map(([name, value]) => [`choices.${name}`, value] as const);
  return { ...rest, ...Object.fromEntries(chosen) };
}

function unflat(ways: Flat): Ways {
  const choices: Flat = {};
  const rest: Flat = {};
  for (const [name, value] of Object.entries(ways)) {
    if (value === undefined) continue;
    if (name.startsWith("choices.")) choices[name.slice("choices.".length)] = value;
    else rest[name] = value;
  }
  return { ...rest, ...(Object.keys(choices).length ? { choices } : {}) } as Ways;
}

/** Ways as they are kept now with what was typed here put in, way by way; and where both were changed differently. */
export function mergedWays({ base, now }: WaysDraft, kept: Ways): { ways: Ways; clashes: Clash[] } {
  const [before, here, there] = [flat(base), flat(now), flat(kept)];
  const found: Flat = { ...there };
  const clashes: Clash[] = [];
  for (const name of new Set([...Object.keys(before), ...Object.keys(here)])) {
    if (same(here[name] ?? null, before[name] ?? null)) continue;
    found[name] = here[name];
    const changed = !same(there[name] ?? null, before[name] ?? null);
    if (changed && !same(there[name] ?? null, here[name] ?? null))
      clashes.push({ name, theirs: String(there[name] ?? "") || "as it usually is" });
  }
  return { ways: unflat(found), clashes };
}
