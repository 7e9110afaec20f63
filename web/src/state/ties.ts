import type { KeptSpec, ReadySpec, ThingAnswer } from "../api/client";
import { same } from "./in-order";

type Results = ThingAnswer["results"];
type Tree = Record<string, unknown>;

const isTie = (value: unknown): value is { tied: string } =>
  typeof value === "object" && value !== null && "tied" in value && typeof value.tied === "string";
const isTree = (value: unknown): value is Tree =>
  typeof value === "object" && value !== null && !Array.isArray(value) && !("about" in value) && !isTie(value);

/** What a tie comes to, as it is typed; undefined where nothing settles it. */
function comesTo(tie: { tied: string }, results: Results): unknown {
  const found = results[tie.tied];
  if (!found?.typed) return undefined;
  return found.about ? { about: found.typed } : found.typed;
}

function resolve(value: unknown, results: Results): unknown {
  if (isTie(value)) return comesTo(value, results);
  if (Array.isArray(value)) return value.map((one) => resolve(one, results));
  if (!isTree(value)) return value;
  const found: Tree = {};
  for (const [name, inner] of Object.entries(value)) {
    const made = resolve(inner, results);
    if (made !== undefined) found[name] = made;
  }
  return found;
}

/** A section with what its ties come to in their place. */
function untied(kept: KeptSpec, results: Results): ReadySpec {
  return resolve(kept, results) as ReadySpec;
}

function tie(kept: unknown, edited: unknown, results: Results): unknown {
  if (isTie(kept)) return same(edited, comesTo(kept, results)) ? kept : edited;
  if (Array.isArray(kept) && Array.isArray(edited) && kept.length === edited.length)
    return edited.map((one, index) => tie(kept[index], one, results));
  if (!isTree(kept) || !isTree(edited)) return edited;
  const found: Tree = {};
  for (const name of new Set([...Object.keys(edited), ...Object.keys(kept)])) {
    const made = tie(kept[name], edited[name], results);
    if (made !== undefined) found[name] = made;
  }
  return found;
}

/** An edited section as the work keeps it: whatever is as the thing has it stays tied. */
function retied(kept: KeptSpec, edited: ReadySpec, results: Results): KeptSpec {
  return tie(kept, edited, results) as KeptSpec;
}

/** The section with one fact tied again, its field in dots. */
export function tiedAgain(kept: KeptSpec, path: string, result: string): KeptSpec {
  const [head = "", ...rest] = path.split(".");
  const put = (tree: Tree, names: string[]): Tree => {
    const [first = "", ...further] = names;
    if (!further.length) return { ...tree, [first]: { tied: result } };
    return { ...tree, [first]: put((tree[first] as Tree | undefined) ?? {}, further) };
  };
  return put(kept as Tree, [head, ...rest]) as KeptSpec;
}

/** Whether the fact at a field in dots follows from the thing. */
export function isTied(kept: KeptSpec, path: string): boolean {
  let at: unknown = kept;
  for (const name of path.split(".")) at = isTree(at) ? at[name] : undefined;
  return isTie(at);
}

/** Every section of a work with what its ties come to in their place; null where that is not known yet. */
export function readySpecs(
  sections: { key: string; spec: KeptSpec }[],
  made: ThingAnswer | null,
): Map<string, ReadySpec | null> {
  return new Map(
    sections.map(({ key, spec }) => {
      const edge = spec.edge ? made?.edges[spec.edge] : undefined;
      if (spec.mirrors && edge) return [key, edge.spec as ReadySpec];
      if (made) return [key, untied(spec, made.results)];
      return [key, hasTies(spec) ? null : (spec as ReadySpec)];
    }),
  );
}

function hasTies(value: unknown): boolean {
  if (isTie(value)) return true;
  return typeof value === "object" && value !== null && Object.values(value).some(hasTies);
}

const withoutCorrections = ({ corrections: _, ...rest }: ReadySpec) => rest;

/** What an edited section is kept as: tied where it is as the thing has it; a mirror until it is changed itself. */
export function keptAs(kept: KeptSpec, ready: ReadySpec, edited: ReadySpec, made: ThingAnswer | null): KeptSpec {
  if (!made) return edited;
  if (!kept.mirrors) return retied(kept, edited, made.results);
  if (same(withoutCorrections(ready), withoutCorrections(edited)))
    return { ...kept, ...(edited.corrections ? { corrections: edited.corrections } : {}) };
  const base = kept.edge ? made.edges[kept.edge]?.kept : undefined;
  const { mirrors: _, ...own } = retied((base as KeptSpec | undefined) ?? kept, edited, made.results);
  return own;
}
